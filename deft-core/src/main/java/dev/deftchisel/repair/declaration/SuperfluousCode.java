package dev.deftchisel.repair.declaration;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;

/** Code that must not be where it is, and can go. */
public final class SuperfluousCode implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("unreachable.stmt", "except.never.thrown.in.try", "except.already.caught", "duplicate.case.label",
                "duplicate.default.label", "repeated.modifier", "mod.not.allowed.here",
                "method.does.not.override.superclass",
                "static.methods.cannot.be.annotated.with.override", "break.outside.switch.loop", "cont.outside.loop",
                "duplicate.annotation.missing.container", "override.meth.doesnt.throw",
                "initializer.must.be.able.to.complete.normally");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        return switch (site.id()) {
            case "unreachable.stmt" -> statement(site).map(path -> List.of(remove(path, "remove what is never reached",
                    code))).orElse(List.of());
            case "break.outside.switch.loop", "cont.outside.loop" ->
                statement(site).map(path -> List.of(remove(path, "remove the jump", code))).orElse(List.of());
            case "except.never.thrown.in.try", "except.already.caught" -> handler(site);
            case "duplicate.case.label", "duplicate.default.label" -> label(site);
            case "repeated.modifier", "mod.not.allowed.here" -> modifier(site);
            case "override.meth.doesnt.throw" -> thrown(site);
            case "initializer.must.be.able.to.complete.normally" -> site.nearest(BlockTree.class)
                    .map(path -> lastReturn(path, code)).orElse(List.of());
            default -> annotation(site);
        };
    }

    private static Optional<TreePath> statement(ErrorSite site) {
        return site.around().stream().filter(path -> path.getLeaf() instanceof StatementTree
                && !(path.getLeaf() instanceof BlockTree)
                && path.getParentPath().getLeaf() instanceof BlockTree).findFirst();
    }

    private static Fix remove(TreePath path, String title, AttributedFile code) {
        return Fix.of(title, edits -> edits.remove(code.range(path.getLeaf())));
    }

    /** The exception in a handler for several, or the whole handler. */
    private static List<Fix> handler(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> caught = site.nearest(CatchTree.class);
        if (caught.isEmpty()) {
            return List.of();
        }
        CatchTree tree = (CatchTree) caught.get().getLeaf();
        if (tree.getParameter().getType() instanceof UnionTypeTree union) {
            OptionalInt alternative = pointedAt(union.getTypeAlternatives(), site);
            if (alternative.isPresent()) {
                return List.of(Fix.of("do not catch it",
                        edits -> edits.cut(union.getTypeAlternatives(), alternative.getAsInt())));
            }
        }
        TryTree tried = (TryTree) caught.get().getParentPath().getLeaf();
        boolean isOnly = tried.getCatches().size() == 1 && tried.getFinallyBlock() == null && tried.getResources()
                .isEmpty();
        if (isOnly) {
            return List.of(Fix.of("do without the try", edits -> unwrap(edits, tried)));
        }
        int before = code.tokens().end(code.tokens().codeBefore(code.tokens().at(code.range(tree).start()) - 1));
        return List.of(Fix.of("remove the handler", edits -> edits.cut(new Range(before, code.range(tree).end()))));
    }

    /** Which of several trees the compiler points at. */
    private static OptionalInt pointedAt(List<? extends Tree> all, ErrorSite site) {
        return IntStream.range(0, all.size())
                .filter(i -> site.code().range(all.get(i)).touches(site.error().range().start())).findFirst();
    }

    private static void unwrap(FixEdits edits, TryTree tried) {
        AttributedFile code = edits.code();
        List<? extends StatementTree> inside = tried.getBlock().getStatements();
        if (inside.isEmpty()) {
            edits.remove(code.range(tried));
            return;
        }
        Range kept = new Range(code.range(inside.get(0)).start(), code.range(inside.get(inside.size() - 1)).end());
        edits.replace(tried, to -> to.carry(kept, Layout.indentOf(code.file(), kept.start()),
                Layout.indentOf(code.file(), code.range(tried).start())));
    }

    private static List<Fix> label(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(CaseTree.class);
        if (found.isEmpty()) {
            return List.of();
        }
        CaseTree tree = (CaseTree) found.get().getLeaf();
        List<? extends ExpressionTree> labels = tree.getExpressions();
        OptionalInt label = pointedAt(labels, site);
        if (labels.size() > 1 && label.isPresent()) {
            return List.of(Fix.of("remove the label", edits -> edits.cut(labels, label.getAsInt())));
        }
        Fix removal = Fix.of("remove the case", edits -> edits.remove(code.range(tree)));
        Set<String> known = TreePaths.cases(found.get().getParentPath().getLeaf()).stream()
                .flatMap(branch -> branch.getExpressions().stream())
                .map(code::text).collect(Collectors.toSet());
        String written = labels.size() == 1 ? code.text(labels.get(0)) : "";
        String next = written.matches("\\d{1,8}") ? String.valueOf(Integer.parseInt(written) + 1) : written;
        // one that counts on from the label before was rather forgotten to be changed
        return written.equals(next) || known.contains(next) ? List.of(removal)
                : List.of(Fix.of("write " + next, edits -> edits.replace(code.range(labels.get(0)), next)), removal);
    }

    /** An initialiser returns nothing, and ends with its last statement (JLS 8.6, 8.7). */
    private static List<Fix> lastReturn(TreePath block, AttributedFile code) {
        List<? extends StatementTree> all = ((BlockTree) block.getLeaf()).getStatements();
        return all.isEmpty() || !(all.get(all.size() - 1) instanceof ReturnTree last) ? List.of()
                : List.of(Fix.of("remove the return", edits -> edits.remove(code.range(last))));
    }

    private static List<Fix> modifier(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> declaration = site.around().stream().filter(path -> path.getLeaf() instanceof MethodTree
                || path.getLeaf() instanceof VariableTree || path.getLeaf() instanceof ClassTree).findFirst();
        if (declaration.isEmpty()) {
            return List.of();
        }
        Tokens tokens = code.tokens();
        int here = tokens.at(site.error().range().start());
        if (site.error().code().endsWith("repeated.modifier")) {
            String word = tokens.text(here);
            return List.of(Fix.of("remove the second '" + word + "'", edits -> edits.cut(
                    new Range(tokens.start(here), tokens.start(tokens.code(here + 1))))));
        }
        return List.of("private", "protected", "public", "static", "final", "abstract", "default", "synchronized",
                "transient", "volatile",
                        "native", "strictfp", "sealed").stream()
                .filter(word -> site.error().message().matches("(?s).*\\b" + word + "\\b.*"))
                .filter(word -> ModifierWords.find(code, code.range(declaration.get().getLeaf()), word).isPresent())
                .map(word -> Fix.of("remove '" + word + "'",
                        edits -> ModifierWords.remove(edits, code.range(declaration.get().getLeaf()), word)))
                .toList();
    }

    private static List<Fix> annotation(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> annotation = site.nearest(AnnotationTree.class);
        List<Fix> fixes = new ArrayList<>();
        Optional<TreePath> method = site.nearest(MethodTree.class);
        if (site.error().code().endsWith("method.does.not.override.superclass") && method.isPresent()) {
            fixes.addAll(meant(method.get(), code));
        }
        annotation.ifPresent(path -> fixes.add(Fix.of("remove '" + code.shown(code.range(path.getLeaf()), 30) + "'",
                edits -> edits.remove(code.range(path.getLeaf())))));
        return fixes;
    }

    /** A method above of a near name and as many parameters. */
    private static List<Fix> meant(TreePath path, AttributedFile code) {
        MethodTree method = (MethodTree) path.getLeaf();
        Optional<TypeElement> type = code.enclosingType(path);
        if (type.isEmpty()) {
            return List.of();
        }
        List<String> names = ElementFilter.methodsIn(code.elements().getAllMembers(type.get())).stream()
                .filter(other -> other.getParameters().size() == method.getParameters().size()
                        && !other.getEnclosingElement().equals(type.get()) && !other.getModifiers()
                        .contains(Modifier.FINAL))
                .map(other -> other.getSimpleName().toString()).toList();
        return Spelling.near(method.getName().toString(), names).stream().limit(1)
                .map(near -> Fix.of("call it '" + near + "'", edits -> edits.replace(code.name(method), near)))
                .toList();
    }

    private static List<Fix> thrown(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(MethodTree.class);
        if (found.isEmpty() || ((MethodTree) found.get().getLeaf()).getThrows().isEmpty()) {
            return List.of();
        }
        MethodTree method = (MethodTree) found.get().getLeaf();
        List<? extends ExpressionTree> all = method.getThrows();
        OptionalInt exception = pointedAt(all, site);
        if (all.size() > 1 && exception.isPresent()) {
            return List.of(Fix.of("do not declare '" + code.text(all.get(exception.getAsInt())) + "'",
                    edits -> edits.cut(all, exception.getAsInt())));
        }
        int word = code.tokens().codeBefore(code.tokens().at(code.range(all.get(0)).start()) - 1);
        int before = code.tokens().end(code.tokens().codeBefore(word - 1));
        return List.of(Fix.of("declare no exception",
                edits -> edits.cut(new Range(before, code.range(all.get(all.size() - 1)).end()))));
    }
}
