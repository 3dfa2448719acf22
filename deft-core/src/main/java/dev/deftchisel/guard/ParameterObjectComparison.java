package dev.deftchisel.guard;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.NewSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.util.ElementFilter;

/**
 * Compares what methods read from a record with what they got one by one: each body reads the component for the
 * variable that was the parameter, and the record does nothing of its own (JLS 8.10). What calls put into it is
 * compared where arguments are.
 */
final class ParameterObjectComparison {

    private final Analysis before;
    private final Analysis after;
    private final Mapping mapping;
    private final Change change;

    ParameterObjectComparison(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.mapping = change.mapping();
        this.change = change;
    }

    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        change.meaning().signatures().forEach((key, signature) -> signature.components().forEach((index, origins) ->
                before.declaration(key).filter(declared -> !isRead(key, index, origins))
                        .ifPresent(declared -> differences.add(told(declared, "its body would not read from the "
                                + "record what was passed")))));
        return differences;
    }

    private static Difference told(Binding place, String sentence) {
        return new Difference(Difference.Kind.BINDING, place.file(), place.range(), Optional.empty(),
                Optional.empty(), sentence);
    }

    /** Whether the record is one without any member written, with the types of the parameters in order. */
    private boolean isPlain(SymbolKey.Method method, TypeElement record, List<Integer> origins) {
        List<String> was = NewSignature.parameters(method.descriptor());
        Optional<Binding> declared = after.declaration(after.key(record));
        boolean isBare = declared.flatMap(binding -> after.code(binding.file())).filter(code -> declared.flatMap(
                binding -> code.declaration(binding.range())).filter(path -> code.text(path.getLeaf())
                        .matches("(?s).*\\)\\s*\\{\\s*}")).isPresent()).isPresent();
        return record.getKind() == ElementKind.RECORD && isBare && record.getInterfaces().isEmpty()
                && ElementFilter.constructorsIn(record.getEnclosedElements()).stream().map(after::key)
                .map(key -> NewSignature.parameters(((SymbolKey.Method) key).descriptor())).toList()
                .equals(List.of(origins.stream().map(was::get).toList()));
    }

    /** Whether each variable that was a parameter gets its component. */
    private boolean isRead(SymbolKey key, int index, List<Integer> origins) {
        Optional<ExecutableElement> was = before.known(key).map(Analysis.KnownElement::element)
                .map(ExecutableElement.class::cast);
        Optional<ExecutableElement> now = after.known(mapping.key(key)).map(Analysis.KnownElement::element)
                .map(ExecutableElement.class::cast);
        if (was.isEmpty() || now.isEmpty() || now.get().getParameters().size() <= index) {
            return false;
        }
        Element object = now.get().getParameters().get(index);
        return object.asType() instanceof DeclaredType type && type.asElement() instanceof TypeElement record
                && isPlain((SymbolKey.Method) key, record, origins)
                && IntStream.range(0, origins.size()).allMatch(i -> isRead(before.key(was.get().getParameters()
                        .get(origins.get(i))), object, record.getRecordComponents().get(i).getAccessor()));
    }

    private boolean isRead(SymbolKey parameter, Element object, ExecutableElement accessor) {
        boolean isUsed = before.uses(parameter).stream().anyMatch(use -> use.role().isUse());
        Optional<Binding> variable = after.declaration(mapping.key(parameter));
        return !isUsed || variable.flatMap(declared -> after.code(declared.file())
                .filter(code -> code.declaration(declared.range()).filter(path -> reads(code, path, object, accessor))
                        .isPresent())).isPresent();
    }

    private static boolean reads(AttributedFile code, TreePath variable, Element object, ExecutableElement accessor) {
        if (!(variable.getLeaf() instanceof VariableTree tree)
                || !(tree.getInitializer() instanceof MethodInvocationTree call)
                || !(call.getMethodSelect() instanceof MemberSelectTree select)
                || !(select.getExpression() instanceof IdentifierTree)) {
            return false;
        }
        TreePath read = new TreePath(variable, call);
        TreePath name = new TreePath(read, select);
        return code.element(name).filter(accessor::equals).isPresent()
                && code.element(new TreePath(name, select.getExpression())).filter(object::equals).isPresent();
    }
}
