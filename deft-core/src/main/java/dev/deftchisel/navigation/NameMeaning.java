package dev.deftchisel.navigation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * What a name stands for, for those who colour it.
 *
 * @param range  of the name
 * @param symbol what it means
 * @param role   what it does there
 */
public record NameMeaning(Range range, Symbol symbol, Role role) {

    /** All names of a file that mean something, in order, each once. */
    public static List<NameMeaning> in(Analysis analysis, Path file) {
        List<NameMeaning> all = new ArrayList<>();
        int end = 0;
        for (Binding binding : analysis.bindings(file)) {
            boolean isNew = binding.isNamed() && binding.range().start() >= end && binding.range().length() > 0;
            if (isNew) {
                int before = all.size();
                analysis.symbol(binding.key()).ifPresent(symbol ->
                        all.add(new NameMeaning(binding.range(), symbol, binding.role())));
                end = all.size() > before ? binding.range().end() : end;
            }
        }
        return List.copyOf(all);
    }
}
