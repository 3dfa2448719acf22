package dev.deftchisel.analysis;

import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Modifier;

/** The files in which a symbol may be used: few enough to have the compiler look at all of them. */
public final class UsingFiles {

    /** So few files are looked at sooner than it is found out which of them matter. */
    private static final int FEW = 100;

    private UsingFiles() {
    }

    /**
     * The files.
     *
     * @param words one of which stands in each of them, see {@link SearchWords}
     * @param here  knows the symbol
     */
    public static Set<Path> of(Symbol symbol, Set<String> words, Analysis here, Analyst analyst) {
        Optional<SourceFile> declaring = analyst.declaring(symbol.key());
        boolean isHidden = symbol.isPrivate() && symbol.kind() != SymbolKind.RECORD_COMPONENT;
        if (isHidden && declaring.isPresent()) {
            return Set.of(declaring.get().path());
        }
        Set<Path> mentioning = analyst.snapshot().pathsMentioning(words);
        boolean isMember = symbol.kind() == SymbolKind.METHOD || symbol.kind() == SymbolKind.FIELD
                || symbol.kind() == SymbolKind.ENUM_CONSTANT;
        if (mentioning.size() <= FEW || !isMember || declaring.isEmpty() || isOfLibrary(symbol, here)) {
            return mentioning;
        }
        return symbol.owner().flatMap(here::symbol)
                .filter(owner -> owner.key() instanceof SymbolKey.Type)
                .flatMap(owner -> ReceiverNames.of(owner.name(), symbol.name(), analyst))
                .map(receivers -> naming(receivers, mentioning, analyst))
                .filter(few -> few.size() < mentioning.size() && !isOfLibrary(symbol, few, words, analyst))
                .orElse(mentioning);
    }

    private static Set<Path> naming(Set<String> receivers, Set<Path> mentioning, Analyst analyst) {
        return mentioning.parallelStream().filter(path -> {
            SourceFile file = analyst.snapshot().source(path);
            return Words.isAnyAmong(receivers, file.content());
        }).collect(Collectors.toSet());
    }

    private static boolean isOfLibrary(Symbol symbol, Set<Path> files, Set<String> words, Analyst analyst) {
        return symbol.kind() == SymbolKind.METHOD && !symbol.modifiers().contains(Modifier.STATIC)
                && isOfLibrary(symbol, analyst.analyse(Focus.on(files, words)));
    }

    /** What a library declares is called on objects of which nothing here need be named. */
    private static boolean isOfLibrary(Symbol symbol, Analysis analysis) {
        return Family.of(symbol, analysis).stream()
                .anyMatch(key -> analysis.symbol(key).filter(known -> !known.isSource()).isPresent());
    }
}
