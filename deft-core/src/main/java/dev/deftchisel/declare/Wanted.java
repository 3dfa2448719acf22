package dev.deftchisel.declare;

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
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** Of which type a value must be where it stands (JLS 5, 15): what it is assigned, handed or returned to, or compared with. */
final class Wanted {

    private final Code code;

    Wanted(Code code) {
        this.code = code;
    }

    /** The type that an expression must have; {@code void} for one whose value nobody needs, empty when the place does not tell. */
    Optional<TypeMirror> of(TreePath expression) {
        TreePath path = expression.getParentPath();
        Tree value = expression.getLeaf();
        Tree place = path.getLeaf();
        if (place instanceof ParenthesizedTree) {
            return of(path);
        } else if (place instanceof ExpressionStatementTree) {
            return Optional.of(code.types().getNoType(TypeKind.VOID));
        } else if (place instanceof VariableTree variable) {
            boolean isTyped = variable.getInitializer() == value && code.find(variable.getType()).filter(range ->
                    range.length() > 0 && !code.text(range).equals("var")).isPresent();
            return isTyped ? known(code.element(path).map(Element::asType)) : Optional.empty();
        } else if (place instanceof AssignmentTree assignment && assignment.getExpression() == value) {
            return known(code.type(new TreePath(path, assignment.getVariable())));
        } else if (place instanceof CompoundAssignmentTree assignment && assignment.getExpression() == value) {
            return known(code.type(new TreePath(path, assignment.getVariable())));
        } else if (place instanceof ReturnTree) {
            return returned(path);
        } else if (place instanceof ConditionalExpressionTree choice) {
            return choice.getCondition() == value ? primitive(TypeKind.BOOLEAN) : of(path);
        } else if (isCondition(place, value)) {
            return primitive(TypeKind.BOOLEAN);
        } else if (place instanceof UnaryTree unary) {
            return unary.getKind() == Tree.Kind.LOGICAL_COMPLEMENT ? primitive(TypeKind.BOOLEAN) : primitive(TypeKind.INT);
        } else if (place instanceof BinaryTree binary) {
            return operand(path, binary, binary.getLeftOperand() == value ? binary.getRightOperand() : binary.getLeftOperand());
        } else if (place instanceof EnhancedForLoopTree loop && loop.getExpression() == value) {
            return elements(path, loop);
        } else if (place instanceof ThrowTree) {
            return named("java.lang.RuntimeException");
        } else if (place instanceof MethodInvocationTree call && call.getArguments().contains(value)) {
            return parameter(path, call.getArguments(), value);
        } else if (place instanceof NewClassTree made && made.getArguments().contains(value)) {
            return parameter(path, made.getArguments(), value);
        } else if (place instanceof LambdaExpressionTree && path.getLeaf() instanceof LambdaExpressionTree lambda && lambda.getBody() == value) {
            return result(path);
        }
        return Optional.empty();
    }

    private static boolean isCondition(Tree place, Tree value) {
        return place instanceof IfTree choice && choice.getCondition() == value || place instanceof WhileLoopTree loop && loop.getCondition() == value
                || place instanceof DoWhileLoopTree again && again.getCondition() == value
                || place instanceof ForLoopTree count && count.getCondition() == value;
    }

    /** What the compiler could tell. */
    private static Optional<TypeMirror> known(Optional<? extends TypeMirror> type) {
        return type.filter(one -> one.getKind() != TypeKind.ERROR && one.getKind() != TypeKind.NONE && one.getKind() != TypeKind.OTHER
                && one.getKind() != TypeKind.NULL).map(one -> one);
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

    /** What the method or lambda around hands back. */
    private Optional<TypeMirror> returned(TreePath statement) {
        for (TreePath at = statement; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof LambdaExpressionTree) {
                return result(at);
            } else if (at.getLeaf() instanceof MethodTree) {
                return code.element(at).map(method -> ((ExecutableElement) method).getReturnType()).flatMap(type -> known(Optional.of(type)));
            }
        }
        return Optional.empty();
    }

    /** What the function that a lambda implements hands back. */
    private Optional<TypeMirror> result(TreePath lambda) {
        return code.type(lambda).filter(type -> type instanceof DeclaredType).map(type -> (DeclaredType) type)
                .flatMap(type -> ElementFilter.methodsIn(code.elements().getAllMembers((TypeElement) type.asElement())).stream()
                        .filter(method -> method.getModifiers().contains(Modifier.ABSTRACT))
                        .map(method -> ((ExecutableType) code.types().asMemberOf(type, method)).getReturnType())
                        .findFirst())
                .flatMap(type -> known(Optional.of(type)));
    }

    /**
     * The parameter of the one method or constructor that can be meant. Where several can, the other arguments tell: one that
     * takes just these, or takes the value for the same as one of them.
     */
    private Optional<TypeMirror> parameter(TreePath call, List<? extends ExpressionTree> arguments, Tree value) {
        int index = arguments.indexOf(value);
        // an argument without a type lets the compiler take any overload
        List<ExecutableElement> meant = candidates(call, arguments.size()).stream()
                .filter(method -> index < method.getParameters().size())
                .filter(method -> others(call, arguments, index).allMatch(other -> takes(method, other, argument(call, arguments, other))))
                .toList();
        List<ExecutableElement> values = meant.stream().filter(method -> !isFunction(method.getParameters().get(index).asType())).toList();
        List<ExecutableElement> exact = values.stream()
                .filter(method -> others(call, arguments, index).findAny().isPresent() && others(call, arguments, index)
                        .allMatch(other -> isExactly(method, other, argument(call, arguments, other))))
                .toList();
        Optional<TypeMirror> told = (meant.size() == 1 ? meant : values.size() == 1 ? values : exact.size() == 1 ? exact : List.<ExecutableElement>of())
                .stream().findFirst().map(method -> (TypeMirror) method.getParameters().get(index).asType())
                .flatMap(type -> known(Optional.of(type)))
                .filter(type -> type.getKind() != TypeKind.TYPEVAR && !type.toString().equals("java.lang.Object"))
                .map(this::withoutVariables);
        return told.or(() -> sameAsOther(call, arguments, index, values));
    }

    /** The arguments besides one that have a type. */
    private Stream<Integer> others(TreePath call, List<? extends ExpressionTree> arguments, int index) {
        return IntStream.range(0, arguments.size()).boxed()
                .filter(other -> other != index && known(code.type(new TreePath(call, arguments.get(other)))).isPresent());
    }

    private TypeMirror argument(TreePath call, List<? extends ExpressionTree> arguments, int index) {
        return code.type(new TreePath(call, arguments.get(index))).orElseThrow();
    }

    private boolean takes(ExecutableElement method, int index, TypeMirror argument) {
        return index < method.getParameters().size() && code.types().isAssignable(code.types().erasure(argument),
                code.types().erasure(method.getParameters().get(index).asType()));
    }

    private boolean isExactly(ExecutableElement method, int index, TypeMirror argument) {
        return code.types().isSameType(code.types().erasure(argument), code.types().erasure(method.getParameters().get(index).asType()));
    }

    private boolean isFunction(TypeMirror type) {
        return type instanceof DeclaredType declared && ((TypeElement) declared.asElement()).getAnnotationMirrors().stream()
                .anyMatch(one -> one.getAnnotationType().toString().equals("java.lang.FunctionalInterface"));
    }

    /** Where any object is taken besides another, as by an assertion, the value is what the other one is. */
    private Optional<TypeMirror> sameAsOther(TreePath call, List<? extends ExpressionTree> arguments, int index, List<ExecutableElement> meant) {
        return others(call, arguments, index)
                .filter(other -> meant.stream().anyMatch(method -> code.types().isSameType(
                        method.getParameters().get(index).asType(), method.getParameters().get(other).asType())))
                .map(other -> argument(call, arguments, other))
                .filter(type -> type.getKind() != TypeKind.NULL)
                .findFirst();
    }

    /** Type variables of the method that is called mean nothing elsewhere. */
    private TypeMirror withoutVariables(TypeMirror type) {
        boolean isOpen = type instanceof DeclaredType declared && declared.getTypeArguments().stream().anyMatch(Types::namesVariable);
        if (!isOpen) {
            return type;
        }
        DeclaredType declared = (DeclaredType) type;
        return code.types().getDeclaredType((TypeElement) declared.asElement(), declared.getTypeArguments().stream()
                .map(argument -> Types.namesVariable(argument) ? code.types().getWildcardType(null, null) : argument).toArray(TypeMirror[]::new));
    }

    /** What is called so, and takes as many arguments; a call with an argument of no type is bound to none. */
    private List<ExecutableElement> candidates(TreePath call, int count) {
        Optional<? extends Element> owner;
        String name;
        if (call.getLeaf() instanceof NewClassTree made) {
            owner = code.element(new TreePath(call, made.getIdentifier()));
            name = "<init>";
        } else {
            ExpressionTree method = ((MethodInvocationTree) call.getLeaf()).getMethodSelect();
            TreePath select = new TreePath(call, method);
            boolean isSelected = method instanceof MemberSelectTree;
            owner = isSelected ? code.type(new TreePath(select, ((MemberSelectTree) method).getExpression()))
                    .map(code.types()::asElement) : code.enclosingType(call);
            name = isSelected ? ((MemberSelectTree) method).getIdentifier().toString() : code.text(method);
        }
        return owner.filter(element -> element instanceof TypeElement).map(element -> code.elements().getAllMembers((TypeElement) element)).stream()
                .flatMap(List::stream)
                .filter(member -> member.getKind() == ElementKind.METHOD || member.getKind() == ElementKind.CONSTRUCTOR)
                .filter(member -> member.getSimpleName().contentEquals(name))
                .map(member -> (ExecutableElement) member)
                .filter(method -> method.getParameters().size() == count)
                .toList();
    }
}
