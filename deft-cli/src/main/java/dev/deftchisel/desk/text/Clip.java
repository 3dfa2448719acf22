package dev.deftchisel.desk.text;

import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;

/**
 * What was cut or copied.
 *
 * @param pieces  one for each caret
 * @param isLines whether they are whole lines, since nothing was selected
 */
public record Clip(List<String> pieces, boolean isLines) {

    /** Copies the list. */
    public Clip {
        pieces = List.copyOf(pieces);
    }

    /** What is selected, or the lines of the carets. */
    public static Clip of(Draft draft) {
        boolean isLines = draft.carets().stream().allMatch(Caret::isBare);
        List<String> pieces = new ArrayList<>();
        for (Caret caret : draft.carets()) {
            if (isLines) {
                Range line = LineWork.whole(draft, caret);
                String text = draft.text(line);
                pieces.add(text.endsWith("\n") || text.endsWith("\r") ? text : text + "\n");
            } else if (!caret.isBare()) {
                pieces.add(draft.text(caret.range()));
            }
        }
        return new Clip(pieces, isLines);
    }

    /** All of it as one text. */
    public String text() {
        return String.join(isLines ? "" : "\n", pieces);
    }
}
