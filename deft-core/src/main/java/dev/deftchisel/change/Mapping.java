package dev.deftchisel.change;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Says where each place and symbol of the code before a change is found after it. */
public final class Mapping {

    private final SymbolEffects meaning;
    private final Map<Path, FileChange> files = new HashMap<>();
    private final Map<Path, Shifts> shifts = new HashMap<>();
    /** By the file from which code is carried. */
    private final Map<Path, List<Copy>> copies = new HashMap<>();

    /** What one edit carries from one file. */
    private static final class Copy {

        private final Path file;
        private final int start;
        private final List<MovedCode> pieces;
        /** The pieces by where they started; empty when some lie in others. */
        private final NavigableMap<Integer, MovedCode> byStart = new TreeMap<>();

        /**
         * @param file   to which
         * @param start  where the edit's replacement starts
         * @param pieces in order
         */
        Copy(Path file, int start, List<MovedCode> pieces) {
            this.file = file;
            this.start = start;
            this.pieces = pieces;
            int end = 0;
            for (MovedCode piece : pieces.stream().sorted(Comparator.comparing(MovedCode::from)).toList()) {
                if (piece.from().start() < end) {
                    byStart.clear();
                    break;
                }
                byStart.put(piece.from().start(), piece);
                end = piece.from().end();
            }
        }

        /** Where a stretch of code stands that lies in one piece, or starts in one and ends in another. */
        Optional<Range> place(Range range) {
            Optional<MovedCode> first = starting(range.start());
            Optional<MovedCode> last = first.flatMap(piece -> ending(range.end(), piece.at()));
            return last.map(piece -> new Range(
                    start + first.get().placeOf(range.start()), start + piece.placeOf(range.end())));
        }

        private Optional<MovedCode> starting(int offset) {
            return byStart.isEmpty()
                    ? pieces.stream().filter(piece -> piece.from().contains(offset)).findFirst()
                    : Optional.ofNullable(byStart.floorEntry(offset)).map(Map.Entry::getValue)
                            .filter(piece -> piece.from().contains(offset));
        }

        private Optional<MovedCode> ending(int offset, int after) {
            Stream<MovedCode> candidates = byStart.isEmpty() ? pieces.stream()
                    : Optional.ofNullable(byStart.lowerEntry(offset)).map(Map.Entry::getValue).stream();
            return candidates.filter(piece -> piece.from().start() < offset && offset <= piece.from().end()
                    && piece.at() >= after).findFirst();
        }
    }

    Mapping(Change change) {
        this.meaning = change.meaning();
        for (FileChange file : change.files()) {
            files.put(file.path(), file);
            shifts.put(file.path(), new Shifts(file.takenEdits()));
        }
        for (FileChange file : change.files()) {
            file.takenEdits().stream().filter(edit -> !edit.carried().isEmpty()).forEach(edit -> {
                Map<Path, List<MovedCode>> pieces = edit.carried().stream()
                        .collect(Collectors.groupingBy(MovedCode::file));
                pieces.forEach((from, carried) -> copies.computeIfAbsent(from, path -> new ArrayList<>())
                        .add(new Copy(file.pathAfter(), shifts.get(file.path()).startOf(edit), carried)));
            });
        }
    }

    /** Where the file is afterwards. */
    public Path file(Path before) {
        FileChange change = files.get(before);
        return change == null ? before : change.pathAfter();
    }

    /**
     * Every place where a name is afterwards: where it was, unless something else is written there, and wherever the
     * code around it is carried.
     */
    public List<PlaceAfter> sites(Path before, Range range) {
        List<PlaceAfter> found = new ArrayList<>();
        kept(before, range).ifPresent(place -> found.add(new PlaceAfter(file(before), place)));
        found.addAll(copies(before, range));
        return found;
    }

    /** Every place to which a piece of code is carried, in whatever file. */
    public List<PlaceAfter> copies(Path before, Range range) {
        List<PlaceAfter> found = new ArrayList<>();
        for (Copy copy : copies.getOrDefault(before, List.of())) {
            copy.place(range).ifPresent(place -> found.add(new PlaceAfter(copy.file, place)));
        }
        return found;
    }

    /**
     * Where a name is afterwards: after anything inserted before it, and at the end of an edit that replaces it; where
     * it is carried first when it no longer stands there.
     *
     * @return empty when the name was replaced by something else, or went to another file
     */
    public Optional<Range> name(Path before, Range range) {
        return kept(before, range).or(() -> firstCopy(before, range));
    }

    private Optional<Range> firstCopy(Path before, Range range) {
        return copies(before, range).stream()
                .filter(site -> site.file().equals(file(before)))
                .map(PlaceAfter::range)
                .findFirst();
    }

    /** Where a name stays. */
    private Optional<Range> kept(Path before, Range range) {
        Shifts moved = shifts(before);
        Optional<Edit> around = moved.replacing(range);
        if (around.isEmpty()) {
            int shift = moved.upTo(range.start(), true);
            return Optional.of(new Range(range.start() + shift, range.end() + shift));
        }
        Edit edit = around.get();
        if (!edit.kind().isName() || edit.range().end() != range.end()) {
            return Optional.empty();
        }
        int end = edit.range().start() + moved.upTo(edit.range().start(), false) + edit.replacement().length();
        return Optional.of(new Range(end - edit.nameLength(), end));
    }

    /** Whether new code takes the place of a stretch of code, which is then only found where it is carried. */
    public boolean isReplaced(Path before, Range range) {
        return shifts(before).replacing(range).filter(edit -> edit.kind() == Edit.Kind.CODE).isPresent();
    }

    /** Where a piece of code is afterwards, with whatever was inserted at its start. */
    public Range code(Path before, Range range) {
        Shifts moved = shifts(before);
        Optional<Range> copy = isReplaced(before, range) ? firstCopy(before, range) : Optional.empty();
        if (copy.isPresent()) {
            return copy.get();
        }
        // what goes at the beginning of the text leaves nothing before it
        int start = Math.max(0, moved.after(range.start()));
        int end = moved.after(range.end());
        return new Range(start, Math.max(start, end));
    }

    /** The same in whatever file the code is then. */
    public PlaceAfter codePlace(Path before, Range range) {
        boolean isAway = isReplaced(before, range) && firstCopy(before, range).isEmpty();
        return (isAway ? copies(before, range).stream().findFirst() : Optional.<PlaceAfter>empty())
                .orElseGet(() -> new PlaceAfter(file(before), code(before, range)));
    }

    /**
     * Where the replacement of an edit stands afterwards.
     *
     * @param edit one of the taken edits of the file
     */
    public Range written(Path before, Edit edit) {
        int start = shifts(before).startOf(edit);
        return new Range(start, start + edit.replacement().length());
    }

    /** The offset before the change that an offset after it came from, or the start of the edit it lies in. */
    public int origin(Path before, int after) {
        return shifts(before).origin(after);
    }

    /** The path before the change of a file that is there after it. */
    public Path origin(Path after) {
        return files.values().stream()
                .filter(file -> file.pathAfter().equals(after))
                .map(FileChange::path)
                .findFirst()
                .orElse(after);
    }

    private Shifts shifts(Path before) {
        return shifts.getOrDefault(before, Shifts.NONE);
    }

    /** What the symbol's key is afterwards. */
    public SymbolKey key(SymbolKey before) {
        if (before instanceof SymbolKey.TypeParameter parameter) {
            return new SymbolKey.TypeParameter(key(parameter.owner()), parameter.index());
        } else if (before instanceof SymbolKey.Field field && isInBody(field.owner())) {
            return new SymbolKey.Field(key(field.owner()), meaning.names().getOrDefault(field, field.name()));
        } else if (before instanceof SymbolKey.Method method && isInBody(method.owner())) {
            SymbolKey.Method plain = (SymbolKey.Method) meaning.symbols().key(before);
            return new SymbolKey.Method(key(method.owner()), plain.name(), plain.descriptor());
        } else if (before instanceof SymbolKey.Local local) {
            PlaceAfter place = place(local.file(), local.offset());
            return new SymbolKey.Local(place.file(), place.range().start());
        } else if (before instanceof SymbolKey.LocalType local) {
            PlaceAfter place = place(local.file(), local.offset());
            return new SymbolKey.LocalType(place.file(), place.range().start());
        }
        return meaning.symbols().key(before);
    }

    private static boolean isInBody(SymbolKey owner) {
        return owner instanceof SymbolKey.LocalType;
    }

    /** Where the declaration of a name is: in its file, or where it is carried when it does not stay there. */
    private PlaceAfter place(Path file, int offset) {
        Range name = new Range(offset, offset + 1);
        boolean isAway = kept(file, name).isEmpty() && firstCopy(file, name).isEmpty()
                && shifts(file).replacing(name).flatMap(edit -> name(file, edit.range())).isEmpty();
        Optional<PlaceAfter> copy = isAway ? copies(file, name).stream().findFirst() : Optional.empty();
        return copy.orElseGet(() -> {
            int start = offset(file, offset);
            return new PlaceAfter(file(file), new Range(start, start));
        });
    }

    private int offset(Path file, int before) {
        return name(file, new Range(before, before + 1))
                .map(Range::start)
                .orElseGet(() -> nameStart(file, before));
    }

    /** The start of a declared name of several characters that an edit replaces as a whole. */
    private int nameStart(Path file, int before) {
        return shifts(file).replacing(new Range(before, before + 1))
                .flatMap(edit -> name(file, edit.range()))
                .map(Range::start)
                .orElse(before);
    }

    /** The keys that the symbols have afterwards which get another name or owner, or other parameters. */
    public Set<SymbolKey> renamed() {
        return Stream.of(meaning.names(), meaning.signatures(), meaning.owners())
                .flatMap(said -> said.keySet().stream()).map(this::key).collect(Collectors.toSet());
    }

    /** What a descriptor reads afterwards. */
    public String descriptor(String before) {
        return meaning.descriptor(before);
    }
}
