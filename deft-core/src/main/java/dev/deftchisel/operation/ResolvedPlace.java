package dev.deftchisel.operation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;

/**
 * A place together with what the code there means; computed once for all operations that are asked.
 *
 * @param place    the place
 * @param file     its file
 * @param analysis in which at least the bodies around the place are attributed
 */
public record ResolvedPlace(Place place, SourceFile file, Analysis analysis) {

    /** The named bindings at the caret; several when a static import names several members. */
    public List<Binding> bindings() {
        return analysis.at(file.path(), place.caret());
    }

    /** Whether a name is the one at the caret. */
    public boolean isAt(Binding name) {
        return name.file().equals(file.path()) && name.range().touches(place.caret());
    }

    /** Where what is named at the caret is declared, if that is in the same file. */
    public Optional<Binding> declaration() {
        return bindings().stream().findFirst().flatMap(binding -> analysis.declaration(binding.key()))
                .filter(declared -> declared.file().equals(file.path()));
    }

    /** The symbol that is named or declared at the caret. */
    public Optional<Symbol> symbol() {
        return bindings().stream()
                .map(binding -> analysis.symbol(binding.key()))
                .flatMap(Optional::stream)
                .findFirst();
    }
}
