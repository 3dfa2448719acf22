package dev.deftchisel.extract.flow;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.operation.Reason;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * How control leaves a fragment other than at its end, and what becomes of that when the fragment is a method.
 *
 * @param kind      what becomes of it
 * @param jumps     out of the fragment, in order
 * @param objection why it cannot be a method; empty when it can
 */
public record Exits(Kind kind, List<Jumps.Jump> jumps, Optional<Reason> objection) {

    /** What becomes of the jumps. */
    public enum Kind {
        /** There are none. */
        NONE,
        /** All ways lead to a {@code return} with a value, which is that of the method. */
        RETURNED,
        /** Nothing follows the fragment but what they lead to: the method returns. */
        DROPPED,
        /** All ways lead to the same one, which then follows the call. */
        FOLLOWING,
        /** Some ways lead to the same one: the method says whether. */
        FLAGGED,
        /** Some ways lead to a {@code return} with an object, others to none, which is {@code null}. */
        MARKED,
        /** All ways lead to an exception, where the method around must return a value. */
        THROWN
    }

    public static Exits of(AttributedFile code, Fragment fragment, Flow flow) {
        List<Jumps.Jump> jumps = Jumps.leaving(fragment.parts());
        if (jumps.isEmpty()) {
            boolean isThrown = !flow.canComplete() && !fragment.isExpression() && returning(fragment).isPresent();
            return new Exits(isThrown ? Kind.THROWN : Kind.NONE, jumps, Optional.empty());
        }
        Jumps.Jump first = jumps.get(0);
        Optional<Jumps.Jump> other = jumps.stream()
                .filter(jump -> jump.target() != first.target() || jump.tree().getKind() != first.tree().getKind())
                .findFirst();
        if (other.isPresent()) {
            return refused(code, jumps, other.get(), "this leaves the selected code to somewhere else than "
                    + where(code, first) + " does");
        }
        boolean isSame = jumps.stream().allMatch(jump -> code.text(jump.tree()).equals(code.text(first.tree())));
        boolean isAlways = !flow.canComplete();
        if (first.value().isPresent() && isAlways) {
            return new Exits(Kind.RETURNED, jumps, Optional.empty());
        } else if (first.value().isEmpty() && flow.outputs().size() <= 1 && (isLast(fragment, first) || isAlways)) {
            return new Exits(isLast(fragment, first) ? Kind.DROPPED : Kind.FOLLOWING, jumps, Optional.empty());
        } else if (!flow.outputs().isEmpty()) {
            return refused(code, jumps, first, "this leaves the selected code on some paths only, and '"
                    + flow.outputs().get(0).name() + "' is needed on the others");
        } else if (isSame && first.value().filter(value -> !(value instanceof LiteralTree)).isEmpty()) {
            return new Exits(Kind.FLAGGED, jumps, Optional.empty());
        } else if (jumps.stream().allMatch(jump -> jump.value().filter(value -> isObject(code, jump, value))
                .isPresent())) {
            return new Exits(Kind.MARKED, jumps, Optional.empty());
        }
        return refused(code, jumps, first,
                "this leaves the selected code on some paths only, with a value that cannot tell them from the others");
    }

    /** The method that a {@code return} in a fragment would leave, if it returns a value. */
    public static Optional<MethodTree> returning(Fragment fragment) {
        for (TreePath at = fragment.parent(); at != null; at = at.getParentPath()) {
            Tree tree = at.getLeaf();
            if (tree instanceof LambdaExpressionTree || tree instanceof ClassTree
                    || tree instanceof SwitchExpressionTree) {
                return Optional.empty();
            } else if (tree instanceof MethodTree method) {
                boolean isVoid = method.getReturnType() == null
                        || method.getReturnType() instanceof PrimitiveTypeTree type
                        && type.getPrimitiveTypeKind() == TypeKind.VOID;
                return isVoid ? Optional.empty() : Optional.of(method);
            }
        }
        return Optional.empty();
    }

    private static Exits refused(AttributedFile code, List<Jumps.Jump> jumps, Jumps.Jump at, String sentence) {
        return new Exits(Kind.NONE, jumps,
                Optional.of(Reason.at(code.file().path(), code.range(at.tree()), sentence)));
    }

    private static String where(AttributedFile code, Jumps.Jump jump) {
        return "'" + code.shown(code.range(jump.tree()), 30) + "' in line "
                + code.file().position(code.range(jump.tree()).start()).line();
    }

    /** Whether a value is never {@code null}. */
    private static boolean isObject(AttributedFile code, Jumps.Jump jump, ExpressionTree value) {
        boolean isReference = code.type(new TreePath(jump.path(), value)).filter(type -> !type.getKind().isPrimitive())
                .isPresent();
        return isReference && (value instanceof NewClassTree || value instanceof NewArrayTree
                || value instanceof LiteralTree);
    }

    /** Whether the end of the fragment leads to where a jump leads, with nothing done on the way. */
    private static boolean isLast(Fragment fragment, Jumps.Jump jump) {
        boolean isBreak = jump.tree().getKind() == Tree.Kind.BREAK;
        TreePath at = fragment.parts().get(fragment.parts().size() - 1);
        while (!isBreak && at.getParentPath() != null) {
            Tree tree = at.getLeaf();
            Tree parent = at.getParentPath().getLeaf();
            if (parent == jump.target() || Jumps.isLoop(parent) && at.getParentPath().getParentPath()
                    .getLeaf() == jump.target()
                    && jump.target() instanceof LabeledStatementTree) {
                return true;
            }
            boolean isLastInList = parent instanceof BlockTree block
                    && block.getStatements().indexOf(tree) == block.getStatements().size() - 1;
            boolean isArrow = parent instanceof CaseTree label && label.getBody() == tree;
            boolean isBranch = parent instanceof IfTree || parent instanceof LabeledStatementTree
                    || parent instanceof CatchTree
                    || parent instanceof SynchronizedTree || parent instanceof SwitchTree
                    // what ends a finally block in time goes on with the exception that led there (JLS 14.20.2)
                    || parent instanceof TryTree attempt && attempt.getFinallyBlock() != tree;
            if (!isLastInList && !isArrow && !isBranch) {
                return false;
            }
            at = at.getParentPath();
        }
        return false;
    }

    /** The type of what the jumps pass, when it is one. */
    public Optional<TypeMirror> valueType(AttributedFile code) {
        List<TypeMirror> types = jumps.stream()
                .flatMap(jump -> jump.value().stream().map(value -> new TreePath(jump.path(), value)))
                .flatMap(path -> code.type(path).stream())
                .toList();
        boolean isOne = types.size() == jumps.size()
                && types.stream().allMatch(type -> code.types().isSameType(type, types.get(0)));
        return isOne ? Optional.of(types.get(0)) : Optional.empty();
    }
}
