package dev.deftchisel.guard.comparison;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.change.PlaceAfter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.List;

/** Where what is bound before a change is looked for after it. */
final class Sites {

    private final Analysis after;
    private final Mapping mapping;

    Sites(Analysis after, Mapping mapping) {
        this.after = after;
        this.mapping = mapping;
    }

    /** An implied binding has no name of its own; it is looked for where its code starts. */
    List<PlaceAfter> of(Binding binding) {
        List<PlaceAfter> sites = mapping.sites(binding.file(), binding.range());
        boolean isFound = !sites.isEmpty() || binding.isNamed() || mapping.isReplaced(binding.file(), binding.range());
        List<PlaceAfter> all = isFound ? sites : List.of(new PlaceAfter(mapping.file(binding.file()),
                mapping.code(binding.file(), binding.range())));
        return binding.isNamed() ? all : all.stream().map(this::creation).toList();
    }

    /** Where {@code Berth::new} becomes {@code new Berth()}, the constructor is implied by the word before the name. */
    private PlaceAfter creation(PlaceAfter site) {
        return after.snapshot().file(site.file()).map(file -> {
            Tokens tokens = file.tokens();
            int word = tokens.codeBefore(tokens.at(site.range().start()) - 1);
            return word >= 0 && tokens.is(word, "new") ? new PlaceAfter(site.file(),
                    new Range(tokens.start(word), site.range().end())) : site;
        }).orElse(site);
    }
}
