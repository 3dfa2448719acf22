package dev.deftchisel.desk.panel.preview;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.wording.OutcomeWords;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/** What comes of a change as lines that are drawn. */
public final class OutcomeLines {

    private static final int MOST_REASONS = 8;

    private OutcomeLines() {
    }

    /** How much would change, or why not. */
    static List<Line> head(Outcome outcome, Chisel chisel) {
        List<Line> lines = new ArrayList<>();
        if (outcome instanceof Outcome.Preview preview) {
            lines.add(Line.of(OutcomeWords.counts(preview), Ink.KEY));
            OutcomeWords.left(preview).ifPresent(left -> lines.add(Line.of(left, Ink.QUIET)));
            preview.change().notes().forEach(note -> lines.add(Line.of("note: " + note, Ink.NOTE)));
        } else if (outcome instanceof Outcome.Refusal refusal) {
            lines.add(Line.of("refused, nothing would be changed:", Style.of(Ink.WARNING).strongly()));
            refusal.reasons().stream().limit(MOST_REASONS).forEach(reason -> lines.add(
                    Line.of(OutcomeWords.where(reason, chisel.snapshot()).map(place -> place + ": ")
                            .orElse(""), Ink.PLACE)
                            .and(reason.sentence(), Ink.PLAIN)));
            if (refusal.reasons().size() > MOST_REASONS) {
                lines.add(Line.of("and " + (refusal.reasons().size() - MOST_REASONS) + " more", Ink.QUIET));
            }
            refusal.notes().forEach(note -> lines.add(Line.of("note: " + note, Ink.NOTE)));
        }
        return lines;
    }

    /** The same with what would become of the code. */
    public static List<Line> all(Outcome outcome, Chisel chisel, Function<Path, String> shown) {
        List<Line> lines = new ArrayList<>(head(outcome, chisel));
        if (outcome instanceof Outcome.Preview preview) {
            lines.addAll(new ChangeRows(shown).plain(preview));
        }
        return lines;
    }
}
