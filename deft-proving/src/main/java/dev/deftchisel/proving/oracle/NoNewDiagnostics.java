package dev.deftchisel.proving.oracle;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** The code compiles, and with no kind of warning that it did not have. */
public final class NoNewDiagnostics implements CodeOracle {

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
        return fresh.isEmpty() ? Optional.empty() : Optional.of("new kinds of warnings: " + String.join(", ", fresh));
    }
}
