package dev.deftchisel.added;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.Insertion;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What the compiler sees of a file beyond its text, and how places in what it sees become places in the file.
 *
 * @param insertions in the order of their offsets
 * @param members    by the types of the file
 * @param throwing   methods and constructors that may throw what they do not declare
 */
public record Additions(List<Insertion> insertions, List<OfType> members, List<Range> throwing) {

    /** Nothing. */
    public static final Additions NONE = new Additions(List.of(), List.of(), List.of());

    /**
     * The members of a type.
     *
     * @param nestedName names from the top-level type on, joined by dots
     */
    public record OfType(String nestedName, List<Added> members) {

        /** Copies the list. */
        public OfType {
            members = List.copyOf(members);
        }
    }

    /** Sorts the insertions. */
    public Additions {
        insertions = insertions.stream().distinct().sorted(Comparator.comparingInt(Insertion::offset)).toList();
        members = List.copyOf(members);
        throwing = List.copyOf(throwing);
    }

    /** Whether the compiler sees just what stands there. */
    public boolean isEmpty() {
        return insertions.isEmpty() && throwing.isEmpty();
    }

    /**
     * What the compiler sees.
     *
     * @param text the content of the file, or as long
     */
    public String into(String text) {
        StringBuilder whole = new StringBuilder();
        int at = 0;
        for (Insertion insertion : insertions) {
            whole.append(text, at, insertion.offset()).append(insertion.text());
            at = insertion.offset();
        }
        return whole.append(text, at, text.length()).toString();
    }

    /**
     * The place in the file of a place in what the compiler sees; -1 for a place in a member that does not stand in the
     * file.
     */
    public int original(long seen) {
        int added = 0;
        for (Insertion insertion : insertions) {
            long start = (long) insertion.offset() + added;
            if (seen < start) {
                break;
            } else if (seen < start + insertion.text().length()) {
                return insertion.isMember() ? -1 : insertion.offset();
            }
            added += insertion.text().length();
        }
        return (int) (seen - added);
    }

    /** Before which offset of the file a member stands that has a place in what the compiler sees. */
    public int insertionAt(long seen) {
        int added = 0;
        int last = 0;
        for (Insertion insertion : insertions) {
            if (seen < (long) insertion.offset() + added) {
                break;
            }
            last = insertion.offset();
            added += insertion.text().length();
        }
        return last;
    }

    /** The same for the end of something, which lies after its last character. */
    public int originalEnd(long seen) {
        if (seen <= 0) {
            return (int) seen;
        }
        return original(seen - 1) < 0 ? -1 : original(seen - 1) + 1;
    }

    /** All that is added, as text: another one as soon as something else is added. */
    public String fingerprint() {
        return insertions.stream().map(Insertion::text).collect(Collectors.joining(" "));
    }

    /** The members of a type of which the package is known, too. */
    public List<Added> ofQualified(String name) {
        return members.stream().filter(type -> name.equals(type.nestedName()) || name.endsWith("." + type.nestedName()))
                .flatMap(type -> type.members().stream()).toList();
    }

    /** The members of a type. */
    public List<Added> of(String nestedName) {
        return members.stream().filter(type -> type.nestedName().equals(nestedName))
                .flatMap(type -> type.members().stream()).toList();
    }
}
