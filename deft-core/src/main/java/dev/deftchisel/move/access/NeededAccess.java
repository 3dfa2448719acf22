package dev.deftchisel.move.access;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.SymbolEffects.SymbolMap;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.move.name.NamesInFile;
import dev.deftchisel.workspace.SourceFile;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.TypeElement;

/** What can no longer be used from where it is used once a type is elsewhere (JLS 6.6). */
public final class NeededAccess {

    private final Analysis before;
    private final Moves moves;
    private final SymbolMap map;

    public NeededAccess(Analysis before, Moves moves) {
        this.before = before;
        this.moves = moves;
        this.map = moves.map();
    }

    /**
     * Something that must be used from further away.
     *
     * @param level how far it must be open
     * @param use   the first use that needs it
     */
    public record Need(AccessLevel level, Binding use) {
    }

    /** By what is used, in the order of the uses. */
    public Map<SymbolKey, Need> all() {
        Map<SymbolKey, Need> needs = new LinkedHashMap<>();
        for (SourceFile file : before.files()) {
            if (!file.root().isProcessed() && !file.isModuleInfo()) {
                before.bindings(file.path()).forEach(use -> {
                    add(file, use, needs);
                    ownerThatIsWritten(file, use).ifPresent(owner -> add(file, owner, needs));
                });
            }
        }
        return needs;
    }

    private void add(SourceFile file, Binding use, Map<SymbolKey, Need> needs) {
        needed(file, use).ifPresent(level -> needs.merge(use.key(), new Need(level, use), (one, other) ->
                one.level().compareTo(other.level()) < 0 ? new Need(other.level(), one.use()) : one));
    }

    /** What is imported, or a member of a type around, by its simple name, will be written with its type. */
    private Optional<Binding> ownerThatIsWritten(SourceFile file, Binding use) {
        boolean isMember = use.role().isUse() && typeOf(use.key()) != use.key() && moves.goes(file, use.range())
                && before.symbol(use.key()).filter(Symbol::isStatic).isPresent()
                && new NamesInFile(before, file).isSimple(use.range(), false);
        return isMember ? Optional.of(new Binding(use.file(), use.range(), typeOf(use.key()), Role.TYPE, true))
                : Optional.empty();
    }

    private Optional<AccessLevel> needed(SourceFile file, Binding use) {
        boolean isAffected = use.role() != Role.DECLARATION && use.role() != Role.DOC
                && (moves.goes(file, use.range()) || moves.around(typeOf(use.key())).isPresent());
        Optional<Symbol> symbol = isAffected ? before.symbol(use.key()).filter(Symbol::isSource) : Optional.empty();
        if (symbol.isEmpty() || before.declaration(use.key()).isEmpty()) {
            return Optional.empty();
        }
        AccessLevel known = AccessLevel.of(symbol.get().modifiers());
        List<Analysis.Enclosing> around = before.enclosing(file.path(), use.range().start());
        AccessLevel level = level(file, around, typeOf(use.key()));
        boolean isInherited = moves.types().stream().noneMatch(type -> type.key().equals(use.key()))
                && known == AccessLevel.PROTECTED && level == AccessLevel.PUBLIC
                && around.stream().anyMatch(type -> isBelowOwner(type.element(), symbol.get()));
        return known.compareTo(level) >= 0 || isInherited ? Optional.empty() : Optional.of(level);
    }

    private boolean isBelowOwner(TypeElement type, Symbol member) {
        return member.owner().filter(owner -> before.isSubtype(type, owner)).isPresent();
    }

    private AccessLevel level(SourceFile file, List<Analysis.Enclosing> around, SymbolKey owner) {
        Optional<SymbolKey.Type> here = around.stream().map(Analysis.Enclosing::key)
                .filter(SymbolKey.Type.class::isInstance).map(map::key).map(SymbolKey.Type.class::cast).findFirst();
        if (!(map.key(owner) instanceof SymbolKey.Type there)) {
            return AccessLevel.PRIVATE;
        } else if (here.isPresent() && here.get().topLevel().equals(there.topLevel())) {
            return AccessLevel.PRIVATE;
        }
        // what stands outside of all types are imports
        String home = here.map(type -> home(type.topLevel())).orElseGet(() -> moves.packageOf(file));
        return home.equals(home(there.topLevel())) ? AccessLevel.PACKAGE : AccessLevel.PUBLIC;
    }

    private static String home(String topLevel) {
        return topLevel.substring(0, Math.max(0, topLevel.lastIndexOf('.')));
    }

    /** The type that a symbol is, or is a member of. */
    private static SymbolKey typeOf(SymbolKey key) {
        if (key instanceof SymbolKey.Field field) {
            return field.owner();
        }
        return key instanceof SymbolKey.Method method ? method.owner() : key;
    }
}
