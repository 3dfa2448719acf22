package dev.deftchisel.signature.written;

import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;

/**
 * What is written in place of stretches of a file, of which one may stand within another: a call among the arguments of
 * a call of the same method, or a new name in an argument that goes to another place.
 */
public final class NestedEdits {

    private final SourceFile file;
    /** By where they begin, the longer ones first, and of two at one place the list before the name that it is. */
    private final SortedMap<Stretch, Piece> pieces = new TreeMap<>();
    /** The names of new variables by the member in which they are declared. */
    private final Map<Range, Set<String>> variables = new HashMap<>();

    /** Of pieces at the very same place, which is within which. */
    private enum Level { AROUND, WITHIN, NAME }

    /** Where a piece stands. */
    private record Stretch(Range range, Level level) implements Comparable<Stretch> {

        @Override
        public int compareTo(Stretch other) {
            int byStart = Integer.compare(range.start(), other.range.start());
            // what is inserted comes before all that begins there
            int byKind = Boolean.compare(other.range.length() == 0, range.length() == 0);
            int byEnd = byKind != 0 ? byKind : Integer.compare(other.range.end(), range.end());
            int byPlace = byStart != 0 ? byStart : byEnd;
            return byPlace != 0 ? byPlace : level.compareTo(other.level);
        }
    }

    /**
     * Something written in place of a stretch.
     *
     * @param kind     of the edit that it is where nothing is around it
     * @param name     the new name, where it is one
     * @param unneeded what of the stretch is left out, since nobody notices
     * @param writer   of the new code
     */
    private record Piece(Edit.Kind kind, Optional<String> name, List<Range> unneeded, Consumer<NewCode> writer) {
    }

    public NestedEdits(SourceFile file) {
        this.file = file;
    }

    /** The new variables of a member so far. */
    public Set<String> variables(Range member) {
        return Set.copyOf(variables.getOrDefault(member, Set.of()));
    }

    /** A variable is declared in a member. */
    public void declaring(Range member, String name) {
        variables.computeIfAbsent(member, range -> new HashSet<>()).add(name);
    }

    /** A name becomes another where it is written. */
    public void rename(Binding use, String newName) {
        Edit.Kind kind = switch (use.role()) {
            case DECLARATION -> Edit.Kind.DECLARATION;
            case DOC -> Edit.Kind.DOCUMENTATION;
            default -> Edit.Kind.REFERENCE;
        };
        pieces.putIfAbsent(new Stretch(use.range(), Level.NAME), new Piece(kind, Optional.of(newName), List.of(),
                to -> to.renamed(use.range(), newName)));
    }

    /** A name that was left out is written before what it means. */
    public void qualify(int at, String qualifier) {
        Range here = new Range(at, at);
        pieces.putIfAbsent(new Stretch(here, Level.NAME), new Piece(Edit.Kind.QUALIFIER, Optional.of(qualifier),
                List.of(), to -> to.write(qualifier)));
    }

    /**
     * Code is written anew; what is carried goes through {@link #carry}.
     *
     * @param unneeded what of it is left out, since nobody notices that it is not evaluated
     */
    public void replace(Range range, List<Range> unneeded, Consumer<NewCode> writer) {
        pieces.put(new Stretch(range, Level.AROUND), new Piece(Edit.Kind.CODE, Optional.empty(), unneeded, writer));
    }

    /**
     * Code is written anew, also where all of it goes elsewhere.
     *
     * @param ahead what is written before the code, or instead of it
     * @param stays whether the code itself stays
     */
    public void say(Range range, String ahead, boolean stays) {
        pieces.put(new Stretch(range, Level.WITHIN), new Piece(Edit.Kind.CODE, Optional.empty(), List.of(), text -> {
            text.write(ahead);
            if (stays) {
                text.from(file).carry(range);
            }
        }));
    }

    /** Carries code in which other pieces may stand; a list of which it is all is no such piece. */
    public void carry(NewCode to, Range code) {
        carry(to, code, "", "");
    }

    /** Carries code whose further lines get another indentation. */
    public void carry(NewCode to, Range code, String oldIndent, String newIndent) {
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
        int end = code.start();
        for (SortedMap.Entry<Stretch, Piece> piece : pieces.entrySet()) {
            Range range = piece.getKey().range();
            boolean isAround = piece.getKey().level() == Level.AROUND && range.equals(code);
            if (code.encloses(range) && range.start() >= end && !isAround) {
                instead.put(range, piece.getValue().writer());
                end = range.end();
            }
        }
        to.from(file).carry(code, oldIndent, newIndent, instead);
    }

    private List<Range> unneeded(Range within) {
        List<Range> found = new ArrayList<>();
        pieces.forEach((stretch, piece) -> {
            if (within.encloses(stretch.range())) {
                found.addAll(piece.unneeded());
            }
        });
        return found;
    }

    /** One edit for each piece around which there is no other. */
    public List<Edit> edits() {
        List<Edit> edits = new ArrayList<>();
        int end = 0;
        for (SortedMap.Entry<Stretch, Piece> entry : pieces.entrySet()) {
            Range range = entry.getKey().range();
            if (range.start() >= end) {
                edits.add(edit(range, entry.getValue()));
                end = range.end();
            }
        }
        return edits;
    }

    private Edit edit(Range range, Piece piece) {
        if (piece.name().isPresent()) {
            return Edit.of(range, piece.name().get(), piece.kind());
        }
        NewCode text = new NewCode(file);
        piece.writer().accept(text);
        return text.replacing(range).without(unneeded(range));
    }
}
