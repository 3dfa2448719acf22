package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Two changes, the second of which goes on where the first ends, as one change of the code before both. What the second
 * carries is followed back to where it stood at first. Neither may rename or move anything.
 */
public final class Composition {

    private final Change first;
    private final Change second;
    /** The text between the two changes, by file, piece by piece. */
    private final Map<Path, List<Piece>> between = new HashMap<>();

    private Composition(Change first, Change second) {
        this.first = first;
        this.second = second;
        first.effective().forEach(file -> between.put(file.path(), pieces(file)));
    }

    /**
     * Both as one.
     *
     * @param second planned on the text after the first
     */
    public static Change of(Change first, Change second) {
        return new Composition(first, second).change();
    }

    /**
     * A stretch of text and where it came from.
     *
     * @param text   the stretch
     * @param file   of which it is code; empty when it was written anew
     * @param origin where it started there
     * @param stays  whether it was never moved
     */
    private record Piece(String text, Optional<Path> file, int origin, boolean stays) {

        Piece part(int from, int to) {
            return new Piece(text.substring(from, to), file, origin + from, stays);
        }

        Piece carried() {
            return new Piece(text, file, origin, false);
        }
    }

    /** The text of a file after its edits. */
    private static List<Piece> pieces(FileChange file) {
        List<Piece> pieces = new ArrayList<>();
        String content = file.before().content();
        int at = 0;
        for (Edit edit : file.takenEdits()) {
            add(pieces, new Piece(content.substring(at, edit.range().start()), Optional.of(file.path()), at, true));
            written(edit, piece -> List.of(new Piece(piece.text(), piece.file(), piece.origin(), false)), pieces);
            at = edit.range().end();
        }
        add(pieces, new Piece(content.substring(at), Optional.of(file.path()), at, true));
        return pieces;
    }

    private static void add(List<Piece> pieces, Piece piece) {
        if (!piece.text().isEmpty()) {
            pieces.add(piece);
        }
    }

    /** What an edit writes; where its carried code came from is asked. */
    private static void written(Edit edit, Function<Piece, List<Piece>> source, List<Piece> pieces) {
        int at = 0;
        for (MovedCode carried : edit.carried().stream().sorted(Comparator.comparing(MovedCode::at)).toList()) {
            add(pieces, new Piece(edit.replacement().substring(at, carried.at()), Optional.empty(), 0, false));
            int end = carried.at() + carried.from().length();
            source.apply(new Piece(edit.replacement().substring(carried.at(), end), Optional.of(carried.file()),
                    carried.from().start(), false)).forEach(piece -> add(pieces, piece));
            at = end;
        }
        add(pieces, new Piece(edit.replacement().substring(at), Optional.empty(), 0, false));
    }

    private Change change() {
        Map<Path, FileChange> files = new LinkedHashMap<>();
        first.files().forEach(file -> files.put(file.path(), file));
        for (FileChange file : second.effective()) {
            FileChange known = files.get(file.path());
            files.put(file.path(), known == null ? file.withEdits(edits(file))
                    : known.withEdits(edits(file)));
        }
        List<String> notes = new ArrayList<>(first.notes());
        second.notes().stream().filter(note -> !notes.contains(note)).forEach(notes::add);
        return new Change(first.title(), List.copyOf(files.values()), first.meaning().and(second.meaning()), notes);
    }

    /** Pieces of the text between the changes. */
    private List<Piece> between(Path file, String content, Range range) {
        List<Piece> found = new ArrayList<>();
        int at = 0;
        for (Piece piece : between.getOrDefault(file, List.of(new Piece(content, Optional.of(file), 0, true)))) {
            int from = Math.max(range.start(), at);
            int to = Math.min(range.end(), at + piece.text().length());
            if (from < to) {
                found.add(piece.part(from - at, to - at));
            }
            at += piece.text().length();
        }
        return found;
    }

    private String contentBetween(Path file) {
        return second.file(file).map(change -> change.before().content())
                .or(() -> first.file(file).map(change -> change.after().content())).orElse("");
    }

    private List<Edit> edits(FileChange file) {
        String content = file.before().content();
        List<Piece> after = new ArrayList<>();
        int at = 0;
        for (Edit edit : file.takenEdits()) {
            after.addAll(between(file.path(), content, new Range(at, edit.range().start())));
            written(edit, this::origins, after);
            at = edit.range().end();
        }
        after.addAll(between(file.path(), content, new Range(at, content.length())));
        String before = first.file(file.path()).map(FileChange::before).orElse(file.before()).content();
        return gaps(file, after, before);
    }

    /** Where a piece that the second change carries stood before the first. */
    private List<Piece> origins(Piece carried) {
        Path file = carried.file().orElseThrow();
        Range range = new Range(carried.origin(), carried.origin() + carried.text().length());
        List<Piece> found = between(file, contentBetween(file), range).stream().map(Piece::carried).toList();
        return found.isEmpty() ? List.of(carried) : found;
    }

    /** An edit for each stretch between pieces that stay. */
    private List<Edit> gaps(FileChange file, List<Piece> after, String before) {
        List<Edit> edits = new ArrayList<>();
        List<Piece> written = new ArrayList<>();
        int at = 0;
        for (Piece piece : after) {
            if (piece.stays()) {
                gap(file, new Range(at, piece.origin()), written).ifPresent(edits::add);
                written.clear();
                at = piece.origin() + piece.text().length();
            } else {
                written.add(piece);
            }
        }
        gap(file, new Range(at, before.length()), written).ifPresent(edits::add);
        return edits;
    }

    private Optional<Edit> gap(FileChange file, Range range, List<Piece> written) {
        if (range.length() == 0 && written.isEmpty()) {
            return Optional.empty();
        }
        StringBuilder text = new StringBuilder();
        List<MovedCode> carried = new ArrayList<>();
        for (Piece piece : written) {
            piece.file().ifPresent(from -> carried.add(new MovedCode(from,
                    new Range(piece.origin(), piece.origin() + piece.text().length()), text.length())));
            text.append(piece.text());
        }
        List<Edit> parts = parts(file.path(), range);
        boolean isImport = carried.isEmpty() && (text.isEmpty() ? !parts.isEmpty()
                && parts.stream().allMatch(edit -> edit.kind() == Edit.Kind.IMPORT)
                : text.toString().matches("(\\s*import [^;]+;\\s*)+"));
        List<DuplicateClaim> alike = parts.stream().flatMap(edit -> edit.alike().stream()).toList();
        List<Range> unneeded = new ArrayList<>(parts.stream().flatMap(edit -> edit.unneeded().stream()).toList());
        second.file(file.path()).stream().flatMap(change -> change.takenEdits().stream())
                .flatMap(edit -> edit.unneeded().stream())
                .map(idle -> between(file.path(), file.before().content(), idle))
                .filter(pieces -> pieces.size() == 1 && pieces.get(0).file().equals(Optional.of(file.path())))
                .map(pieces -> new Range(pieces.get(0).origin(), pieces.get(0).origin() + pieces.get(0).text()
                        .length()))
                .filter(range::encloses)
                .forEach(unneeded::add);
        return Optional.of(Edit.of(range, text.toString(), isImport ? Edit.Kind.IMPORT
                : opens(file, range, parts) ? Edit.Kind.ACCESS : Edit.Kind.CODE)
                .carrying(carried).giving(alike).without(unneeded));
    }

    /** Whether one of the changes does nothing else to a stretch than to change who may use a declaration. */
    private boolean opens(FileChange file, Range range, List<Edit> parts) {
        Stream<Range> second = file.takenEdits().stream()
                .filter(edit -> edit.kind() == Edit.Kind.ACCESS)
                .flatMap(edit -> stayed(file, edit.range()).stream());
        Stream<Range> first = parts.stream().filter(edit -> edit.kind() == Edit.Kind.ACCESS).map(Edit::range);
        return Stream.concat(first, second).anyMatch(range::equals);
    }

    /** Where a place of the text between the changes stood at first, if nothing happened to it. */
    private Optional<Range> stayed(FileChange file, Range range) {
        return between(file.path(), file.before().content(), new Range(range.start(), range.end() + 1)).stream()
                .filter(piece -> piece.stays() && piece.text().length() > range.length())
                .map(piece -> new Range(piece.origin(), piece.origin() + range.length()))
                .findFirst();
    }

    /** The edits of the first change that lie in a stretch. */
    private List<Edit> parts(Path file, Range range) {
        return first.file(file).stream().flatMap(change -> change.takenEdits().stream())
                .filter(edit -> range.encloses(edit.range())).toList();
    }
}
