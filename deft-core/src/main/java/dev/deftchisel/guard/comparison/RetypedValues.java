package dev.deftchisel.guard.comparison;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.NewSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Uses of parameters and components that are announced to have another type, where the language would make something
 * else of the value though every name still means the same: a number that is boxed becomes another box (JLS 5.1.7), and
 * an array that is passed for any number of arguments is one of them (JLS 15.12.4.2).
 */
final class RetypedValues {

    private final Analysis before;
    private final Mapping mapping;
    private final Map<SymbolKey, NewSignature> signatures;

    RetypedValues(Analysis before, Mapping mapping, Map<SymbolKey, NewSignature> signatures) {
        this.before = before;
        this.mapping = mapping;
        this.signatures = signatures;
    }

    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        signatures.forEach((key, signature) -> signature.origins().ifPresent(origins -> before.known(key)
                .map(Analysis.KnownElement::element).filter(ExecutableElement.class::isInstance)
                .map(ExecutableElement.class::cast)
                .ifPresent(method -> compare(key, method, origins, differences))));
        return differences;
    }

    private void compare(SymbolKey key, ExecutableElement method, List<Integer> origins,
            List<Difference> differences) {
        List<String> now = NewSignature.parameters(((SymbolKey.Method) mapping.key(key)).descriptor());
        List<String> was = NewSignature.parameters(((SymbolKey.Method) key).descriptor());
        for (int i = 0; i < origins.size() && origins.size() == now.size(); i++) {
            int origin = origins.get(i);
            boolean isOther = origin >= 0 && origin < was.size()
                    && !mapping.descriptor(was.get(origin)).equals(now.get(i));
            if (isOther) {
                String from = was.get(origin);
                String to = now.get(i);
                List<SymbolKey> keys = new ArrayList<>(List.of(before.key(method.getParameters().get(origin))));
                if (method.getEnclosingElement() instanceof TypeElement record
                        && origin < record.getRecordComponents().size()) {
                    keys.add(new SymbolKey.Field(before.key(record), record.getRecordComponents().get(origin)
                            .getSimpleName().toString()));
                }
                keys.stream().distinct().flatMap(variable -> before.uses(variable).stream())
                        .filter(use -> use.role() == Role.READ && makesAnother(use, from, to))
                        .forEach(use -> differences.add(new Difference(Difference.Kind.TYPE, use.file(), use.range(),
                                Optional.empty(), Optional.empty(), "the value would become another object here, "
                                + "since its type is another one")));
            }
        }
    }

    private boolean makesAnother(Binding use, String from, String to) {
        Optional<AttributedFile> code = before.code(use.file());
        Optional<TreePath> value = code.flatMap(file -> file.expression(use.range()));
        return value.filter(path -> makesAnother(code.get(), path, from, to)).isPresent();
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
