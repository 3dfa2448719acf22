package dev.deftchisel.inline.call;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.place.InsertionPointFinder;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;

/** What is around a call, and whether statements may stand there. */
final class CallContext {

    private final CallSite site;
    private final AttributedFile code;
    private final Callee callee;
    private final TreePath path;

    CallContext(CallSite site) {
        this.site = site;
        this.code = site.code();
        this.callee = site.callee();
        this.path = site.path();
    }

    /** The statement that the call is all of. */
    Optional<TreePath> ownStatement() {
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof ExpressionStatementTree ? Optional.of(parent) : Optional.empty();
    }

    /** The statement {@code return call();}. */
    Optional<TreePath> returnStatement() {
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof ReturnTree ? Optional.of(parent) : Optional.empty();
    }

    /** The variable that is declared with the call as its value, alone, with the very type that is returned. */
    Optional<TreePath> ownVariable() {
        TreePath parent = path.getParentPath();
        boolean isAlone = parent.getLeaf() instanceof VariableTree tree && tree.getInitializer() == site.tree()
                && isInList(parent) && code.text(tree).endsWith(";")
                && code.saysType(tree);
        return isAlone && code.element(parent).filter(element -> code.types()
                .isSameType(element.asType(), site.result())).isPresent()
                ? Optional.of(parent) : Optional.empty();
    }

    /** Whether something must be written before the statement of the call. */
    boolean needsStatement() {
        boolean isValue = callee.shape() instanceof Callee.SingleValue
                || callee.shape() instanceof Callee.ConditionalValue;
        return !isValue || !site.variables().isEmpty();
    }

    /** Where what comes before the call goes. */
    InsertionPoint home() {
        Effects effects = site.variables().stream().map(one -> one.effects(code)).reduce(Effects.NONE, Effects::and);
        for (TreePath statement : callee.statements()) {
            effects = effects.and(callee.code().effects(statement));
        }
        return new InsertionPointFinder(code, effects).find(path);
    }

    /** Whether the call is all that a lambda without a result consists of. */
    boolean isWholeLambda(InsertionPoint home) {
        return home instanceof InsertionPoint.Instead instead && instead.keyword().isEmpty() && instead.expression()
                .getLeaf() == path.getLeaf();
    }

    /** What is in the way; empty when nothing is. */
    Optional<Reason> objection() {
        if (ExitCheckCall.of(site).isPresent()) {
            return Optional.empty();
        } else if (callee.shape() instanceof Callee.SeveralExits) {
            return isLast() ? Optional.empty()
                    : site.reason("the method returns in several places, out of a loop or the like, and something "
                            + "follows the call");
        } else if (ownStatement().isPresent() && callee.shape() instanceof Callee.Statements simple
                && simple.statements().isEmpty() && site.variables().isEmpty() && simple.result().isEmpty()) {
            return site.reason("the method does nothing, so that nothing would be left of the call");
        } else if (!needsStatement()) {
            return ownStatement().isPresent() && !isStatement()
                    ? site.reason("its value is not used here, and is no statement by itself")
                    : Optional.empty();
        }
        InsertionPoint home = home();
        boolean hasNoValue = callee.isVoid() || callee.shape() instanceof Callee.Statements simple && simple.result()
                .isEmpty();
        if (home instanceof InsertionPoint.Nowhere nowhere) {
            return Optional.of(Reason.at(code.file().path(), nowhere.at(), nowhere.sentence()));
        } else if (hasNoValue && ownStatement().isEmpty() && !isWholeLambda(home)) {
            return site.reason("the method never returns a value, which is needed here");
        }
        boolean isDropped = ownStatement().isPresent() && callee.shape() instanceof Callee.Statements statements
                && statements.result().filter(result -> !CallContext.isStatement(result.getLeaf())
                        && !callee.code().effects(result).isPure()).isPresent();
        boolean areDropped = ownStatement().isPresent() && !callee.isVoid() && callee.shape() instanceof SingleExit;
        return isDropped || areDropped ? site.reason("its value is not used here, and is no statement by itself")
                : Optional.empty();
    }

    private boolean isStatement() {
        return callee.shape() instanceof Callee.SingleValue value && isStatement(value.expression().getLeaf());
    }

    /** Whether an expression can be a statement (JLS 14.8). */
    static boolean isStatement(Tree tree) {
        return switch (tree.getKind()) {
            case METHOD_INVOCATION, NEW_CLASS, ASSIGNMENT, PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT,
                POSTFIX_DECREMENT -> true;
            default -> tree.getKind().name().endsWith("_ASSIGNMENT");
        };
    }

    /**
     * Whether what leaves the method may as well leave the code of the call: nothing follows, and the result is passed
     * on.
     */
    boolean isLast() {
        if (returnStatement().isPresent() && !callee.isVoid()) {
            return returns();
        }
        return callee.isVoid() && ownStatement().filter(this::endsMethod).isPresent();
    }

    /** Whether the method around the call returns what the method returns that is called. */
    boolean returns() {
        return member().flatMap(code::element).filter(element -> element instanceof ExecutableElement method
                && code.types().isSameType(method.getReturnType(), callee.element().getReturnType())).isPresent();
    }

    /** Whether other statements can stand before and after one. */
    static boolean isInList(TreePath statement) {
        return TreePaths.statements(statement.getParentPath().getLeaf()).contains(statement.getLeaf());
    }

    private boolean endsMethod(TreePath statement) {
        return isInList(statement) && statement.getParentPath().getLeaf() instanceof BlockTree block
                && block.getStatements().indexOf((StatementTree) statement.getLeaf()) == block.getStatements()
                .size() - 1
                && statement.getParentPath().getParentPath().getLeaf() instanceof MethodTree;
    }

    /** The method around the call; empty within a lambda or initialiser. */
    private Optional<TreePath> member() {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            Tree tree = at.getLeaf();
            if (TreePaths.runsApart(tree)) {
                return Optional.empty();
            } else if (tree instanceof MethodTree) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }
}
