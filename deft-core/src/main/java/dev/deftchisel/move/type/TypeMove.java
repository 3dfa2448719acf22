package dev.deftchisel.move.type;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.move.access.MovedModifiers;
import dev.deftchisel.move.access.NeededAccess;
import dev.deftchisel.move.access.PermittedSubtypes;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.FileGoal;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.move.name.MovedMentions;
import dev.deftchisel.move.name.MovedTypeUses;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rename.mention.Mentions;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Opening;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Types that move with their text, from files or types to others. */
public final class TypeMove {

    private final Analyst analyst;
    private final Analysis before;
    private final Moves moves;
    private final EditsByFile edits;
    private final SymbolEffects effects;
    private final List<String> notes = new ArrayList<>();

    private TypeMove(Analyst analyst, Analysis before, Moves moves) {
        this.analyst = analyst;
        this.before = before;
        this.moves = moves;
        this.edits = new EditsByFile(before);
        this.effects = new SymbolEffects(moves.map());
    }

    /**
     * How a move is done.
     *
     * @param opens    whether what would be out of reach is opened
     * @param mentions which mentions of qualified names in text are taken
     */
    public record Manner(boolean opens, Mentions.Choice mentions) {
    }

    /**
     * The change that moves one type, or what is in the way.
     *
     * @param destination where it goes
     */
    public static Plan plan(Analyst analyst, SymbolKey.Type type, Destination destination, Manner manner) {
        return plan(analyst, Map.of(type, destination), found -> found.isEmpty()
                ? new Moves(List.of(), Map.of()) : Moves.of(found.get(0)), "", manner);
    }

    /**
     * The change that moves files as a whole, or what is in the way.
     *
     * @param types each top-level type of the files, with where it goes
     * @param files what becomes of each file
     * @param title what is done
     */
    public static Plan plan(Analyst analyst, Map<SymbolKey.Type, Destination> types,
            Map<Path, FileGoal> files, String title, Manner manner) {
        return plan(analyst, types, found -> new Moves(found, files), title, manner);
    }

    private static Plan plan(Analyst analyst, Map<SymbolKey.Type, Destination> types,
            Function<List<MovedType>, Moves> whole, String title, Manner manner) {
        Analysis first = analyst.analyse(MoveSearch.focus(analyst, types));
        Analysis before = manner.opens() ? withOverrides(analyst, first, whole.apply(found(first, types))) : first;
        List<MovedType> found = found(before, types);
        if (found.size() < types.size()) {
            return Plan.refused("the declaration of what is to move does not stand in the code");
        }
        Moves moves = whole.apply(found);
        List<Reason> obstacles = found.stream().flatMap(type -> new MoveObstacles(analyst, before, type).first()
                .stream()).toList();
        TypeMove move = new TypeMove(analyst, before, moves);
        return obstacles.isEmpty() ? move.plan(title.isEmpty() ? move.title(found.get(0)) : title, manner)
                : new Plan.Refused(obstacles);
    }

    private static List<MovedType> found(Analysis before, Map<SymbolKey.Type, Destination> types) {
        return types.entrySet().stream().flatMap(type -> MovedType.of(before, type.getKey(), type.getValue())
                .stream()).toList();
    }

    /** The same analysis with all files that may override what must be opened. */
    private static Analysis withOverrides(Analyst analyst, Analysis before, Moves moves) {
        Set<String> names = new NeededAccess(before, moves).all().keySet().stream()
                .flatMap(key -> before.symbol(key).stream())
                .filter(symbol -> symbol.kind() == SymbolKind.METHOD && !symbol.isStatic() && !symbol.isPrivate())
                .map(Symbol::name).collect(Collectors.toSet());
        return names.isEmpty() ? before : analyst.analyse(before.focus().andNames(names)
                .andFiles(analyst.snapshot().pathsMentioning(names)));
    }

    private Plan plan(String title, Manner manner) {
        Map<SymbolKey, NeededAccess.Need> needs = new NeededAccess(before, moves).all();
        Opening opening = new Opening(before);
        List<Reason> closed = new ArrayList<>();
        needs.forEach((key, need) -> {
            Optional<MovedType> own = moves.types().stream().filter(type -> type.key().equals(key)).findFirst();
            boolean comesOpen = own.filter(type -> access(type, AccessLevel.PRIVATE).compareTo(need.level()) >= 0)
                    .isPresent();
            if (!comesOpen && !manner.opens()) {
                closed.add(closed(key, need));
            } else if (own.isEmpty()) {
                opening.open(key, need.level()).map(why -> Reason.at(need.use().file(), need.use().range(),
                        described(key) + " is used here and would be out of reach, but " + why)).ifPresent(closed::add);
            }
        });
        if (!closed.isEmpty()) {
            return new Plan.Refused(closed);
        }
        overrides(needs, opening);
        Set<SymbolKey> opened = new HashSet<>(opening.opened());
        opening.write(edits);
        moves.types().stream().map(MovedType::code).map(code -> code.file().path()).distinct()
                .forEach(path -> edits.of(path).addAll(new PermittedSubtypes(moves, before.code(path).orElseThrow())
                        .edits()));
        for (MovedType moved : moves.types()) {
            AccessLevel access = access(moved, Optional.ofNullable(needs.get(moved.key()))
                    .map(NeededAccess.Need::level).orElse(AccessLevel.PRIVATE));
            if (access.compareTo(today(moved)) > 0) {
                opened.add(moved.key());
            }
            new MovedTypeUses(before, moves, moved, edits).write();
            // what an interface has is open to all, and static, without saying so (JLS 9.5)
            boolean isOfInterface = isOfInterface(moved);
            edits.of(moved.file().path()).addAll(new MovedModifiers(moved).edits(
                    isOfInterface ? AccessLevel.PACKAGE : access,
                    moved.destination() instanceof Destination.Member && !isOfInterface));
            notes.addAll(MoveNotes.of(before, moved));
        }
        notes.addAll(opening.notes());
        return ready(title, opened, new MovedMentions(before.snapshot(), moves, manner.mentions()));
    }

    /** What overrides a method is at least as open as that (JLS 8.4.8.3). */
    private void overrides(Map<SymbolKey, NeededAccess.Need> needs, Opening opening) {
        needs.forEach((key, need) -> before.symbol(key).filter(symbol -> symbol.kind() == SymbolKind.METHOD
                        && !symbol.isStatic() && !symbol.isPrivate()).ifPresent(symbol -> Family.of(symbol, before)
                .stream().filter(other -> !other.equals(key) && before.symbol(other).filter(one -> one.isSource()
                        && AccessLevel.of(one.modifiers()).compareTo(need.level()) < 0).isPresent())
                .forEach(other -> opening.open(other, need.level()))));
    }

    private Plan ready(String title, Set<SymbolKey> opened, MovedMentions text) {
        text.addTo(edits);
        List<FileChange> created = new ArrayList<>();
        List<MovedText> texts = moves.types().stream()
                .map(type -> new MovedText(analyst, before, moves, type, edits)).toList();
        texts.forEach(one -> one.write().ifPresent(created::add));
        WholeFiles whole = new WholeFiles(before, moves, edits);
        whole.write();
        Set<Path> gone = texts.stream().filter(MovedText::leavesNothing).map(MovedText::file)
                .collect(Collectors.toSet());
        Change planned = edits.change(title, effects.opening(opened), notes.stream().distinct().toList());
        Change change = whole.moved(new Change(planned.title(), planned.files().stream()
                .map(file -> gone.contains(file.path()) ? file.removed() : file).toList(), planned.meaning(),
                planned.notes()));
        created.addAll(text.inOtherFiles());
        for (FileChange file : created) {
            change = change.creating(file);
        }
        return new Plan.Ready(change, Opening.widened(analyst, before, change));
    }

    private Reason closed(SymbolKey key, NeededAccess.Need need) {
        return Reason.at(need.use().file(), need.use().range(), described(key) + " is used here and would be out of "
                + "reach; access 'open' would open it to " + need.level().words());
    }

    private String described(SymbolKey key) {
        return "the " + before.symbol(key).map(Symbol::describe).orElse("declaration");
    }

    private String title(MovedType moved) {
        String what = "move " + described(moved.key());
        if (moved.destination() instanceof Destination.Member member) {
            return what + " into " + member.canonicalName();
        }
        String home = moved.destination().packageName();
        return what + (moved.packageName().equals(home) ? " to a file of its own" : " to the package " + home);
    }

    private boolean isOfInterface(MovedType moved) {
        return moved.destination() instanceof Destination.Member member && before.known(member.outer())
                .filter(known -> known.element().getKind().isInterface()).isPresent();
    }

    private AccessLevel today(MovedType moved) {
        return before.symbol(moved.key()).map(symbol -> AccessLevel.of(symbol.modifiers())).orElseThrow();
    }

    /** A top-level type is open to its package at least; a member of an interface is open to all. */
    private AccessLevel access(MovedType moved, AccessLevel needed) {
        AccessLevel today = today(moved);
        AccessLevel kept = isOfInterface(moved) ? AccessLevel.PUBLIC
                : moved.destination() instanceof Destination.OwnFile && today != AccessLevel.PUBLIC
                ? AccessLevel.PACKAGE : today;
        return kept.compareTo(needed) < 0 ? needed : kept;
    }
}
