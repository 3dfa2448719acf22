package dev.deftchisel.declare.inference;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.operation.NameProposals;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * A function as it is written, where nothing says which interface it implements: as far as it tells itself, one of the
 * platform's interfaces does (package {@code java.util.function}).
 *
 * @param code    the file
 * @param taken   the types of its parameters, in order
 * @param result  what it returns; empty for nothing
 * @param isSafe  whether no checked exception leaves it
 */
public record FunctionInference(AttributedFile code, List<TypeMirror> taken, Optional<TypeMirror> result,
        boolean isSafe) {

    /** Whether a value is a function as it is written. */
    public static boolean isFunction(Tree value) {
        return value instanceof LambdaExpressionTree || value instanceof MemberReferenceTree;
    }

    /** What a function does, as the end of the name of its interface says: a {@code predicate}, a {@code supplier}. */
    public static String role(TypeMirror type) {
        String name = NameProposals.ofType(type);
        return name.replaceFirst(".*(?=\\p{Lu})", "").toLowerCase(Locale.ROOT);
    }

    /** The interface for a function; empty when its parameters have no types, or there is no such interface. */
    static Optional<TypeMirror> type(AttributedFile code, TreePath function) {
        Optional<FunctionInference> written;
        if (function.getLeaf() instanceof LambdaExpressionTree lambda) {
            written = lambda(code, function, lambda);
        } else if (function.getLeaf() instanceof MemberReferenceTree reference) {
            written = reference(code, function, reference);
        } else {
            written = Optional.empty();
        }
        return written.flatMap(FunctionInference::type);
    }

    private static Optional<FunctionInference> lambda(AttributedFile code, TreePath path, LambdaExpressionTree lambda) {
        List<TypeMirror> taken = new ArrayList<>();
        TreePath body = new TreePath(path, lambda.getBody());
        for (VariableTree parameter : lambda.getParameters()) {
            Optional<TypeMirror> type = code.saysType(parameter)
                    ? LikelyTargetTypes.known(code.type(new TreePath(path, parameter)))
                    : used(code, body, parameter);
            if (type.isEmpty()) {
                return Optional.empty();
            }
            taken.add(type.get());
        }
        boolean isSafe = code.thrown(List.of(body)).isEmpty();
        if (lambda.getBodyKind() == LambdaExpressionTree.BodyKind.EXPRESSION) {
            return result(code, body).map(type -> new FunctionInference(code, taken, value(type), isSafe));
        }
        List<TypeMirror> values = Jumps.leaving(List.of(body)).stream()
                .flatMap(jump -> jump.value()
                        .flatMap(value -> LikelyTargetTypes.known(code.type(new TreePath(jump.path(), value))))
                        .stream())
                .toList();
        Optional<TypeMirror> result = values.isEmpty() ? Optional.empty()
                : Optional.of(new CommonSupertype(code).of(values));
        return Optional.of(new FunctionInference(code, taken, result, isSafe));
    }

    /**
     * The type of a parameter that is not said, as its uses tell: any object where they ask nothing, none where its
     * members are used.
     */
    private static Optional<TypeMirror> used(AttributedFile code, TreePath body, VariableTree parameter) {
        List<TreePath> uses = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                if (tree.getName().equals(parameter.getName())) {
                    uses.add(getCurrentPath());
                }
                return null;
            }
        }.scan(body, null);
        boolean isSelected = uses.stream().anyMatch(use -> use.getParentPath().getLeaf() instanceof MemberSelectTree);
        return isSelected ? Optional.empty() : uses.stream()
                .flatMap(use -> new LikelyTargetTypes(code).all(use).stream())
                .filter(type -> type.getKind() != TypeKind.VOID).map(code::boxed).findFirst()
                .or(() -> Optional.of(code.object()));
    }

    /**
     * What the expression of a body returns; of comparisons and tests that is known even where their operands are
     * not.
     */
    private static Optional<TypeMirror> result(AttributedFile code, TreePath body) {
        boolean isTest = switch (body.getLeaf().getKind()) {
            case EQUAL_TO, NOT_EQUAL_TO, LESS_THAN, LESS_THAN_EQUAL, GREATER_THAN, GREATER_THAN_EQUAL, CONDITIONAL_AND,
                    CONDITIONAL_OR,
                    LOGICAL_COMPLEMENT, INSTANCE_OF -> true;
            default -> false;
        };
        return isTest ? Optional.of(code.types().getPrimitiveType(TypeKind.BOOLEAN))
                : LikelyTargetTypes.known(code.type(body)).or(() -> body.getLeaf() instanceof MethodInvocationTree
                        ? new LikelyArgumentTypes(code, body).result() : Optional.empty());
    }

    private static Optional<TypeMirror> value(TypeMirror type) {
        return Optional.of(type).filter(one -> one.getKind() != TypeKind.VOID);
    }

    /** A method that is named as a function, where only one can be meant (JLS 15.13.1). */
    private static Optional<FunctionInference> reference(AttributedFile code, TreePath path,
            MemberReferenceTree reference) {
        TreePath object = new TreePath(path, reference.getQualifierExpression());
        boolean isOfType = code.element(object).filter(TypeElement.class::isInstance).isPresent();
        boolean makes = reference.getMode() == MemberReferenceTree.ReferenceMode.NEW;
        Optional<TypeElement> owner = code.type(object).map(code.types()::asElement)
                .filter(TypeElement.class::isInstance)
                .map(TypeElement.class::cast).filter(type -> type.getTypeParameters().isEmpty());
        List<ExecutableElement> meant = owner.stream().flatMap(type -> code.elements().getAllMembers(type).stream())
                .filter(member -> makes ? member.getKind() == ElementKind.CONSTRUCTOR
                        : member.getKind() == ElementKind.METHOD && member.getSimpleName()
                        .contentEquals(reference.getName()))
                .map(member -> (ExecutableElement) member)
                .toList();
        if (meant.size() != 1 || !meant.get(0).getTypeParameters().isEmpty()) {
            return Optional.empty();
        }
        ExecutableElement method = meant.get(0);
        boolean isObject = isOfType && !makes && !method.getModifiers().contains(Modifier.STATIC);
        List<TypeMirror> taken = Stream.concat(isObject ? Stream.of(owner.get().asType()) : Stream.empty(),
                method.getParameters().stream().map(Element::asType)).toList();
        Optional<TypeMirror> result = makes ? owner.map(TypeElement::asType) : value(method.getReturnType());
        return Optional.of(new FunctionInference(code, taken, result, method.getThrownTypes().isEmpty()));
    }

    private Optional<TypeMirror> type() {
        boolean isPlain = taken.stream().noneMatch(type -> type.getKind().isPrimitive());
        if (taken.size() > 2 || !isPlain || !isSafe && !(taken.isEmpty() && result.isPresent())) {
            return Optional.empty();
        }
        if (!isSafe) {
            return generic("java.util.concurrent.Callable", List.of(code.boxed(result.get())));
        } else if (result.isEmpty()) {
            if (taken.isEmpty()) {
                return generic("java.lang.Runnable", List.of());
            }
            return generic(taken.size() == 1 ? "java.util.function.Consumer" : "java.util.function.BiConsumer", taken);
        }
        String two = taken.size() == 2 ? "Bi" : "";
        String kind = taken.isEmpty() ? "Supplier" : "Function";
        return switch (result.get().getKind()) {
            case BOOLEAN -> taken.isEmpty() ? generic("java.util.function.BooleanSupplier", List.of())
                    : generic("java.util.function." + two + "Predicate", taken);
            case INT -> generic("java.util.function." + (taken.isEmpty() ? "Int" : "ToInt" + two) + kind, taken);
            case LONG -> generic("java.util.function." + (taken.isEmpty() ? "Long" : "ToLong" + two) + kind, taken);
            case DOUBLE -> generic("java.util.function." + (taken.isEmpty() ? "Double" : "ToDouble" + two) + kind,
                    taken);
            default -> generic("java.util.function." + two + kind,
                    Stream.concat(taken.stream(), Stream.of(code.boxed(result.get()))).toList());
        };
    }

    private Optional<TypeMirror> generic(String name, List<TypeMirror> arguments) {
        return Optional.ofNullable(code.elements().getTypeElement(name))
                .map(type -> code.types().getDeclaredType(type, arguments.toArray(TypeMirror[]::new)));
    }
}
