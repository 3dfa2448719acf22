package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.operation.Reason;
import java.util.ArrayList;
import java.util.List;

/** Says in lines what an outcome is. */
final class OutcomeText {

    private static final int MOST_REASONS = 12;

    private final Chisel chisel;
    private final Palette palette;

    OutcomeText(Chisel chisel, Palette palette) {
        this.chisel = chisel;
        this.palette = palette;
    }

    /** What would change, or has changed, in counts; then the notes. */
    List<String> preview(Outcome.Preview preview, boolean isApplied) {
        List<String> lines = new ArrayList<>();
        String title = preview.change().title();
        lines.add((isApplied ? "done: " : "would ") + palette.strong(title));
        StringBuilder counts = new StringBuilder("  ")
                .append(preview.names() > 0 ? count(preview.names(), "name")
                        : preview.places() > 0 ? count(preview.places(), "place")
                        : preview.newLines() > 0 ? count(preview.newLines(), "new line") : count(preview.edits(), "place"))
                .append(" in ").append(files(preview));
        if (!preview.moves().isEmpty()) {
            counts.append(", ").append(count(preview.moves().size(), "file")).append(" moved");
        }
        if (preview.qualified() > 0) {
            counts.append(", ").append(preview.qualified()).append(" qualified to keep the meaning");
        }
        if (preview.mentions(true) > 0) {
            counts.append(", ").append(count(preview.mentions(true), "mention")).append(" in text");
        }
        lines.add(counts.toString());
        if (preview.mentions(false) > 0) {
            lines.add("  " + count(preview.mentions(false), "mention") + " in text left as "
                    + (preview.mentions(false) == 1 ? "it is (--mentions all takes it)" : "they are (--mentions all takes them)"));
        }
        preview.change().notes().forEach(note -> lines.add("  note: " + note));
        if (isApplied) {
            lines.add("  'deft undo' takes it back");
        }
        return lines;
    }

    private static String files(Outcome.Preview preview) {
        int created = preview.created().size();
        return created > 0 && created == preview.files() ? count(created, "new file")
                : count(preview.files(), "file") + (created > 0 ? ", " + created + " of them new" : "");
    }

    private static String count(long number, String what) {
        return number + " " + what + (number == 1 ? "" : "s");
    }

    /** Why not, place by place. */
    List<String> refusal(Outcome.Refusal refusal) {
        List<String> lines = new ArrayList<>();
        lines.add(palette.refusal("refused") + ", nothing was changed:");
        lines.addAll(reasons(refusal));
        refusal.notes().forEach(note -> lines.add("  note: " + note));
        return lines;
    }

    /** The reasons alone, one a line. */
    List<String> reasons(Outcome.Refusal refusal) {
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
        return reason.file()
                .map(file -> palette.place(chisel.workspace().show(file) + chisel.snapshot().file(file)
                        .map(known -> ":" + known.position(Math.min(reason.range().start(), known.content().length())))
                        .orElse("")) + ": ")
                .orElse("");
    }
}
