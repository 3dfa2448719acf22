package dev.deftchisel.cli.text;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.wording.OutcomeWords;
import java.util.ArrayList;
import java.util.List;

/** Says in lines what an outcome is. */
public final class OutcomeText {

    private static final int MOST_REASONS = 12;

    private final Chisel chisel;
    private final Palette palette;

    public OutcomeText(Chisel chisel, Palette palette) {
        this.chisel = chisel;
        this.palette = palette;
    }

    /** What would change, or has changed, in counts; then the notes. */
    public List<String> preview(Outcome.Preview preview, boolean isApplied) {
        List<String> lines = new ArrayList<>();
        String title = preview.change().title();
        lines.add((isApplied ? "done: " : "would ") + palette.strong(title));
        lines.add("  " + OutcomeWords.counts(preview));
        OutcomeWords.left(preview).ifPresent(left -> lines.add("  " + left
                + (preview.mentions(false) == 1 ? " (--mentions all takes it)" : " (--mentions all takes them)")));
        preview.change().notes().forEach(note -> lines.add("  note: " + note));
        if (isApplied) {
            lines.add("  'deft undo' takes it back");
        }
        return lines;
    }

    /** Why not, place by place. */
    public List<String> refusal(Outcome.Refusal refusal) {
        List<String> lines = new ArrayList<>();
        lines.add(palette.refusal("refused") + ", nothing was changed:");
        lines.addAll(reasons(refusal));
        refusal.notes().forEach(note -> lines.add("  note: " + note));
        return lines;
    }

    /** The reasons alone, one a line. */
    public List<String> reasons(Outcome.Refusal refusal) {
        List<String> lines = new ArrayList<>();
        refusal.reasons().stream().limit(MOST_REASONS).forEach(reason ->
                lines.add("  " + where(reason) + reason.sentence()));
        int more = refusal.reasons().size() - MOST_REASONS;
        if (more > 0) {
            lines.add("  and " + more + " more");
        }
        return lines;
    }

    private String where(Reason reason) {
        return OutcomeWords.where(reason, chisel.snapshot()).map(place -> palette.place(place) + ": ").orElse("");
    }
}
