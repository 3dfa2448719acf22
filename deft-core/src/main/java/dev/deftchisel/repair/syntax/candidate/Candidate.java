package dev.deftchisel.repair.syntax.candidate;

import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A small change of the text that may be what was meant.
 *
 * @param title what is done, for the user
 * @param cost  how unlikely it is: 0 for what can hardly be anything else
 * @param edits that do not overlap
 */
public record Candidate(String title, int cost, List<Replacement> edits) {

    /**
     * Text in place of other text.
     *
     * @param range what goes; empty where text is only added
     */
    public record Replacement(Range range, String text) {
    }

    /** Orders the edits. */
    public Candidate {
        edits = edits.stream().sorted(Comparator.comparing((Replacement edit) -> edit.range().start())
                .thenComparing(edit -> edit.range().end())).toList();
    }

    public static Candidate insert(String title, int cost, int at, String text) {
        return replace(title, cost, new Range(at, at), text);
    }

    public static Candidate replace(String title, int cost, Range range, String text) {
        return new Candidate(title, cost, List.of(new Replacement(range, text)));
    }

    /** The same and one more edit. */
    public Candidate and(Range range, String text) {
        List<Replacement> more = new ArrayList<>(edits);
        more.add(new Replacement(range, text));
        return new Candidate(title, cost, more);
    }

    /** What becomes of a text. */
    public String in(String content) {
        StringBuilder changed = new StringBuilder();
        int at = 0;
        for (Replacement edit : edits) {
            if (edit.range().start() < at) {
                return content;
            }
            changed.append(content, at, edit.range().start()).append(edit.text());
            at = edit.range().end();
        }
        return changed.append(content, at, content.length()).toString();
    }
}
