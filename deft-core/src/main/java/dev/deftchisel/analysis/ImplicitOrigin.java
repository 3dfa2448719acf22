package dev.deftchisel.analysis;

import dev.deftchisel.added.Added;
import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.Optional;
import java.util.regex.Pattern;

/** Where something comes from that does not stand in the text anybody wrote. */
public final class ImplicitOrigin {

    private ImplicitOrigin() {
    }

    /**
     * The field from which a method or nested type follows that an annotation adds; empty text when it follows from the
     * type.
     */
    public static Optional<String> field(SymbolKey symbol, String name, Analyst analyst) {
        return analyst.declaring(symbol)
                .filter(file -> file.outline().members().stream().noneMatch(member -> member.name().equals(name)
                        && (symbol instanceof SymbolKey.Method || member.kind() != MemberOutline.Kind.METHOD)))
                .map(analyst::added).stream().flatMap(added -> added.members().stream())
                .flatMap(type -> type.members().stream())
                .filter(one -> one.name().equals(name) && !one.role().equals("constructor"))
                .map(Added::field).findFirst();
    }

    /**
     * Whether a member that an annotation adds gives a field a value; of one of which only a class file tells, that is
     * supposed.
     *
     * @param declaring the file in which the field is declared
     */
    static boolean isAssigned(SymbolKey.Field field, SourceFile declaring, AdditionsReader additions) {
        Pattern assignment = Pattern.compile("\\." + Pattern.quote(field.name()) + " = ");
        return field.owner() instanceof SymbolKey.Type owner && additions.of(declaring)
                .ofQualified(owner.binaryName().replace('$', '.')).stream()
                .anyMatch(one -> one.isBuilt() || assignment.matcher(one.text()).find());
    }

    /**
     * From what a member follows that an annotation adds to a type and that no code uses, in a few words; empty when
     * there is none.
     *
     * @param file     in which the type is
     * @param typeName its qualified name
     * @param member   the name of the member
     */
    public static Optional<String> unused(SourceFile file, String typeName, String member, Analyst analyst) {
        return analyst.added(file).ofQualified(typeName).stream()
                .filter(one -> one.name().equals(member) && one.owner().isEmpty()).findFirst()
                .map(one -> "it gets it by an annotation"
                        + (one.field().isEmpty() ? "" : " for " + typeName + "#" + one.field()) + "; nothing uses it");
    }

    /** The same for anything, in a few words; empty for what is written. */
    public static Optional<String> origin(Symbol symbol, Analyst analyst) {
        boolean isMade = analyst.declaring(symbol.key()).filter(file -> file.root().isProcessed()).isPresent();
        if (isMade) {
            return Optional.of("made by an annotation processor");
        }
        return symbol.kind().isLocal() ? Optional.empty() : field(symbol.key(), symbol.name(), analyst)
                .map(field -> field.isEmpty() ? "added by an annotation" : "added by an annotation for the field '"
                        + field + "'");
    }
}
