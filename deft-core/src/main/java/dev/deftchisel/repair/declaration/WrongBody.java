package dev.deftchisel.repair.declaration;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Methods with a body that must have none, or without one that must have it (JLS 8.4.7). */
public final class WrongBody implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("missing.meth.body.or.decl.abstract", "abstract.meth.cant.have.body",
                "intf.abstract.meth.cant.have.body",
                "intf.meth.cant.have.body", "native.meth.cant.have.body", "invalid.meth.decl.ret.type.req");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        String id = site.error().code();
        Optional<TreePath> found = site.nearest(MethodTree.class);
        if (found.isEmpty()) {
            return List.of();
        }
        MethodTree method = (MethodTree) found.get().getLeaf();
        if (id.endsWith("missing.meth.body.or.decl.abstract")) {
            return List.of(Fix.of("give it a body", edits -> giveBody(edits, found.get())),
                    Fix.of("make it abstract", edits -> ModifierWords.add(edits, method, "abstract")));
        } else if (id.endsWith("invalid.meth.decl.ret.type.req")) {
            return List.of(Fix.of("let it return nothing", edits -> {
                int name = nameOf(method, code);
                edits.insert(code.tokens().start(name), "void ");
            }));
        } else if (id.contains("intf.")) {
            return List.of(Fix.of("make it a default method", edits -> ModifierWords.add(edits, method, "default")),
                    Fix.of("make it static", edits -> ModifierWords.add(edits, method, "static")));
        }
        String word = id.endsWith("native.meth.cant.have.body") ? "native" : "abstract";
        return List.of(Fix.of("let it be not " + word,
                edits -> ModifierWords.remove(edits, code.range(method.getModifiers()), word)),
                Fix.of("remove the body", edits -> {
                    int before = code.tokens().end(code.tokens()
                            .codeBefore(code.tokens().at(code.range(method.getBody()).start()) - 1));
                    edits.replace(new Range(before, code.range(method.getBody()).end()), ";");
                }));
    }

    private static int nameOf(MethodTree method, AttributedFile code) {
        int from = code.tokens().code(code.tokens()
                .at(code.find(method.getModifiers()).filter(range -> range.length() > 0)
                .map(Range::end).orElse(code.range(method).start())));
        return from;
    }

    private static void giveBody(FixEdits edits, TreePath path) {
        AttributedFile code = edits.code();
        MethodTree method = (MethodTree) path.getLeaf();
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(method).start());
        Optional<TypeMirror> result = Optional.ofNullable(method.getReturnType())
                .flatMap(type -> code.type(new TreePath(path, type)))
                .filter(type -> type.getKind() != TypeKind.VOID);
        int end = code.range(method).end();
        edits.replace(new Range(end - 1, end), " {" + layout.lineEnd()
                + result.map(type -> indent + layout.unit() + "return " + DefaultValues.of(type) + ";"
                        + layout.lineEnd()).orElse("") + indent + "}");
    }
}
