package dev.deftchisel.inline.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.VariableElement;

/**
 * A variable of a method that may as well be the variable which gets the method's result, so that there need not be
 * two: {@code int sum = total(length);} where the method ends in {@code return all;}, or
 * {@code sum = total(sum, length);} where {@code sum} is the parameter that is returned, or
 * {@code sum = total(length);} again with a variable of the method.
 *
 * @param statement  of the call, which goes
 * @param inner      the variable of the method
 * @param name       where the name of the outer variable is declared
 * @param used       a place where the outer variable is named, or declared when the statement does that
 * @param isAssigned whether the declaration in the method becomes an assignment
 */
record ResultVariableMerge(TreePath statement, VariableElement inner, Range name, Range used, boolean isAssigned) {

    static Optional<ResultVariableMerge> of(Analysis analysis, CallSite site) {
        Optional<VariableElement> inner = site.callee().shape() instanceof Callee.Statements statements
                && !statements.statements().isEmpty()
                ? statements.result().filter(result -> result.getLeaf() instanceof IdentifierTree)
                        .flatMap(site.callee().code()::element)
                        .filter(element -> element instanceof VariableElement && !element.getKind().isField())
                        .map(element -> (VariableElement) element)
                : Optional.empty();
        TreePath parent = site.path().getParentPath();
        if (inner.isEmpty() || !site.code().types()
                .isSameType(inner.get().asType(), site.callee().element().getReturnType())) {
            return Optional.empty();
        }
        boolean isParameter = site.callee().element().getParameters().contains(inner.get());
        return parent.getLeaf() instanceof VariableTree ? declared(analysis, site, inner.get(), parent)
                : assigned(analysis, site, inner.get(), parent, isParameter);
    }

    /** {@code int sum = call();} becomes the declaration in the body, of the same type. */
    private static Optional<ResultVariableMerge> declared(Analysis analysis, CallSite site, VariableElement inner,
            TreePath parent) {
        AttributedFile code = site.code();
        boolean isAlone = parent.getLeaf() instanceof VariableTree tree && tree.getInitializer() == site.tree()
                && TreePaths.statements(parent.getParentPath().getLeaf()).contains((StatementTree) tree)
                && tree.getModifiers().getAnnotations().isEmpty()
                && code.text(tree).endsWith(";") && !code.text(code.range(tree)).contains(",\n");
        Optional<Element> outer = isAlone ? code.element(parent) : Optional.empty();
        boolean isSame = outer.filter(element -> code.types().isSameType(element.asType(), inner.asType())
                && code.types().isSameType(inner.asType(), site.callee().element().getReturnType())).isPresent();
        boolean isAlike = declaration(site, inner).filter(path -> parent.getLeaf() instanceof VariableTree tree
                && ((VariableTree) path.getLeaf()).getModifiers().getFlags().equals(tree.getModifiers().getFlags()))
                .isPresent();
        return isSame && isAlike
                ? analysis.declaration(code.key(outer.get())).map(binding ->
                        new ResultVariableMerge(parent, inner, binding.range(), binding.range(), false))
                : Optional.empty();
    }

    /** The declaration among the statements of the method itself, or the variable would not be seen after them. */
    private static Optional<TreePath> declaration(CallSite site, VariableElement inner) {
        return ((Callee.Statements) site.callee().shape()).statements().stream()
                .filter(path -> path.getLeaf() instanceof VariableTree
                        && site.callee().code().element(path).filter(inner::equals).isPresent())
                .findFirst();
    }

    /** {@code sum = call(sum);} becomes what is done to the parameter. */
    private static Optional<ResultVariableMerge> assigned(
            Analysis analysis, CallSite site, VariableElement inner, TreePath parent, boolean isParameter) {
        AttributedFile code = site.code();
        Optional<ArgumentBinding> argument = site.passed().stream()
                .filter(one -> one.name().filter(name -> inner.getSimpleName().contentEquals(name)).isPresent())
                .findFirst();
        boolean isAssignment = parent.getLeaf() instanceof AssignmentTree set && set.getExpression() == site.tree()
                && set.getVariable() instanceof IdentifierTree && parent.getParentPath()
                .getLeaf() instanceof ExpressionStatementTree
                && TreePaths.statements(parent.getParentPath().getParentPath().getLeaf())
                        .contains((StatementTree) parent.getParentPath().getLeaf());
        boolean isHandedIn = argument.filter(ArgumentBinding::isName).isPresent();
        if (!isAssignment || isParameter != isHandedIn || !isParameter && !canBeAssigned(site, inner)) {
            return Optional.empty();
        }
        TreePath target = new TreePath(parent, ((AssignmentTree) parent.getLeaf()).getVariable());
        Optional<Element> outer = code.element(target).filter(element -> !element.getKind().isField()
                && (!isParameter || code.element(argument.get().value()).filter(element::equals).isPresent())
                && code.types().isSameType(element.asType(), inner.asType()));
        List<Occurrence> named = code.occurrences(parent).stream()
                .filter(one -> outer.filter(one.variable()::equals).isPresent()).toList();
        int declaredAt = outer.flatMap(element -> analysis.declaration(code.key(element)))
                .map(binding -> binding.range().start()).orElse(0);
        return outer.isPresent() && named.size() == (isParameter ? 2 : 1) && !isAttempted(code, parent, declaredAt)
                ? analysis.declaration(code.key(outer.get())).map(binding ->
                        new ResultVariableMerge(parent.getParentPath(), inner, binding.range(),
                                code.range(target.getLeaf()),
                                !isParameter))
                : Optional.empty();
    }

    /** Whether the variable is still there when a {@code try} around fails, which would see how far the method got. */
    private static boolean isAttempted(AttributedFile code, TreePath statement, int declaredAt) {
        for (TreePath at = statement; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof TryTree attempt && code.range(attempt).start() > declaredAt
                    && (!attempt.getCatches().isEmpty() || attempt.getFinallyBlock() != null)) {
                return true;
            }
        }
        return false;
    }

    /** Whether the declaration in the method gives a value at once, which no lambda needs. */
    private static boolean canBeAssigned(CallSite site, VariableElement inner) {
        boolean hasValue = declaration(site, inner).filter(path -> path.getLeaf() instanceof VariableTree tree
                && tree.getInitializer() != null && !(tree.getInitializer() instanceof NewArrayTree array
                        && array.getType() == null)
                && !site.callee().code().text(tree).contains("@")).isPresent();
        return hasValue && site.callee().code().occurrences(site.callee().body()).stream()
                .filter(one -> one.variable().equals(inner))
                .noneMatch(one -> TreePaths.isDeferred(one.path(), site.callee().tree()));
    }

    /** Whether a value that is passed is the variable itself. */
    boolean isHanded(ArgumentBinding one) {
        return one.name().filter(name -> inner.getSimpleName().contentEquals(name)).isPresent();
    }

    /** What of the statement need not be written again. */
    List<DuplicateClaim> alike(AttributedFile code) {
        return code.occurrences(statement).stream()
                .filter(one -> one.access() != Occurrence.Access.DECLARED)
                .map(one -> code.range(one.path().getLeaf()))
                .filter(range -> !range.equals(used) && code.text(range).equals(code.text(used)))
                .map(range -> new DuplicateClaim(range, used))
                .toList();
    }
}
