package dev.deftchisel.guard.comparison;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

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

    private record Retyped(String from, String to) {
    }

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
                .map(ExecutableElement.class::cast).ifPresent(method -> parameters(key, method, origins))));
        this.types = types(before);
        meaning.variables().forEach((key, to) -> before.declaration(key)
                .map(declared -> types.get(new PlaceAfter(declared.file(), declared.range())))
                .ifPresent(from -> announced.put(key, new Retyped(from, to))));
    }

    private void parameters(SymbolKey key, ExecutableElement method, List<Integer> origins) {
        List<String> now = NewSignature.parameters(((SymbolKey.Method) mapping.key(key)).descriptor());
        List<String> was = NewSignature.parameters(((SymbolKey.Method) key).descriptor());
        for (int i = 0; i < origins.size() && origins.size() == now.size(); i++) {
            int origin = origins.get(i);
            boolean isOther = origin >= 0 && origin < was.size()
                    && !mapping.descriptor(was.get(origin)).equals(now.get(i));
            if (isOther) {
                Retyped retyped = new Retyped(was.get(origin), now.get(i));
                announced.put(before.key(method.getParameters().get(origin)), retyped);
                if (method.getEnclosingElement() instanceof TypeElement record
                        && origin < record.getRecordComponents().size()) {
                    announced.put(new SymbolKey.Field(before.key(record), record.getRecordComponents().get(origin)
                            .getSimpleName().toString()), retyped);
                }
            }
        }
    }

    /** Declarations of another type that nobody announced, and uses at which the announced one makes a difference. */
    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>(declarations());
        announced.forEach((variable, retyped) -> before.uses(variable).stream()
                .filter(use -> use.role() == Role.READ && makesAnother(use, retyped))
                .forEach(use -> differences.add(told(use, "the value would become another object here, since its "
                        + "type is another one"))));
        return differences;
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
        Optional<AttributedFile> code = before.code(use.file());
        Optional<TreePath> value = code.flatMap(file -> file.expression(use.range()));
        return value.filter(path -> makesAnother(code.get(), path, retyped.from(), retyped.to())
                || isComputedWith(code.get(), path)).isPresent();
    }

    /** Whether it is an operand beside a number or truth value: what it is made before that depends on its type. */
    private static boolean isComputedWith(AttributedFile code, TreePath value) {
        TreePath around = TreePaths.outer(value);
        return around.getLeaf() instanceof BinaryTree operation && Stream.of(operation.getLeftOperand(),
                operation.getRightOperand()).filter(operand -> TreePaths.inner(operand) != value.getLeaf())
                .anyMatch(operand -> code.type(new TreePath(around, operand))
                        .filter(type -> type.getKind().isPrimitive()).isPresent()
                        && (operation.getKind() == Tree.Kind.EQUAL_TO || operation.getKind() == Tree.Kind.NOT_EQUAL_TO)
                        && code.type(value).filter(type -> !type.getKind().isPrimitive()).isPresent());
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
        boolean isBoxedNow = from.length() == 1 != (to.length() == 1);
        if (isBoxedNow && (tree instanceof BinaryTree || tree instanceof CompoundAssignmentTree)) {
            // boxes are compared as objects, and what a call passes is no longer converted to the number before
            return true;
        }
        Optional<TypeMirror> target = TargetType.ofConversion(value, code);
        // where nothing says what it is converted to, as for members and operators, these are compared themselves
        return from.length() == 1 && target.filter(type -> !type.getKind().isPrimitive()
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
