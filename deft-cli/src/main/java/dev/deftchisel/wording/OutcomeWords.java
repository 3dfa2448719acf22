package dev.deftchisel.wording;

import dev.deftchisel.Outcome;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.workspace.Snapshot;
import java.util.Optional;

/** What comes of a change in words and numbers. */
public final class OutcomeWords {

    private OutcomeWords() {
    }

    /** How much would change, for instance {@code 12 names in 4 files, 1 file moved}. */
    public static String counts(Outcome.Preview preview) {
        StringBuilder counts = new StringBuilder()
                .append(preview.names() > 0 ? count(preview.names(), "name")
                        : preview.places() > 0 ? count(preview.places(), "place")
                        : preview.newLines() > 0 ? count(preview.newLines(), "new line")
                        : count(preview.edits(), "place"))
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
        return counts.toString();
    }

    /** What in text is left as it is; empty when there is nothing. */
    public static Optional<String> left(Outcome.Preview preview) {
        long left = preview.mentions(false);
        if (left == 0) {
            return Optional.empty();
        }
        return Optional.of(count(left, "mention") + " in text left as " + (left == 1 ? "it is" : "they are"));
    }

    private static String files(Outcome.Preview preview) {
        int created = preview.created().size();
        if (created > 0 && created == preview.files()) {
            return count(created, "new file");
        }
        return count(preview.files(), "file") + (created > 0 ? ", " + created + " of them new" : "");
    }

    /** For instance {@code 1 file}, {@code 2 files}. */
    public static String count(long number, String what) {
        return number + " " + what + (number == 1 ? "" : "s");
    }

    /** Where a reason is, for instance {@code src/Berth.java:3:5}; empty when it is nowhere in particular. */
    public static Optional<String> where(Reason reason, Snapshot snapshot) {
        return reason.file().map(file -> snapshot.workspace().show(file) + snapshot.file(file)
                .map(known -> ":" + known.position(Math.min(reason.range().start(), known.content().length())))
                .orElse(""));
    }
}
