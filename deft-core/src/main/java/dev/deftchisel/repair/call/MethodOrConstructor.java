package dev.deftchisel.repair.call;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Methods without a result type, which may be constructors, and bodies that a {@code ;} cuts off (JLS 8.4, 8.8).
 */
public final class MethodOrConstructor implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("invalid.meth.decl.ret.type.req", "missing.meth.body.or.decl.abstract");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return site.nearest(MethodTree.class)
                .map(path -> site.id().equals("missing.meth.body.or.decl.abstract")
                        ? detachedBody(path, site.code()) : withoutResult(path, site.code()))
                .orElse(List.of());
    }

    /**
     * A method that does not say what it returns: a constructor whose name is misspelt, or with the type of its
     * result.
     */
    private static List<Fix> withoutResult(TreePath path, AttributedFile code) {
        MethodTree method = (MethodTree) path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        Range range = code.range(method);
        int brace = method.getBody() == null ? range.end() : code.range(method.getBody()).start();
        String head = code.text(new Range(range.start(), brace));
        Matcher named = Pattern.compile("(\\w+)\\s*\\(").matcher(head);
        if (!named.find()) {
            return fixes;
        }
        int name = range.start() + named.start(1);
        String own = named.group(1);
        boolean isWord = Set.of("constructor", "init", "__init__", "initialize", "ctor", "initializer").contains(own);
        if (path.getParentPath().getLeaf() instanceof ClassTree type
                && (isWord || Spelling.slips(own, type.getSimpleName().toString()) <= 2 && own.length() > 2)) {
            fixes.add(Fix.of("call it '" + type.getSimpleName() + "'",
                    edits -> edits.replace(new Range(name, name + own.length()), type.getSimpleName().toString())));
        }
        List<TypeMirror> results = results(path, code);
        results.stream().findFirst().ifPresent(type -> fixes.add(Fix.of("let it return " + Conversion.shown(type),
                edits -> edits.insert(name, edits.types().write(type).orElse("Object") + " "))));
        for (String type : results.isEmpty() && code.text(range).contains("return ")
                ? List.of("int", "String", "boolean", "double", "Object") : List.<String>of()) {
            fixes.add(Fix.of("let it return " + type, edits -> edits.insert(name, type + " ")));
        }
        return fixes;
    }

    /** The types of what a method returns, in the order of its statements. */
    private static List<TypeMirror> results(TreePath path, AttributedFile code) {
        List<TypeMirror> results = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitReturn(ReturnTree tree, Void unused) {
                if (tree.getExpression() != null) {
                    TreePath value = new TreePath(getCurrentPath(), tree.getExpression());
                    code.ownType(value).or(() -> code.type(value)).filter(type -> type.getKind() != TypeKind.NULL
                            && type.getKind() != TypeKind.ERROR).ifPresent(results::add);
                }
                return null;
            }
        }.scan(path, null);
        return results;
    }

    /** {@code int one(); { return 1; }}. */
    private static List<Fix> detachedBody(TreePath path, AttributedFile code) {
        MethodTree method = (MethodTree) path.getLeaf();
        if (!(path.getParentPath().getLeaf() instanceof ClassTree owner)) {
            return List.of();
        }
        int end = code.range(method).end();
        boolean isFollowed = owner.getMembers().stream()
                .anyMatch(member -> member instanceof BlockTree && code.find(member)
                .filter(range -> range.start() >= end && code.text(new Range(end, range.start())).isBlank())
                .isPresent());
        return isFollowed ? List.of(Fix.of("remove the ';'", edits -> edits.cut(new Range(end - 1, end)))) : List.of();
    }
}
