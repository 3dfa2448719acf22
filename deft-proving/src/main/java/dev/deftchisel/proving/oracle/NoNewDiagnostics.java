package dev.deftchisel.proving.oracle;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The code compiles, and with no kind of warning that it did not have.
 *
 * @param expected kinds of warnings, by the compiler's own names, which what is done cannot do without
 */
public record NoNewDiagnostics(Set<String> expected) implements CodeOracle {

    /** Copies the set. */
    public NoNewDiagnostics {
        expected = Set.copyOf(expected);
    }

    /** No kind of warning is expected. */
    public NoNewDiagnostics() {
        this(Set.of());
    }

    @Override
    public String name() {
        return "compiles as before";
    }

    @Override
    public Optional<String> objection(CompiledCode before, CompiledCode after, List<Rename> renames) {
        if (!after.errors().isEmpty()) {
            return Optional.of(after.errors().get(0)
                    + (after.errors().size() == 1 ? "" : " (" + after.errors().size() + " errors)"));
        }
        Set<String> fresh = new TreeSet<>(after.warnings());
        fresh.removeAll(before.warnings());
        fresh.removeAll(expected);
        return fresh.isEmpty() ? Optional.empty() : Optional.of("new kinds of warnings: " + String.join(", ", fresh));
    }
}
