package dev.deftchisel;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.guard.FileGuard;
import dev.deftchisel.guard.Guard;
import dev.deftchisel.operation.Reason;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Puts a change before the guards and turns what they find into an outcome. */
final class ChangeVerifier {

    private final Analyst analyst;

    ChangeVerifier(Analyst analyst) {
        this.analyst = analyst;
    }

    /** What would differ, files first; empty when all is well. */
    List<Difference> differences(Change change, Analysis before) {
        List<Difference> files = new FileGuard(analyst.snapshot().workspace()).check(change);
        return files.isEmpty() ? new Guard(analyst).check(before, change) : files;
    }

    Outcome judge(Change change, Analysis before) {
        return outcome(change, before, differences(change, before));
    }

    Outcome outcome(Change change, Analysis before, List<Difference> differences) {
        List<Difference> blocking = differences.stream().filter(Difference::isBlocking).toList();
        if (!blocking.isEmpty()) {
            return new Outcome.Refusal(
                    causes(change, before, blocking).stream().map(this::reason).distinct().toList(), change.notes());
        }
        Change noted = change;
        for (Difference difference : differences) {
            noted = noted.note(where(difference) + ": " + difference.sentence());
        }
        return new Outcome.Preview(noted, before);
    }

    /**
     * The differences that say why: where a name means a symbol that the change renames, or no longer does, and what is
     * wrong at a declared name. All others follow from these, and are told only when there are none.
     */
    private static List<Difference> causes(Change change, Analysis before, List<Difference> blocking) {
        Set<SymbolKey> after = change.mapping().renamed();
        List<Difference> causes = blocking.stream()
                .filter(difference -> switch (difference.kind()) {
                    case BINDING -> difference.actual().filter(after::contains).isPresent()
                            || difference.expected().filter(change.meaning().names()::containsKey).isPresent();
                    case ERROR -> before.bindings(difference.file()).stream()
                            .anyMatch(binding -> binding.role() == Role.DECLARATION
                                    && binding.range().start() == difference.range().start());
                    default -> difference.kind() != Difference.Kind.TYPE;
                })
                .toList();
        return causes.isEmpty() ? blocking : causes;
    }

    private Reason reason(Difference difference) {
        boolean hasPlace = !difference.file().equals(analyst.snapshot().workspace().root());
        return new Reason(hasPlace ? Optional.of(difference.file()) : Optional.empty(),
                difference.range(), difference.sentence());
    }

    private String where(Difference difference) {
        String path = analyst.snapshot().workspace().show(difference.file());
        return analyst.snapshot().file(difference.file())
                .map(file -> path + ":" + file.position(difference.range().start()))
                .orElse(path);
    }
}
