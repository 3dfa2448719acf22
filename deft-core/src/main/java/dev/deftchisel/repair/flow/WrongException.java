package dev.deftchisel.repair.flow;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
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
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeMirror;

/**
 * Handlers in the wrong order or of the wrong type, initialisers that fail, what is thrown and cannot be (JLS 11.2,
 * 14.18, 14.20).
 */
public final class WrongException implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("except.already.caught", "multicatch.types.must.be.disjoint", "except.never.thrown.in.try",
                "prob.found.req", "incompatible.types",
                "unreported.exception.need.to.catch.or.throw", "initializer.must.be.able.to.complete.normally",
                "void.not.allowed.here");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        List<Fix> fixes = new ArrayList<>();
        switch (site.id()) {
            case "except.already.caught" -> site.nearest(CatchTree.class).flatMap(path -> earlier(path, site.code()))
                    .ifPresent(fixes::add);
            case "multicatch.types.must.be.disjoint" -> alternative(site).ifPresent(fixes::add);
            case "except.never.thrown.in.try" -> handled(site).ifPresent(fixes::add);
            case "unreported.exception.need.to.catch.or.throw" -> field(site).ifPresent(fixes::add);
            default -> fixes.addAll(notThrowable(site));
        }
        return fixes;
    }

    /** The handler of the narrower type comes before the one that takes all. */
    private static Optional<Fix> earlier(TreePath path, AttributedFile code) {
        if (!(path.getParentPath().getLeaf() instanceof TryTree attempt)) {
            return Optional.empty();
        }
        CatchTree own = (CatchTree) path.getLeaf();
        Optional<TypeMirror> type = code.type(new TreePath(new TreePath(path, own.getParameter()), own.getParameter()
                .getType()));
        return attempt.getCatches().stream().limit(attempt.getCatches().indexOf(own))
                .filter(other -> type.isPresent() && code
                        .type(new TreePath(new TreePath(new TreePath(path.getParentPath(), other),
                                other.getParameter()),
                        other.getParameter().getType())).filter(known -> code.isKind(type.get(), known)).isPresent())
                .findFirst()
                .map(other -> Fix.of("put the handler before the other", edits -> {
                    Range range = code.range(own);
                    int before = code.tokens().end(code.tokens().codeBefore(code.tokens().at(range.start()) - 1));
                    edits.insert(code.range(other).start(), code.text(range) + " ");
                    edits.cut(new Range(before, range.end()));
                }));
    }

    /** Of two types of which one is a kind of the other, the narrower one says nothing. */
    private static Optional<Fix> alternative(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(UnionTypeTree.class).flatMap(path -> {
            UnionTypeTree union = (UnionTypeTree) path.getLeaf();
            List<? extends Tree> all = union.getTypeAlternatives();
            for (int i = 0; i < all.size(); i++) {
                int index = i;
                Optional<TypeMirror> type = code.type(new TreePath(path, all.get(i)));
                boolean isNarrower = all.stream().filter(other -> other != all.get(index))
                        .anyMatch(other -> type.isPresent()
                        && code.type(new TreePath(path, other)).filter(known -> code.isKind(type.get(), known))
                        .isPresent());
                if (isNarrower) {
                    return Optional.of(Fix.of("leave out '" + code.text(all.get(i)) + "'", edits -> {
                        int start = index > 0 ? code.range(all.get(index - 1)).end() : code.range(all.get(index))
                                .start();
                        int end = index == 0 ? code.range(all.get(1)).start() : code.range(all.get(index)).end();
                        edits.cut(new Range(start, end));
                    }));
                }
            }
            return Optional.empty();
        });
    }

    /** A handler of what is no exception. */
    private static Optional<Fix> handled(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(CatchTree.class).map(path -> ((CatchTree) path.getLeaf()).getParameter())
                .filter(parameter -> code.file().content().length() > 0)
                .filter(parameter -> site.nearest(CatchTree.class)
                        .flatMap(path -> code.type(new TreePath(new TreePath(path, parameter), parameter.getType())))
                        .filter(type -> !code.isKind(type, code.elements().getTypeElement("java.lang.Throwable")
                                .asType())).isPresent())
                .map(parameter -> Fix.of("catch an 'Exception'",
                        edits -> edits.replace(code.range(parameter.getType()), "Exception")));
    }

    /** A field whose value cannot be computed without an exception gets it in an initialiser that catches it. */
    private static Optional<Fix> field(ErrorSite site) {
        Optional<TreePath> field = site.nearest(VariableTree.class)
                .filter(path -> path.getParentPath().getLeaf() instanceof ClassTree
                && ((VariableTree) path.getLeaf()).getInitializer() != null
                && site.around().stream().noneMatch(other -> other.getLeaf() instanceof MethodTree));
        return field.map(path -> Fix.of("work it out in an initialiser", edits -> initialiser(edits, path)));
    }

    private static void initialiser(FixEdits edits, TreePath path) {
        AttributedFile code = edits.code();
        VariableTree field = (VariableTree) path.getLeaf();
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(field).start());
        String in = layout.lineEnd() + indent + layout.unit();
        Range initial = code.range(field.getInitializer());
        String exceptions = code.thrown(List.of(new TreePath(path, field.getInitializer()))).stream()
                .map(type -> edits.types().write(type).orElse("Exception")).distinct()
                .collect(Collectors.joining(" | "));
        boolean isStatic = field.getModifiers().getFlags().contains(Modifier.STATIC);
        edits.cut(new Range(code.name(field).end(), initial.end()));
        edits.insert(code.range(field).end(), layout.lineEnd() + layout.lineEnd() + indent
                + (isStatic ? "static {" : "{") + in + "try {" + in + layout.unit()
                + field.getName() + " = " + code.text(initial) + ";" + in + "} catch (" + exceptions + " e) {" + in
                + layout.unit()
                + "throw new IllegalStateException(e);" + in + "}" + layout.lineEnd() + indent + "}");
    }

    /** What is thrown or opened and is of no type that can be: its class becomes one. */
    private static List<Fix> notThrowable(ErrorSite site) {
        AttributedFile code = site.code();
        String message = site.error().message();
        List<Fix> fixes = new ArrayList<>();
        if (message.contains("java.lang.Throwable")) {
            site.nearest(ThrowTree.class).map(path -> new TreePath(path, ((ThrowTree) path.getLeaf()).getExpression()))
                    .filter(path -> path.getLeaf() instanceof NewClassTree)
                    .flatMap(path -> site.declaration(new TreePath(path, ((NewClassTree) path.getLeaf())
                            .getIdentifier())))
                    .filter(path -> path.getLeaf() instanceof ClassTree type && type.getExtendsClause() == null)
                    .ifPresent(path -> fixes.add(Fix.of("let '" + ((ClassTree) path.getLeaf())
                            .getSimpleName() + "' be an exception",
                            edits -> edits.insert(code.name(path.getLeaf()).end(), " extends RuntimeException"))));
        }
        if (message.contains("java.lang.AutoCloseable")) {
            site.nearest(TryTree.class).ifPresent(path -> unmanaged(path, code).ifPresent(fixes::add));
        }
        return fixes;
    }

    /** A resource that cannot be closed is an ordinary variable. */
    private static Optional<Fix> unmanaged(TreePath path, AttributedFile code) {
        TryTree attempt = (TryTree) path.getLeaf();
        if (attempt.getResources().size() != 1 || !(attempt.getResources().get(0) instanceof VariableTree resource)) {
            return Optional.empty();
        }
        boolean isPlain = attempt.getCatches().isEmpty() && attempt.getFinallyBlock() == null;
        BlockTree block = attempt.getBlock();
        return Optional.of(Fix.of("declare it in the block", edits -> {
            Layout layout = Layout.of(code.file());
            String indent = Layout.indentOf(code.file(), code.range(attempt).start()) + layout.unit();
            int brace = code.range(block).start() + 1;
            String text = code.text(resource).strip();
            edits.replace(new Range(code.range(attempt).start(), code.range(block).start()), isPlain ? "" : "try ");
            edits.insert(brace, layout.lineEnd() + indent + text + (text.endsWith(";") ? "" : ";"));
        }));
    }
}
