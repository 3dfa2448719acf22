package dev.deftchisel.repair.flow;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/** Checked exceptions that are neither declared nor caught (JLS 11.2.3). */
public final class UnreportedException implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("unreported.exception.need.to.catch.or.throw", "unreported.exception.implicit.close",
                "unreported.exception.default.constructor");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> statement = site.around().stream()
                .filter(path -> path.getLeaf() instanceof StatementTree && !(path.getLeaf() instanceof ClassTree)
                        && path.getParentPath().getLeaf() instanceof BlockTree)
                .findFirst();
        Optional<TreePath> owner = site.around().stream()
                .filter(path -> path.getLeaf() instanceof MethodTree || path.getLeaf() instanceof LambdaExpressionTree
                        || path.getLeaf() instanceof ClassTree)
                .findFirst();
        List<TypeMirror> thrown = owner.isEmpty() ? List.of() : uncaught(site, owner.get());
        if (thrown.isEmpty() || owner.isEmpty()) {
            return List.of();
        }
        String names = names(thrown);
        List<Fix> fixes = new ArrayList<>();
        if (owner.get().getLeaf() instanceof MethodTree method) {
            // what else the method can end in would be the next error
            List<TypeMirror> all = method.getBody() == null ? thrown : inBody(owner.get(), code);
            List<TypeMirror> declared = all.size() > thrown.size() ? all : thrown;
            if (mayThrow(owner.get(), declared, code)) {
                fixes.add(Fix.of("declare that '" + shown(method) + "' throws " + names(declared),
                        edits -> declare(edits, method, declared)));
            }
        }
        statement.ifPresent(path -> fixes.addAll(caught(path, thrown, names, code)));
        return fixes;
    }

    private static String names(List<TypeMirror> types) {
        return types.stream().map(type -> NamedTypes.shown(type).substring(NamedTypes.shown(type).lastIndexOf('.') + 1))
                .collect(Collectors.joining(", "));
    }

    /** All that running the body of a method can end in and that the method does not declare. */
    private static List<TypeMirror> inBody(TreePath owner, AttributedFile code) {
        TreePath body = new TreePath(owner, ((MethodTree) owner.getLeaf()).getBody());
        return code.thrown(List.of(body)).stream().filter(type -> !isHandled(body, owner, type, code)).toList();
    }

    private static String shown(MethodTree method) {
        return method.getReturnType() == null ? "the constructor" : method.getName().toString();
    }

    /** The exceptions that the smallest code at the error can end in and nobody around handles. */
    private static List<TypeMirror> uncaught(ErrorSite site, TreePath owner) {
        AttributedFile code = site.code();
        for (TreePath path : site.around()) {
            if (path.getLeaf() instanceof ExpressionTree || path.getLeaf() instanceof StatementTree) {
                List<TypeMirror> thrown = code.thrown(List.of(path)).stream()
                        .filter(type -> !isHandled(path, owner, type, code)).toList();
                if (!thrown.isEmpty()) {
                    return thrown;
                }
            }
            if (path.getLeaf() == owner.getLeaf()) {
                break;
            }
        }
        return List.of();
    }

    private static boolean isHandled(TreePath path, TreePath owner, TypeMirror type, AttributedFile code) {
        for (TreePath at = path; at.getLeaf() != owner.getLeaf(); at = at.getParentPath()) {
            TreePath parent = at.getParentPath();
            if (parent.getLeaf() instanceof TryTree tried && (tried.getBlock() == at.getLeaf()
                    || tried.getResources().contains(at.getLeaf()))
                    && tried.getCatches().stream()
                    .anyMatch(handler -> catches(new TreePath(parent, handler), type, code))) {
                return true;
            }
        }
        return owner.getLeaf() instanceof MethodTree method && method.getThrows().stream()
                .anyMatch(declared -> code.type(new TreePath(owner, declared)).filter(known -> code.isKind(type, known))
                        .isPresent());
    }

    private static boolean catches(TreePath handler, TypeMirror type, AttributedFile code) {
        VariableTree parameter = ((CatchTree) handler.getLeaf()).getParameter();
        TreePath declared = new TreePath(new TreePath(handler, parameter), parameter.getType());
        return declared.getLeaf() instanceof UnionTypeTree union
                ? union.getTypeAlternatives().stream().anyMatch(part -> code.type(new TreePath(declared, part))
                        .filter(known -> code.isKind(type, known)).isPresent())
                : code.type(declared).filter(known -> code.isKind(type, known)).isPresent();
    }

    /** Whether nothing that the method overrides forbids it (JLS 8.4.8.3). */
    private static boolean mayThrow(TreePath path, List<TypeMirror> thrown, AttributedFile code) {
        return code.element(path).stream()
                .flatMap(element -> Supertypes.overridden((ExecutableElement) element, code.elements(), code.types())
                        .stream())
                .allMatch(other -> thrown.stream().allMatch(exception -> other.getThrownTypes().stream()
                        .anyMatch(declared -> code.isKind(exception, declared))));
    }

    private static void declare(FixEdits edits, MethodTree method, List<TypeMirror> thrown) {
        AttributedFile code = edits.code();
        String names = thrown.stream().map(type -> edits.types().write(type).orElse(NamedTypes.shown(type)))
                .collect(Collectors.joining(", "));
        if (!method.getThrows().isEmpty()) {
            edits.insert(code.range(method.getThrows().get(method.getThrows().size() - 1)).end(), ", " + names);
            return;
        }
        int brace = code.tokens().at(code.range(method.getBody()).start());
        edits.insert(code.tokens().end(code.tokens().codeBefore(brace - 1)), " throws " + names);
    }

    private static List<Fix> caught(TreePath path, List<TypeMirror> thrown, String names, AttributedFile code) {
        StatementTree statement = (StatementTree) path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        Optional<TreePath> around = tryAround(path);
        around.ifPresent(tried -> fixes.add(Fix.of("catch " + names + " in the try around", edits -> {
            TryTree tree = (TryTree) tried.getLeaf();
            Layout layout = Layout.of(code.file());
            String indent = Layout.indentOf(code.file(), code.range(tree).start());
            Tree last = tree.getCatches().isEmpty() ? tree.getBlock() : tree.getCatches()
                    .get(tree.getCatches().size() - 1);
            edits.insert(code.range(last).end(), handler(edits, thrown, layout, indent));
        })));
        if (!(statement instanceof VariableTree)) {
            fixes.add(Fix.of("catch " + names, edits -> surround(edits, statement, thrown)));
        } else {
            fixes.add(Fix.of("catch " + names + " around this and what follows",
                    edits -> surroundRest(edits, path, thrown)));
        }
        return fixes;
    }

    private static Optional<TreePath> tryAround(TreePath statement) {
        for (TreePath at = statement; at != null && !TreePaths.runsApart(at.getLeaf())
                && !(at.getLeaf() instanceof MethodTree); at = at.getParentPath()) {
            if (at.getParentPath() != null && at.getParentPath().getLeaf() instanceof TryTree tried
                    && tried.getBlock() == at.getLeaf()) {
                return Optional.of(at.getParentPath());
            }
        }
        return Optional.empty();
    }

    private static String handler(FixEdits edits, List<TypeMirror> thrown, Layout layout, String indent) {
        String names = thrown.stream().map(type -> edits.types().write(type).orElse(NamedTypes.shown(type)))
                .collect(Collectors.joining(" | "));
        return layout.rethrowing(names, "IllegalStateException", "e", indent);
    }

    private static void surround(FixEdits edits, StatementTree statement, List<TypeMirror> thrown) {
        surround(edits, edits.code().range(statement), thrown);
    }

    private static void surroundRest(FixEdits edits, TreePath path, List<TypeMirror> thrown) {
        AttributedFile code = edits.code();
        List<? extends StatementTree> all = ((BlockTree) path.getParentPath().getLeaf()).getStatements();
        surround(edits, new Range(code.range(path.getLeaf()).start(), code.range(all.get(all.size() - 1)).end()),
                thrown);
    }

    private static void surround(FixEdits edits, Range code, List<TypeMirror> thrown) {
        Layout layout = Layout.of(edits.code().file());
        String indent = Layout.indentOf(edits.code().file(), code.start());
        edits.replace(code, to -> to.write("try {" + layout.lineEnd() + indent + layout.unit())
                .carry(code, indent, indent + layout.unit())
                .write(layout.lineEnd() + indent + "}" + handler(edits, thrown, layout, indent)));
    }
}
