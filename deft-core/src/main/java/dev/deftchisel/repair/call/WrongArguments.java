package dev.deftchisel.repair.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.WildcardType;

/** Calls whose arguments do not go with what is called (JLS 15.12.2). */
public final class WrongArguments implements Repair {

    private static final int LEVEL_OF_FORMATTED = 15;

    private static final int MOST = 3;

    @Override
    public Set<String> codes() {
        return Set.of("cant.apply.symbol", "cant.apply.symbols", "cant.apply.diamond.1");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> call = site.around().stream()
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree
                        || path.getLeaf() instanceof NewClassTree)
                .findFirst();
        return call.map(path -> of(path, site.code())).orElse(List.of());
    }

    /** What can be done about a call. */
    public static List<Fix> of(TreePath call, AttributedFile code) {
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        List<Fix> fixes = reordered(call, code);
        formatted(call, code).ifPresent(fixes::add);
        printed(call, code).ifPresent(fixes::add);
        joined(call, code).ifPresent(fixes::add);
        List<ExecutableElement> all = new CallCandidates(code, call).all();
        all.forEach(method -> levelled(call, arguments, method, code).ifPresent(fixes::add));
        all.forEach(method -> converted(call, arguments, method, code).ifPresent(fixes::add));
        all.forEach(method -> filled(call, arguments, method, code).ifPresent(fixes::add));
        all.forEach(method -> shortened(call, arguments, method, code).ifPresent(fixes::add));
        List<Fix> some = new ArrayList<>(fixes.stream().limit(MOST).toList());
        some.addAll(declared(call, code));
        return some;
    }

    /** {@code "%d at %s".format(3, name)}, whose format stands before the dot. */
    private static Optional<Fix> formatted(TreePath call, AttributedFile code) {
        boolean isFormat = call.getLeaf() instanceof MethodInvocationTree called
                && called.getMethodSelect() instanceof MemberSelectTree select
                && select.getIdentifier().contentEquals("format") && code.file().module().level() >= LEVEL_OF_FORMATTED
                && code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                        .filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent();
        return isFormat ? Optional.of(Fix.of("call 'formatted'", edits -> {
            int end = code.range(((MethodInvocationTree) call.getLeaf()).getMethodSelect()).end();
            edits.replace(new Range(end - "format".length(), end), "formatted");
        })) : Optional.empty();
    }

    /** {@code println("%d berths", 3)}: only {@code printf} takes a format, and ends no line. */
    private static Optional<Fix> printed(TreePath call, AttributedFile code) {
        boolean isPrinted = call.getLeaf() instanceof MethodInvocationTree called && called.getArguments().size() > 1
                && Set.of("println", "print").contains(Calls.name(called)) && called.getArguments()
                .get(0) instanceof LiteralTree literal
                && literal.getValue() instanceof String text && text.contains("%");
        if (!isPrinted) {
            return Optional.empty();
        }
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        return Optional.of(Fix.of("format it", edits -> {
            edits.insert(code.range(arguments.get(0)).start(), "String.format(");
            edits.insert(code.range(arguments.get(arguments.size() - 1)).end(), ")");
        }));
    }

    /** {@code ", ".join(names)}: what joins comes first in the arguments of a static method. */
    private static Optional<Fix> joined(TreePath call, AttributedFile code) {
        boolean isJoin = call.getLeaf() instanceof MethodInvocationTree called && called.getArguments().size() == 1
                && called.getMethodSelect() instanceof MemberSelectTree select && select.getIdentifier()
                .contentEquals("join")
                && code.type(new TreePath(new TreePath(call, select), select.getExpression()))
                .filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent()
                && code.element(new TreePath(new TreePath(call, select), select.getExpression()))
                .filter(element -> element.getKind().isClass()).isEmpty();
        return isJoin ? Optional.of(Fix.of("write 'String.join'",
                edits -> edits.replace(call.getLeaf(), to -> to.write("String.join(")
                .carry(code.range(((MemberSelectTree) ((MethodInvocationTree) call.getLeaf()).getMethodSelect())
                        .getExpression())).write(", ")
                .carry(code.range(Calls.arguments(call.getLeaf()).get(0))).write(")")))) : Optional.empty();
    }

    /** The same arguments in another order, for each method that takes them so. */
    public static List<Fix> reordered(TreePath call, AttributedFile code) {
        List<Fix> fixes = new ArrayList<>();
        new CallCandidates(code, call).all().forEach(method -> reordered(call, Calls.arguments(call.getLeaf()), method,
                code).ifPresent(fixes::add));
        return fixes;
    }

    private static boolean fits(TreePath call, ExpressionTree argument, TypeMirror formal, AttributedFile code) {
        TreePath path = new TreePath(call, argument);
        boolean isFunction = argument instanceof LambdaExpressionTree || argument instanceof MemberReferenceTree;
        return isFunction && formal instanceof DeclaredType declared && declared.asElement().getKind().isInterface()
                || code.ownType(path).filter(type -> type.getKind() != TypeKind.VOID
                        && (formal.getKind() == TypeKind.TYPEVAR && !type.getKind().isPrimitive()
                        || code.types().isAssignable(code.types().erasure(type), code.types().erasure(formal))))
                        .isPresent();
    }

    /** The same arguments in the only other order that fits. */
    private static Optional<Fix> reordered(TreePath call, List<? extends ExpressionTree> arguments,
            ExecutableElement method, AttributedFile code) {
        List<? extends TypeMirror> formals = new CallCandidates(code, call).formals(method);
        if (method.isVarArgs() || formals.size() != arguments.size() || arguments.size() < 2 || arguments.size() > 6
                || IntStream.range(0, arguments.size())
                .allMatch(i -> fits(call, arguments.get(i), formals.get(i), code))) {
            return Optional.empty();
        }
        for (int i = 0; i < arguments.size(); i++) {
            for (int j = i + 1; j < arguments.size(); j++) {
                List<ExpressionTree> turned = new ArrayList<>(arguments);
                turned.set(i, arguments.get(j));
                turned.set(j, arguments.get(i));
                boolean fits = true;
                for (int k = 0; k < turned.size(); k++) {
                    fits &= fits(call, turned.get(k), formals.get(k), code);
                }
                if (fits) {
                    ExpressionTree one = arguments.get(i);
                    ExpressionTree other = arguments.get(j);
                    return Optional.of(Fix.of("let '" + code.shown(code.range(one), 20) + "' and '"
                            + code.shown(code.range(other), 20)
                            + "' change places", edits -> {
                                edits.replace(one, to -> to.carry(code.range(other)));
                                edits.replace(other, to -> to.carry(code.range(one)));
                            }));
                }
            }
        }
        return Optional.empty();
    }

    /** A constant that is cast to the type of another argument, where both stand for the same type parameter. */
    private static Optional<Fix> levelled(TreePath call, List<? extends ExpressionTree> arguments,
            ExecutableElement method, AttributedFile code) {
        List<? extends VariableElement> formals = method.getParameters();
        if (formals.size() != arguments.size()) {
            return Optional.empty();
        }
        for (int i = 0; i < arguments.size(); i++) {
            ExpressionTree argument = arguments.get(i);
            TypeMirror formal = formals.get(i).asType();
            Optional<TypeMirror> own = code.type(new TreePath(call, argument))
                    .filter(type -> type.getKind().isPrimitive());
            Optional<TypeMirror> other = IntStream.range(0, arguments.size())
                    .filter(k -> arguments.get(k) != argument && code.types()
                            .isSameType(formals.get(k).asType(), formal))
                    .boxed().flatMap(k -> code.type(new TreePath(call, arguments.get(k))).stream())
                    .filter(type -> type.getKind().isPrimitive()).findFirst();
            if (formal.getKind() == TypeKind.TYPEVAR && own.isPresent() && other.isPresent()
                    && own.get().getKind() != other.get().getKind() && argument instanceof LiteralTree) {
                return Optional.of(Fix.of("cast '" + code.shown(code.range(argument), 20) + "' to " + other.get(),
                        edits -> edits.insert(code.range(argument).start(), "(" + other.get() + ") ")));
            }
        }
        return Optional.empty();
    }

    /** One argument that is turned into the type that is asked for. */
    private static Optional<Fix> converted(TreePath call, List<? extends ExpressionTree> arguments,
            ExecutableElement method, AttributedFile code) {
        List<? extends VariableElement> formals = method.getParameters();
        if (formals.size() != arguments.size()) {
            return Optional.empty();
        }
        List<Integer> wrong = IntStream.range(0, arguments.size())
                .filter(i -> !fits(call, arguments.get(i), formals.get(i).asType(), code)).boxed().toList();
        if (wrong.size() != 1) {
            return Optional.empty();
        }
        TreePath path = new TreePath(call, arguments.get(wrong.get(0)));
        Optional<TypeMirror> wanted = new CallCandidates(code, call).target(method, wrong.get(0), code.ownType(path));
        return code.ownType(path).filter(own -> wanted.isPresent())
                .flatMap(own -> Conversion.of(path, own, wanted.get(), code).stream().findFirst())
                .or(() -> Optional.of(value(path, formals.get(wrong.get(0)), call, code)));
    }

    /**
     * What is in reach under the name of a parameter, or the value that the type has at first, in place of an argument.
     */
    private static Fix value(TreePath path, VariableElement formal, TreePath call, AttributedFile code) {
        String value = inReach(formal, call, code);
        return Fix.of("pass " + value, edits -> edits.replace(code.range(path.getLeaf()), value));
    }

    private static String inReach(VariableElement formal, TreePath call, AttributedFile code) {
        List<Element> visible = code.visible(call).stream()
                .filter(element -> element instanceof VariableElement && !isInItsValue(call, element)
                        && code.types().isAssignable(code.types().erasure(element.asType()),
                                code.types().erasure(formal.asType()))).toList();
        return visible.stream().filter(element -> element.getSimpleName().equals(formal.getSimpleName()))
                .findFirst()
                .or(() -> visible.stream().filter(element -> code.types().isSameType(element.asType(), formal.asType())
                        && !element.getKind().isField()).findFirst())
                .map(element -> element.getSimpleName().toString())
                .orElseGet(() -> DefaultValues.of(formal.asType()));
    }

    /** Whether a variable gets its value by this, so that it has none yet. */
    private static boolean isInItsValue(TreePath call, Element variable) {
        for (TreePath path = call; path != null; path = path.getParentPath()) {
            // what is visible comes from an attribution of its own, so that the symbols are not the same
            if (path.getLeaf() instanceof VariableTree tree && tree.getName().contentEquals(variable.getSimpleName())) {
                return true;
            }
        }
        return false;
    }

    /** One argument more, where the others fit. */
    private static Optional<Fix> filled(TreePath call, List<? extends ExpressionTree> arguments,
            ExecutableElement method, AttributedFile code) {
        List<? extends VariableElement> formals = method.getParameters();
        if (method.isVarArgs() || formals.size() != arguments.size() + 1) {
            return Optional.empty();
        }
        for (int gap = formals.size() - 1; gap >= 0; gap--) {
            int missing = gap;
            boolean fits = IntStream.range(0, arguments.size())
                    .allMatch(i -> fits(call, arguments.get(i), formals.get(i < missing ? i : i + 1).asType(), code));
            if (fits) {
                TypeMirror wanted = new CallCandidates(code, call).formals(method).get(missing);
                String value = usual(wanted, code).orElseGet(() -> inReach(formals.get(missing), call, code));
                // a library need not tell the names of its parameters
                boolean isNamed = !formals.get(missing).getSimpleName().toString().matches("arg\\d+");
                return Optional.of(Fix.of("pass " + value
                        + (isNamed ? " for '" + formals.get(missing).getSimpleName() + "'" : ""), edits -> {
                    if (arguments.isEmpty()) {
                        edits.insert(code.range(call.getLeaf()).end() - 1, value);
                    } else if (missing == arguments.size()) {
                        edits.insert(code.range(arguments.get(missing - 1)).end(), ", " + value);
                    } else {
                        edits.insert(code.range(arguments.get(missing)).start(), value + ", ");
                    }
                }));
            }
        }
        return Optional.empty();
    }

    /** The value that a number in a box, or a function of two numbers, is likely to be: nothing, and their sum. */
    private static Optional<String> usual(TypeMirror wanted, AttributedFile code) {
        if (!(wanted instanceof DeclaredType type)) {
            return Optional.empty();
        }
        TypeMirror number = code.unboxed(wanted);
        if (number.getKind().isPrimitive()) {
            return Optional.of(DefaultValues.of(number));
        }
        List<String> boxes = type.getTypeArguments().stream().map(argument -> argument instanceof WildcardType wildcard
                ? wildcard.getSuperBound() != null ? wildcard.getSuperBound() : wildcard.getExtendsBound() : argument)
                .map(argument -> argument == null ? "" : Conversion.shown(argument)).distinct().toList();
        boolean isOfNumbers = boxes.size() == 1 && Set.of("Integer", "Long", "Double").contains(boxes.get(0));
        return isOfNumbers && NamedTypes.isOneOf(wanted,
                Set.of("java.util.function.BiFunction", "java.util.function.BinaryOperator"))
                ? Optional.of(boxes.get(0) + "::sum") : Optional.empty();
    }

    /** One argument less, where the others fit. */
    private static Optional<Fix> shortened(TreePath call, List<? extends ExpressionTree> arguments,
            ExecutableElement method, AttributedFile code) {
        List<? extends VariableElement> formals = method.getParameters();
        if (method.isVarArgs() || formals.size() != arguments.size() - 1) {
            return Optional.empty();
        }
        for (int i = arguments.size() - 1; i >= 0; i--) {
            int extra = i;
            boolean fits = IntStream.range(0, formals.size())
                    .allMatch(k -> fits(call, arguments.get(k < extra ? k : k + 1), formals.get(k).asType(), code));
            if (fits) {
                return Optional.of(Fix.of("do not pass '" + code.shown(code.range(arguments.get(extra)), 30) + "'",
                        edits -> edits.cut(arguments, extra)));
            }
        }
        return Optional.empty();
    }

    /** The declaration is made to fit. */
    private static List<Fix> declared(TreePath call, AttributedFile code) {
        if (call.getLeaf() instanceof NewClassTree made) {
            if (code.find(made.getIdentifier()).isEmpty()) {
                // the constant of an enum is made without a type of its own in the text
                return List.of();
            }
            int at = code.range(made.getIdentifier()).end();
            Place place = new Place(code.file().path(), new Range(at - 1, at - 1));
            return List.of(new Fix.Use("declare a constructor for it", "declare-constructor", place, Answers.none()),
                    new Fix.Use("add a parameter to the constructor", "declare-parameter", place, Answers.none()),
                    new Fix.Use("change the constructor to take this", "fit-signature", place, Answers.none()));
        }
        int end = code.range(((MethodInvocationTree) call.getLeaf()).getMethodSelect()).end();
        Place place = new Place(code.file().path(), new Range(end - 1, end - 1));
        return List.of(new Fix.Use("declare another method of the name", "declare-method", place, Answers.none()),
                new Fix.Use("add a parameter to the method", "declare-parameter", place, Answers.none()),
                new Fix.Use("change the method to take this", "fit-signature", place, Answers.none()));
    }
}
