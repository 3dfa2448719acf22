package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;

/**
 * Finds calls that ask which class they stand in, and would stand in another one: what reflection may reach, and where
 * resources are looked for, depends on that (java.lang.reflect.AccessibleObject, java.lang.Class).
 */
final class CallerSensitive {

    private static final Set<String> OWNERS = Set.of("java.lang.reflect.Method", "java.lang.reflect.Constructor",
            "java.lang.reflect.Field",
            "java.lang.invoke.MethodHandles", "java.util.ResourceBundle", "java.lang.StackWalker");
    private static final Set<String> OF_CLASS = Set.of("forName", "newInstance", "getDeclaredConstructor",
            "getConstructor", "getMethod",
            "getDeclaredMethod", "getField", "getDeclaredField", "getResource", "getResourceAsStream");

    private final Analysis before;
    private final Change change;

    CallerSensitive(Analysis before, Change change) {
        this.before = before;
        this.change = change;
    }

    List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (FileChange file : change.effective()) {
            for (Edit edit : file.takenEdits()) {
                for (MovedCode piece : edit.carried()) {
                    call(piece).filter(call -> !type(piece.file(), piece.from())
                            .equals(type(file.path(), edit.range())))
                            .ifPresent(call -> differences.add(new Difference(Difference.Kind.UNPROVEN, piece.file(),
                                    call.range(), Optional.empty(),
                                    Optional.empty(), "this depends on the class that calls it, which would be "
                                    + "another one")));
                }
            }
        }
        return differences;
    }

    private Optional<Binding> call(MovedCode piece) {
        return before.bindings(piece.file()).stream()
                .filter(binding -> binding.role() == Role.CALL && piece.from().encloses(binding.range()))
                .filter(binding -> binding.key() instanceof SymbolKey.Method method
                        && method.owner() instanceof SymbolKey.Type owner
                        && (OWNERS.contains(owner.binaryName()) || owner.binaryName().equals("java.lang.Class")
                                && OF_CLASS.contains(method.name())))
                .findFirst();
    }

    /** The class around a place. */
    private Optional<String> type(Path file, Range range) {
        Optional<AttributedFile> code = before.code(file);
        return code.flatMap(known -> known.around(new Range(range.start(), range.start())).stream().findFirst()
                .flatMap(known::enclosingType)).map(TypeElement::getQualifiedName).map(Object::toString);
    }
}
