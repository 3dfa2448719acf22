package dev.deftchisel.declare.inference;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/**
 * Of which type a value must be where it stands (JLS 5, 15): what it is assigned, passed or returned to, or compared
 * with.
 */
public final class LikelyTargetTypes {

    private final AttributedFile code;

    public LikelyTargetTypes(AttributedFile code) {
        this.code = code;
    }

    /**
     * The type that an expression must have; {@code void} for one whose value nobody needs, empty when the place does
     * not tell.
     */
    public Optional<TypeMirror> of(TreePath expression) {
        TreePath path = expression.getParentPath();
        Tree value = expression.getLeaf();
        Tree place = path.getLeaf();
        if (place instanceof ParenthesizedTree) {
            return of(path);
        } else if (TreePaths.isChoice(place)) {
            return SwitchSelector.of(code, path);
        } else if (place instanceof ExpressionStatementTree) {
            return Optional.of(code.types().getNoType(TypeKind.VOID));
        } else if (place instanceof VariableTree variable) {
            return variable.getInitializer() == value ? known(TargetType.ofVariable(path, code)) : Optional.empty();
        } else if (place instanceof AssignmentTree && path.getParentPath().getLeaf() instanceof AnnotationTree) {
            return annotated(path);
        } else if (place instanceof AssignmentTree assignment && assignment.getExpression() == value) {
            return known(TargetType.ofVariable(path, code));
        } else if (place instanceof CompoundAssignmentTree assignment && assignment.getExpression() == value) {
            return known(code.type(new TreePath(path, assignment.getVariable())));
        } else if (place instanceof ReturnTree) {
            return returned(path);
        } else if (place instanceof ConditionalExpressionTree choice) {
            return choice.getCondition() == value ? primitive(TypeKind.BOOLEAN) : of(path);
        } else if (isCondition(place, value)) {
            return primitive(TypeKind.BOOLEAN);
        } else if (place instanceof UnaryTree unary) {
            return unary.getKind() == Tree.Kind.LOGICAL_COMPLEMENT ? primitive(TypeKind.BOOLEAN)
                    : primitive(TypeKind.INT);
        } else if (place instanceof BinaryTree binary) {
            return operand(path, binary, binary.getLeftOperand() == value ? binary.getRightOperand()
                    : binary.getLeftOperand());
        } else if (place instanceof MemberSelectTree select && path.getParentPath()
                .getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() == select) {
            return of(path.getParentPath()).filter(type -> handsBackItself(type, MemberUse.of(code, path)));
        } else if (place instanceof ArrayAccessTree access && access.getExpression() == value) {
            return of(path).filter(type -> type.getKind() != TypeKind.VOID).map(code.types()::getArrayType);
        } else if (place instanceof ArrayAccessTree) {
            return primitive(TypeKind.INT);
        } else if (place instanceof EnhancedForLoopTree loop && loop.getExpression() == value) {
            return elements(path, loop);
        } else if (place instanceof NewArrayTree array && array.getInitializers() != null && array.getInitializers()
                .contains(value)) {
            return known(code.type(path)).filter(ArrayType.class::isInstance)
                    .map(type -> ((ArrayType) type).getComponentType());
        } else if (place instanceof ThrowTree) {
            return named("java.lang.RuntimeException");
        } else if (place instanceof MethodInvocationTree call && call.getArguments().contains(value)) {
            return first(new LikelyArgumentTypes(code, path).taken(value));
        } else if (place instanceof NewClassTree made && made.getArguments().contains(value)) {
            return first(new LikelyArgumentTypes(code, path).taken(value));
        } else if (place instanceof LambdaExpressionTree && path.getLeaf() instanceof LambdaExpressionTree lambda
                && lambda.getBody() == value) {
            return result(path);
        }
        return Optional.empty();
    }

    private static boolean isCondition(Tree place, Tree value) {
        return place instanceof IfTree choice && choice.getCondition() == value || place instanceof WhileLoopTree loop
                && loop.getCondition() == value
                || place instanceof DoWhileLoopTree again && again.getCondition() == value
                || place instanceof ForLoopTree count && count.getCondition() == value;
    }

    /**
     * What the compiler could tell, when it is the type of a value, or of none. What stands for {@code ? super T} takes
     * a {@code T} (JLS 5.1.10).
     */
    static Optional<TypeMirror> known(Optional<? extends TypeMirror> type) {
        return type.filter(one -> one.getKind().isPrimitive() || switch (one.getKind()) {
            case DECLARED, ARRAY, TYPEVAR, INTERSECTION, VOID -> true;
            default -> false;
        }).map(one -> one instanceof TypeVariable variable && variable.getLowerBound().getKind() != TypeKind.NULL
                ? variable.getLowerBound() : one);
    }

    private Optional<TypeMirror> primitive(TypeKind kind) {
        return Optional.of(code.types().getPrimitiveType(kind));
    }

    private Optional<TypeMirror> named(String qualified) {
        return Optional.ofNullable(code.elements().getTypeElement(qualified)).map(TypeElement::asType);
    }

    private Optional<TypeMirror> operand(TreePath path, BinaryTree binary, ExpressionTree other) {
        return switch (binary.getKind()) {
            case CONDITIONAL_AND, CONDITIONAL_OR -> primitive(TypeKind.BOOLEAN);
            case MINUS, MULTIPLY, DIVIDE, REMAINDER -> known(code.type(new TreePath(path, other)))
                    .or(() -> of(path).filter(type -> type.getKind().isPrimitive())).or(() -> primitive(TypeKind.INT));
            case PLUS -> known(code.type(new TreePath(path, other)))
                    .or(() -> of(path).filter(type -> type.getKind() != TypeKind.VOID));
            case LEFT_SHIFT, RIGHT_SHIFT, UNSIGNED_RIGHT_SHIFT -> primitive(TypeKind.INT);
            case LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL ->
                    known(code.type(new TreePath(path, other))).or(() -> primitive(TypeKind.INT));
            // what is joined to a text may be anything, and mostly is one
            default -> known(code.type(new TreePath(path, other)));
        };
    }

    private Optional<TypeMirror> elements(TreePath path, EnhancedForLoopTree loop) {
        Optional<TypeMirror> element = known(code.element(new TreePath(path, loop.getVariable())).map(Element::asType));
        return element.map(type -> type.getKind().isPrimitive() ? code.types().getArrayType(type)
                : code.types().getDeclaredType(code.elements().getTypeElement("java.util.List"), type));
    }

    /** The type of an element of an annotation, of one of many (JLS 9.7.1). */
    private Optional<TypeMirror> annotated(TreePath assignment) {
        return code.element(new TreePath(assignment, ((AssignmentTree) assignment.getLeaf()).getVariable()))
                .filter(ExecutableElement.class::isInstance)
                .map(element -> ((ExecutableElement) element).getReturnType())
                .map(type -> type instanceof ArrayType many ? many.getComponentType() : type);
    }

    /**
     * Whether a method of a type returns another of that type, so that a chain of calls begins with what it ends
     * with.
     */
    private boolean handsBackItself(TypeMirror type, MemberUse selection) {
        if (type.getKind() == TypeKind.ARRAY) {
            // a copy of an array is one of the same type (JLS 10.7)
            return selection.name().equals("clone");
        }
        return type instanceof DeclaredType declared && selection.method((TypeElement) declared.asElement())
                .map(method -> ((ExecutableType) code.types().asMemberOf(declared, method)).getReturnType())
                .filter(result -> code.types().isSameType(code.types().erasure(result), code.types().erasure(type)))
                .isPresent();
    }

    /** What the method or lambda around returns. */
    private Optional<TypeMirror> returned(TreePath statement) {
        for (TreePath at = statement; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof LambdaExpressionTree) {
                return result(at);
            } else if (at.getLeaf() instanceof MethodTree) {
                return code.element(at).map(method -> ((ExecutableElement) method).getReturnType())
                        .flatMap(type -> known(Optional.of(type)));
            }
        }
        return Optional.empty();
    }

    /** What the function that a lambda implements returns. */
    private Optional<TypeMirror> result(TreePath lambda) {
        return code.type(lambda).or(() -> of(lambda)).flatMap(type -> Functions.of(code, type))
                .map(ExecutableType::getReturnType).flatMap(type -> known(Optional.of(type)));
    }

    private static Optional<TypeMirror> first(List<TypeMirror> types) {
        return types.stream().findFirst();
    }

    /**
     * All types that an expression may be of, the most likely first: of an argument those that the overloads of what is
     * called take (JLS 15.12.2).
     */
    public List<TypeMirror> all(TreePath expression) {
        TreePath path = expression.getParentPath();
        List<TypeMirror> all = new ArrayList<>(isArgument(expression) ? new LikelyArgumentTypes(code, path)
                .taken(expression.getLeaf())
                : of(expression).stream().toList());
        if (path.getLeaf() instanceof EnhancedForLoopTree loop && loop.getExpression() == expression.getLeaf()) {
            known(code.element(new TreePath(path, loop.getVariable())).map(Element::asType))
                    .map(code.types()::getArrayType)
                    .ifPresent(all::add);
        } else if (path.getLeaf() instanceof TypeCastTree) {
            // what nobody can be sure of but who casts
            known(code.type(path)).map(type -> type.getKind().isPrimitive() ? type : code.types().erasure(type))
                    .ifPresent(all::add);
        }
        return all.stream().map(type -> CapturedTypes.released(code, type)).toList();
    }

    private static boolean isArgument(TreePath expression) {
        TreePath place = expression.getParentPath();
        return place.getLeaf() instanceof MethodInvocationTree call && call.getArguments()
                .contains(expression.getLeaf())
                || place.getLeaf() instanceof NewClassTree made && made.getArguments().contains(expression.getLeaf());
    }

    /** {@code Object} for an argument that may be anything. */
    Optional<TypeMirror> anything(TreePath expression) {
        return isArgument(expression) && new LikelyArgumentTypes(code, expression.getParentPath())
                .takesAnything(expression.getLeaf())
                ? Optional.of(code.object()) : Optional.empty();
    }
}
