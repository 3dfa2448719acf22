package dev.deftchisel.guard.retyped;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.CanonicalConstructor;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;

/**
 * Variables, fields and parameters that get another type. Each must have been announced; and where it was, every use is
 * looked at for which the language would make something else of the value though every name still means the same: a
 * number that is boxed becomes another box (JLS 5.1.7), an array that is passed for any number of arguments is one of
 * them (JLS 15.12.4.2), and what is compared with a number is no longer made one itself (JLS 15.21).
 */
public final class RetypedValues {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;
    private final Set<SymbolKey> rewritten;
    private final Set<SymbolKey> signatures;
    private final boolean hasForm;
    /** The erased type of each variable today, by its declaration. */
    private final Map<PlaceAfter, String> types;
    /** What each variable is that gets another type: the erased types before and afterwards. */
    private final Map<SymbolKey, Retyped> announced = new LinkedHashMap<>();
    /** By method and index, the parameters among them. */
    private final Map<SymbolKey, Map<Integer, Retyped>> methods = new LinkedHashMap<>();
    /** References that implement a method of which a parameter gets another type. */
    private final Map<Functions.Implementation, Collection<Retyped>> references = new LinkedHashMap<>();

    public RetypedValues(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.mapping = change.mapping();
        SymbolEffects meaning = change.meaning();
        this.signatures = meaning.signatures().keySet();
        this.hasForm = meaning.freedom() == SymbolEffects.Leeway.FORM;
        this.rewritten = meaning.rewritten();
        meaning.signatures().forEach((key, signature) -> signature.origins().ifPresent(origins -> before.known(key)
                .map(Analysis.KnownElement::element).filter(ExecutableElement.class::isInstance)
                .map(ExecutableElement.class::cast)
                .ifPresent(method -> parameters(key, method, origins, signature.arity()))));
        this.types = types(before);
        functions();
        meaning.variables().forEach((key, to) -> before.declaration(key)
                .map(declared -> types.get(new PlaceAfter(declared.file(), declared.range())))
                .ifPresent(from -> announced.put(key, new Retyped(from, to, false))));
    }

    private void parameters(SymbolKey key, ExecutableElement method, List<Integer> origins,
            Optional<NewSignature.Arity> arity) {
        List<String> now = NewSignature.parameters(((SymbolKey.Method) mapping.key(key)).descriptor());
        List<String> was = NewSignature.parameters(((SymbolKey.Method) key).descriptor());
        for (int i = 0; i < origins.size() && origins.size() == now.size(); i++) {
            int origin = origins.get(i);
            boolean isOther = origin >= 0 && origin < was.size()
                    && !mapping.descriptor(was.get(origin)).equals(now.get(i));
            if (isOther) {
                boolean isArray = now.get(i).startsWith("[") && !was.get(origin).startsWith("[");
                boolean isPacked = isArray && i == origins.size() - 1
                        && arity.filter(NewSignature.Arity.VARIABLE::equals).isPresent();
                Retyped retyped = new Retyped(was.get(origin), now.get(i), isPacked);
                announced.put(before.key(method.getParameters().get(origin)), retyped);
                methods.computeIfAbsent(key, one -> new LinkedHashMap<>()).put(origin, retyped);
                if (CanonicalConstructor.is(method)) {
                    TypeElement record = (TypeElement) method.getEnclosingElement();
                    announced.put(new SymbolKey.Field(before.key(record), record.getRecordComponents().get(origin)
                            .getSimpleName().toString()), retyped);
                }
            }
        }
    }

    /** What a lambda takes has the type that its function takes (JLS 15.27.1). */
    private void functions() {
        before.files().stream().filter(file -> !methods.isEmpty() && Functions.mayStandIn(file))
                .flatMap(file -> before.code(file.path()).stream())
                .flatMap(code -> Functions.implementations(code).stream()).forEach(one -> {
                    Map<Integer, Retyped> retyped = methods.getOrDefault(before.key(one.function()), Map.of());
                    if (one.path().getLeaf() instanceof LambdaExpressionTree lambda) {
                        retyped.forEach((index, type) -> one.code().element(new TreePath(one.path(), lambda
                                .getParameters().get(index))).ifPresent(parameter -> announced.put(before
                                        .key(parameter), type)));
                    } else if (!retyped.isEmpty()) {
                        references.put(one, retyped.values());
                    }
                });
    }

    /** Declarations of another type that nobody announced, and uses at which the announced one makes a difference. */
    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>(declarations());
        references.forEach((one, types) -> {
            if (types.stream().anyMatch(type -> type.passesAnother(one.code(), one.path()))) {
                differences.add(new Difference(Difference.Kind.TYPE, one.code().file().path(), one.code()
                        .range(one.path().getLeaf()), Optional.empty(), Optional.empty(), "this would pass on another "
                        + "object, since it gets one of another type"));
            }
        });
        announced.forEach((variable, retyped) -> before.uses(variable).stream()
                .filter(use -> use.role() == Role.READ && (retyped.isPacked() || makesAnother(use, retyped)))
                .forEach(use -> differences.add(told(use, sentence(use, retyped)))));
        return differences;
    }

    private String sentence(Binding use, Retyped retyped) {
        String name = "'" + before.text(use.file(), use.range()) + "'";
        if (retyped.isPacked()) {
            return name + " would be an array of what calls pass";
        }
        boolean isComputed = retyped.isNumber() && value(use).filter(path -> new NumberOperation(before.code(use
                .file()).orElseThrow(), path).isOther(retyped.from().charAt(0), retyped.to().charAt(0))).isPresent();
        return isComputed ? "with another type of " + name + " this would come out as something else; convert it first"
                : "the value would become another object here, since its type is another one";
    }

    private Optional<TreePath> value(Binding use) {
        return before.code(use.file()).flatMap(file -> file.expression(use.range()));
    }

    private static Difference told(Binding place, String sentence) {
        return new Difference(Difference.Kind.TYPE, place.file(), place.range(), Optional.empty(), Optional.empty(),
                sentence);
    }

    private List<Difference> declarations() {
        Map<PlaceAfter, String> now = types(after);
        List<Difference> differences = new ArrayList<>();
        for (SourceFile file : before.files()) {
            for (Binding binding : before.bindings(file.path())) {
                Optional<String> expected = binding.role() != Role.DECLARATION || rewritten.contains(binding.key())
                        ? Optional.empty() : expected(binding);
                expected.flatMap(type -> mapping.sites(file.path(), binding.range()).stream().map(now::get)
                        .filter(actual -> actual != null && !actual.equals(type)).findFirst())
                        .filter(actual -> !isFree(binding))
                        .ifPresent(actual -> differences.add(told(binding, "'" + before.text(binding.file(),
                                binding.range()) + "' would have another type, which the change does not say")));
            }
        }
        return differences;
    }

    private static Map<PlaceAfter, String> types(Analysis analysis) {
        return analysis.traces().stream().filter(trace -> trace.fact() == Trace.Fact.VARIABLE)
                .collect(Collectors.toMap(trace -> new PlaceAfter(trace.file(), trace.range()), Trace::value,
                        (one, other) -> one));
    }

    /** The type that a variable is to have; empty for what is none, and where nobody knows what it has today. */
    private Optional<String> expected(Binding declared) {
        return Optional.ofNullable(types.get(new PlaceAfter(declared.file(), declared.range())))
                .filter(type -> !type.contains("?"))
                .map(type -> announced.containsKey(declared.key()) ? announced.get(declared.key()).to()
                        : mapping.descriptor(type));
    }

    /**
     * Whether the type is looked at elsewhere: a lambda has that of the method which it implements, and what a catch
     * clause catches is no variable's value.
     */
    private boolean isFree(Binding declared) {
        Optional<AttributedFile> code = before.code(declared.file());
        Optional<TreePath> path = code.flatMap(file -> file.declaration(declared.range()));
        return path.map(TreePath::getParentPath).filter(owner -> owner.getLeaf() instanceof CatchTree && hasForm
                || owner.getLeaf() instanceof LambdaExpressionTree && Functions.implementation(code.get(), owner)
                        .filter(one -> signatures.contains(before.key(one.function()))).isPresent()).isPresent();
    }

    private boolean makesAnother(Binding use, Retyped retyped) {
        return value(use).filter(path -> {
            AttributedFile code = before.code(use.file()).orElseThrow();
            return makesAnother(code, path, retyped.from(), retyped.to()) || isComputedWith(code, path);
        }).isPresent();
    }

    /** Whether it is an operand beside a number or truth value: what it is made before that depends on its type. */
    private static boolean isComputedWith(AttributedFile code, TreePath value) {
        TreePath around = TreePaths.outer(value);
        return around.getLeaf() instanceof BinaryTree operation
                && (operation.getKind() == Tree.Kind.EQUAL_TO || operation.getKind() == Tree.Kind.NOT_EQUAL_TO)
                && code.type(new TreePath(around, TreePaths.otherOperand(operation, value.getLeaf())))
                        .filter(type -> type.getKind().isPrimitive()).isPresent()
                && code.type(value).filter(type -> !type.getKind().isPrimitive()).isPresent();
    }

    /**
     * Whether a value of another type would become something else at its place.
     *
     * @param from the descriptor of its type before
     * @param to   and afterwards
     */
    static boolean makesAnother(AttributedFile code, TreePath value, String from, String to) {
        TreePath around = TreePaths.outer(value);
        Tree tree = around.getLeaf();
        boolean isCall = tree instanceof MethodInvocationTree || tree instanceof NewClassTree;
        if (isCall && isAnyNumber(code, around, (ExpressionTree) value.getLeaf())) {
            return from.startsWith("[") || to.startsWith("[") || from.length() == 1 || to.length() == 1;
        }
        if (from.length() == 1 && to.length() == 1) {
            return new NumberOperation(code, value).isOther(from.charAt(0), to.charAt(0))
                    || isMadeObject(code, value);
        }
        boolean isBoxed = from.length() == 1 && code.type(value).map(code::boxed).map(code::descriptor)
                .filter(to::equals).isPresent();
        if (isBoxed) {
            // computing takes the number out again; only two boxes are compared as objects (JLS 15.21)
            return tree instanceof BinaryTree comparison && (comparison.getKind() == Tree.Kind.EQUAL_TO
                    || comparison.getKind() == Tree.Kind.NOT_EQUAL_TO) && !(TreePaths.otherOperand(comparison,
                    value.getLeaf()) instanceof LiteralTree);
        }
        boolean isOther = from.length() == 1 != (to.length() == 1);
        // what a call passes is no longer converted to the number before
        return isOther && (tree instanceof BinaryTree || tree instanceof CompoundAssignmentTree)
                || from.length() == 1 && isMadeObject(code, value);
    }

    /** Whether its place asks for an object; where nothing says what it is converted to, that is compared itself. */
    private static boolean isMadeObject(AttributedFile code, TreePath value) {
        return TargetType.ofConversion(value, code).filter(type -> !type.getKind().isPrimitive()
                && type.getKind() != TypeKind.VOID).isPresent();
    }

    /** Whether it is passed for a parameter of any number. */
    private static boolean isAnyNumber(AttributedFile code, TreePath call, ExpressionTree value) {
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        int index = arguments.stream().map(TreePaths::inner).toList().indexOf(value);
        return index >= 0 && code.element(call).filter(ExecutableElement.class::isInstance)
                .map(ExecutableElement.class::cast)
                .filter(method -> method.isVarArgs() && index >= method.getParameters().size() - 1).isPresent();
    }
}
