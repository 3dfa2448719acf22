package dev.deftchisel.repair.member;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Precedence;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * A value of one class where another is wanted, and one of them knows the way: the value has a method that gives the
 * other ({@code future.get()}, {@code file.toPath()}), or the other is made of it ({@code Path.of(text)},
 * {@code new BigDecimal(text)}).
 */
public final class WrappedValue implements Repair {

    /** The usual names of methods that return what is within. */
    private static final List<String> HOLDERS = List.of("get", "getValue", "value", "join", "call", "unwrap", "result");
    private static final List<String> FACTORIES = List.of("of", "valueOf", "parse", "from", "ofNullable", "create");
    /** Types that values are turned into in ways of their own. */
    private static final Set<String> OTHERWISE = Set.of("java.lang.Object", "java.lang.String", "java.util.Optional",
            "java.util.List", "java.util.Set",
            "java.util.Collection", "java.lang.Iterable", "java.lang.Integer", "java.lang.Long", "java.lang.Double",
            "java.lang.Boolean", "java.lang.Character");
    private static final int MOST = 2;

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "cant.apply.symbol");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> value = site.id().startsWith("cant.apply") ? argument(site)
                : site.exact().filter(path -> path.getLeaf() instanceof ExpressionTree)
                .or(() -> site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree
                        && TargetType.of(path, site.code()).isPresent()).findFirst());
        Optional<TypeMirror> own = value.flatMap(path -> code.ownType(path).or(() -> code.type(path)));
        Optional<TypeMirror> wanted = value.flatMap(path -> TargetType.of(path, site.code())).map(TargetType::type);
        if (own.isEmpty() || wanted.isEmpty() || own.get().getKind() == TypeKind.ERROR || wanted.get()
                .getKind() == TypeKind.ERROR) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>(given(value.get(), own.get(), wanted.get(), code));
        fixes.addAll(made(value.get(), own.get(), wanted.get(), code));
        return fixes;
    }

    /** The only argument that the only method of the name does not take. */
    private static Optional<TreePath> argument(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> call = site.around().stream()
                .filter(path -> (path.getLeaf() instanceof MethodInvocationTree
                        || path.getLeaf() instanceof NewClassTree)
                && !Calls.arguments(path.getLeaf()).isEmpty()).findFirst();
        List<TreePath> wrong = call.stream().flatMap(path -> Calls.arguments(path.getLeaf()).stream()
                .map(argument -> new TreePath(path, argument)))
                .filter(path -> code.type(path).flatMap(own -> TargetType.of(path, site.code())
                        .filter(wanted -> !code.types().isAssignable(own, code.types().erasure(wanted.type()))))
                        .isPresent()).toList();
        return wrong.size() == 1 ? Optional.of(wrong.get(0)) : Optional.empty();
    }

    /** Methods of the value without parameters that give what is wanted. */
    private static List<Fix> given(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
        if (!(own instanceof DeclaredType type) || NamedTypes.is(wanted, "java.lang.Object")
                || NamedTypes.is(wanted, "java.lang.String")) {
            return List.of();
        }
        String simple = wanted instanceof DeclaredType declared ? declared.asElement().getSimpleName().toString()
                : NamedTypes.shown(wanted);
        List<String> named = List.of("to" + simple, "as" + simple, "get" + simple, simple + "Value",
                "to" + Character.toUpperCase(simple.charAt(0)) + simple.substring(1));
        List<String> names = Stream.concat(named.stream(), HOLDERS.stream()).toList();
        boolean isGrouped = Precedence.needsParenthesesBeforeDot((ExpressionTree) path.getLeaf());
        return ElementFilter.methodsIn(code.elements().getAllMembers((TypeElement) type.asElement())).stream()
                .filter(method -> method.getParameters().isEmpty() && !method.getModifiers().contains(Modifier.STATIC)
                        && names.contains(method.getSimpleName().toString()) && gives(method, type, wanted, code))
                .map(method -> method.getSimpleName().toString()).distinct()
                .sorted(Comparator.comparing(names::indexOf)).limit(MOST)
                .map(name -> Fix.of("take what its '" + name + "' gives",
                        edits -> edits.replace(path.getLeaf(), to -> to.write(isGrouped ? "(" : "")
                        .carry(code.range(path.getLeaf())).write((isGrouped ? ")" : "") + "." + name + "()"))))
                        .toList();
    }

    private static boolean gives(ExecutableElement method, DeclaredType type, TypeMirror wanted, AttributedFile code) {
        TypeMirror result = ((ExecutableType) code.types().asMemberOf(type, method)).getReturnType();
        return result.getKind() != TypeKind.VOID && code.types().isAssignable(result, code.types().erasure(wanted));
    }

    /** Constructors and static methods of what is wanted that take the value. */
    private static List<Fix> made(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
        boolean isMakeable = wanted instanceof DeclaredType known && known.asElement().getKind() != ElementKind.ENUM
                && !NamedTypes.isOneOf(wanted, OTHERWISE)
                && !code.types().isAssignable(own, code.types().erasure(wanted));
        if (!isMakeable || own.getKind() == TypeKind.NULL || own.getKind() == TypeKind.VOID) {
            return List.of();
        }
        TypeElement type = (TypeElement) ((DeclaredType) wanted).asElement();
        boolean isGeneric = !type.getTypeParameters().isEmpty();
        List<Fix> fixes = new ArrayList<>(ElementFilter.methodsIn(type.getEnclosedElements()).stream()
                .filter(method -> method.getModifiers().contains(Modifier.STATIC)
                        && FACTORIES.contains(method.getSimpleName().toString())
                        && takes(method, own, code) && code.types()
                        .isSubtype(code.types().erasure(method.getReturnType()), code.types().erasure(wanted)))
                .map(method -> method.getSimpleName().toString()).distinct()
                .sorted(Comparator.comparing(FACTORIES::indexOf)).limit(MOST)
                .map(name -> wrapped(path, type, "." + name + "(", "make it by '" + type.getSimpleName() + "." + name
                        + "'", "", code)).toList());
        boolean isMade = type.getKind() == ElementKind.CLASS && !type.getModifiers().contains(Modifier.ABSTRACT)
                && ElementFilter.constructorsIn(type.getEnclosedElements()).stream()
                .anyMatch(one -> !one.getModifiers().contains(Modifier.PRIVATE) && takes(one, own, code));
        if (isMade) {
            fixes.add(wrapped(path, type, (isGeneric ? "<>" : "") + "(", "make a new '" + type.getSimpleName()
                    + "' of it", "new ", code));
        }
        return fixes;
    }

    private static Fix wrapped(TreePath path, TypeElement type, String call, String title, String before,
            AttributedFile code) {
        return Fix.of(title, edits -> edits.replace(path.getLeaf(),
                to -> to.write(before + edits.types().name(type) + call)
                .carry(code.range(path.getLeaf())).write(")")));
    }

    private static boolean takes(ExecutableElement method, TypeMirror own, AttributedFile code) {
        if (method.getParameters().size() != 1 && !(method.isVarArgs() && method.getParameters().size() == 2)) {
            return false;
        }
        TypeMirror parameter = method.getParameters().get(0).asType();
        return !NamedTypes.is(parameter, "java.lang.Object") && code.types()
                .isAssignable(own, code.types().erasure(parameter));
    }
}
