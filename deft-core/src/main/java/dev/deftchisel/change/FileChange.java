package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * What happens to one file.
 *
 * @param path   absolute
 * @param target where the file goes, when it moves
 * @param before its text when the change was planned
 * @param edits  in order; those that are taken do not overlap
 * @param fate   whether the file comes to be by this, or goes
 */
public record FileChange(Path path, Optional<Path> target, SourceText before, List<Edit> edits, Fate fate) {

    /** What becomes of a file. */
    public enum Fate {
        STAYS,
        /** Its text before is empty, and nothing may stand at its path. */
        COMES,
        /** Its text afterwards is empty, and nothing is at its path. */
        GOES
    }

    /** Sorts the edits. */
    public FileChange {
        edits = edits.stream().sorted().toList();
    }

    /** The change to a file that is there. */
    public FileChange(Path path, Optional<Path> target, SourceText before, List<Edit> edits) {
        this(path, target, before, edits, Fate.STAYS);
    }

    /**
     * A file that is not there yet.
     *
     * @param path    absolute, with the folder that its package asks for
     * @param charset in which it is written
     * @param content all of it
     */
    public static FileChange created(Path path, Charset charset, String content) {
        return created(path, charset, Edit.of(new Range(0, 0), content, Edit.Kind.CODE));
    }

    /** The same from an edit that writes all of it at the start of nothing. */
    public static FileChange created(Path path, Charset charset, Edit content) {
        return new FileChange(path, Optional.empty(), new SourceText("", charset, false, true), List.of(content),
                Fate.COMES);
    }

    /** The same for a file in which nothing is left. */
    public FileChange removed() {
        return new FileChange(path, target, before, List.of(Edit.of(new Range(0, before.content().length()), "",
                Edit.Kind.CODE)), Fate.GOES);
    }

    /** Whether the file comes to be by this. */
    public boolean isNew() {
        return fate == Fate.COMES;
    }

    /** Whether the file is not there any more afterwards. */
    public boolean isGone() {
        return fate == Fate.GOES;
    }

    /** Where the file is afterwards. */
    public Path pathAfter() {
        return target.orElse(path);
    }

    /** The edits that take part. */
    public List<Edit> takenEdits() {
        return edits.stream().filter(Edit::isTaken).toList();
    }

    /** Whether anything happens at all. */
    public boolean isEmpty() {
        return target.isEmpty() && takenEdits().isEmpty();
    }

    /**
     * The text after the change.
     *
     * @throws IllegalStateException when edits overlap, which is a fault of the operation that made them
     */
    public SourceText after() {
        StringBuilder text = new StringBuilder();
        String content = before.content();
        int at = 0;
        for (Edit edit : takenEdits()) {
            if (edit.range().start() < at) {
                throw new IllegalStateException("edits overlap in " + path + " at offset " + edit.range().start());
            }
            text.append(content, at, edit.range().start()).append(edit.replacement());
            at = edit.range().end();
        }
        return before.with(text.append(content, at, content.length()).toString());
    }

    /** The same with other edits. */
    public FileChange withEdits(List<Edit> others) {
        return new FileChange(path, target, before, others, fate);
    }
}
