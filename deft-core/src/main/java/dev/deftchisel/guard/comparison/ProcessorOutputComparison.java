package dev.deftchisel.guard.comparison;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.ProcessorOutput;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Whether annotation processors make the same of the changed code, but for names: a processor that goes by a name which
 * is gone, such as one that maps properties of the same name, silently makes something else. And whether names in what
 * they make mean the same: the text of a generator names types of the platform by their simple names, which a new name
 * may take.
 */
public final class ProcessorOutputComparison {

    private final Analyst before;
    private final Analyst after;
    private final Change change;

    /**
     * @param before who analyses the code as it is
     * @param after  who analyses it as it would be, with what processors make of it then
     */
    public ProcessorOutputComparison(Analyst before, Analyst after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
    }

    public List<Difference> differences() {
        // where members come and go, something else is wanted; code that uses what is made is compared like any other
        if (change.meaning().names().isEmpty()) {
            return List.of();
        }
        ProcessorOutput remade = ProcessorOutput.of(before.snapshot(), after.snapshot());
        List<Difference> differences = new ArrayList<>();
        for (SourceFile file : remade.others()) {
            differences.add(difference("an annotation processor would make something else of it, not only other names: "
                    + before.snapshot().workspace().show(file.path())));
        }
        Set<String> fresh = new HashSet<>(change.meaning().names().values());
        List<Map.Entry<SourceFile, SourceFile>> named = remade.pairs().entrySet().stream()
                .filter(pair -> pair.getValue().tokens().names().stream().anyMatch(fresh::contains)).toList();
        if (differences.isEmpty() && !named.isEmpty()) {
            Analysis then = before.analyse(Focus.whole(named.stream().map(pair -> pair.getKey().path()).toList()));
            Analysis now = after.analyse(Focus.whole(named.stream().map(pair -> pair.getValue().path()).toList()));
            named.forEach(pair -> compare(then.bindings(pair.getKey().path()), now.bindings(pair.getValue().path()),
                    pair.getKey(), now)
                    .ifPresent(differences::add));
        }
        return differences;
    }

    /** Names stand in the same order, since nothing else in the texts differs. */
    private Optional<Difference> compare(List<Binding> then, List<Binding> now, SourceFile file, Analysis analysis) {
        List<Binding> one = inOrder(then);
        List<Binding> other = inOrder(now);
        for (int i = 0; i < Math.min(one.size(), other.size()); i++) {
            SymbolKey expected = change.mapping().key(one.get(i).key());
            SymbolKey actual = other.get(i).key();
            if (!isLocal(expected) && !expected.equals(actual)) {
                return Optional.of(difference("what an annotation processor makes would not mean the same: '"
                        + analysis.text(other.get(i).file(), other.get(i).range())
                        + "' in " + before.snapshot().workspace().show(file.path()) + analysis.symbol(actual)
                        .map(symbol -> " would mean the "
                        + symbol.describe()).orElse(" would mean something else")));
            }
        }
        return one.size() == other.size() ? Optional.empty()
                : Optional.of(difference("what an annotation processor makes would not mean the same: "
                        + before.snapshot().workspace().show(file.path())));
    }

    private static List<Binding> inOrder(List<Binding> bindings) {
        return bindings.stream().filter(binding -> binding.isNamed() && !(binding.key() instanceof SymbolKey.Unknown))
                .sorted(Comparator.comparingInt((Binding binding) -> binding.range().start())
                        .thenComparingInt(binding -> binding.range().end())).toList();
    }

    private static boolean isLocal(SymbolKey key) {
        return key instanceof SymbolKey.Local || key instanceof SymbolKey.LocalType
                || key instanceof SymbolKey.TypeParameter;
    }

    private Difference difference(String sentence) {
        return new Difference(Difference.Kind.UNPROVEN, change.effective().get(0).path(), new Range(0, 0),
                Optional.empty(), Optional.empty(), sentence);
    }
}
