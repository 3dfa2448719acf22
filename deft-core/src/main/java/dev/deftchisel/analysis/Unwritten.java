package dev.deftchisel.analysis;

import dev.deftchisel.added.Added;
import dev.deftchisel.source.MemberSketch;
import java.util.Optional;

/** Where something comes from that does not stand in the text anybody wrote. */
public final class Unwritten {

    private Unwritten() {
    }

    /** The field from which a method or nested type follows that an annotation adds; empty text when it follows from the type. */
    public static Optional<String> field(SymbolKey symbol, String name, Analyst analyst) {
        return analyst.declaring(symbol)
                .filter(file -> file.skeleton().members().stream().noneMatch(member -> member.name().equals(name)
                        && (symbol instanceof SymbolKey.Method || member.kind() != MemberSketch.Kind.METHOD)))
                .map(analyst::added).stream().flatMap(added -> added.members().stream())
                .flatMap(type -> type.members().stream())
                .filter(one -> one.name().equals(name) && !one.role().equals("constructor"))
                .map(Added::field).findFirst();
    }

    /** The same for anything, in a few words; empty for what is written. */
    public static Optional<String> origin(Symbol symbol, Analyst analyst) {
        boolean isMade = analyst.declaring(symbol.key()).filter(file -> file.root().isProcessed()).isPresent();
        return isMade ? Optional.of("made by an annotation processor")
                : symbol.kind().isLocal() ? Optional.empty() : field(symbol.key(), symbol.name(), analyst)
                .map(field -> field.isEmpty() ? "added by an annotation" : "added by an annotation for the field '" + field + "'");
    }
}
