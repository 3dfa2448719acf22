package dev.deftchisel.change;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Says where each place and symbol of the code before a change is found after it. */
public final class Mapping {

    private final SymbolEffects meaning;
    private final Map<Path, FileChange> files = new HashMap<>();
    private final Map<Path, Shifts> shifts = new HashMap<>();
    /** By the file from which code is carried. */
    private final Map<Path, List<Copy>> copies = new HashMap<>();

    /**
     * What one edit carries from one file.
     *
     * @param file   to which
     * @param start  where the edit's replacement starts
     * @param pieces in order
     */
    private record Copy(Path file, int start, List<MovedCode> pieces) {

        /** Where a stretch of code stands that lies in one piece, or starts in one and ends in another. */
        Optional<Range> place(Range range) {
            Optional<MovedCode> first = pieces.stream().filter(piece -> piece.from().contains(range.start()))
                    .findFirst();
            Optional<MovedCode> last = pieces.stream()
                    .filter(piece -> piece.from().start() < range.end() && range.end() <= piece.from().end())
                    .filter(piece -> first.isPresent() && piece.at() >= first.get().at())
                    .findFirst();
            return last.map(piece -> new Range(
                    start + first.get().placeOf(range.start()), start + piece.placeOf(range.end())));
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
            copy.place(range).ifPresent(place -> found.add(new PlaceAfter(copy.file(), place)));
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
        if (before instanceof SymbolKey.Type type) {
            return new SymbolKey.Type(meaning.binaryName(type.binaryName()));
        } else if (before instanceof SymbolKey.Field field) {
            return new SymbolKey.Field(key(field.owner()), meaning.names().getOrDefault(field, field.name()));
        } else if (before instanceof SymbolKey.Method method) {
            return new SymbolKey.Method(key(method.owner()),
                    meaning.names().getOrDefault(method, method.name()),
                    meaning.descriptor(Optional.ofNullable(meaning.signatures().get(method))
                            .map(NewSignature::descriptor).orElse(method.descriptor())));
        } else if (before instanceof SymbolKey.TypeParameter parameter) {
            return new SymbolKey.TypeParameter(key(parameter.owner()), parameter.index());
        } else if (before instanceof SymbolKey.Local local) {
            return new SymbolKey.Local(file(local.file()), offset(local.file(), local.offset()));
        } else if (before instanceof SymbolKey.LocalType local) {
            return new SymbolKey.LocalType(file(local.file()), offset(local.file(), local.offset()));
        } else if (before instanceof SymbolKey.Package home) {
            return new SymbolKey.Package(meaning.packages().getOrDefault(home.name(), home.name()));
        } else if (before instanceof SymbolKey.Module module) {
            return new SymbolKey.Module(meaning.names().getOrDefault(module, module.name()));
        }
        return before;
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

    /** The keys that the symbols have afterwards which get another name, or other parameters. */
    public Set<SymbolKey> renamed() {
        return Stream.concat(meaning.names().keySet().stream(), meaning.signatures().keySet().stream())
                .map(this::key).collect(Collectors.toSet());
    }

    /** What a descriptor reads afterwards. */
    public String descriptor(String before) {
        return meaning.descriptor(before);
    }
}
