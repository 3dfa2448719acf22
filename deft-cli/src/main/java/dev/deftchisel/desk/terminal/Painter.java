package dev.deftchisel.desk.terminal;

import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.desk.picture.Style;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jline.utils.AttributedCharSequence;
import org.jline.utils.AttributedCharSequence.ForceMode;
import org.jline.utils.AttributedString;
import org.jline.utils.AttributedStringBuilder;
import org.jline.utils.AttributedStyle;

/** Turns pictures into what a terminal obeys: only rows that are not as they were before. */
public final class Painter {

    private static final int SIXTEEN = 16;
    private static final int MANY = 256;
    private static final String HIDE = "\u001b[?25l";
    private static final String SHOW = "\u001b[?25h";
    private static final String PLAIN = "\u001b[0m";

    private final Colours colours;
    private final Map<Style, AttributedStyle> styles = new HashMap<>();
    private List<String> shown = List.of();

    /** @param colours of the terminal */
    public Painter(Colours colours) {
        this.colours = colours;
    }

    /** Forgets what is shown, since the terminal may show something else. */
    public void forget() {
        shown = List.of();
    }

    /** What to send so that a picture is shown. */
    public String paint(Picture picture) {
        StringBuilder out = new StringBuilder(HIDE);
        List<String> rows = new ArrayList<>();
        for (int row = 0; row < picture.height(); row++) {
            String text = row(picture, row);
            rows.add(text);
            if (row >= shown.size() || !shown.get(row).equals(text)) {
                out.append("\u001b[").append(row + 1).append(";1H").append(PLAIN).append(text).append(PLAIN);
            }
        }
        shown = rows;
        Optional<Picture.Point> caret = picture.caret();
        caret.ifPresent(at -> out.append("\u001b[").append(at.row() + 1).append(';').append(at.column() + 1).append('H')
                .append(SHOW));
        return out.toString();
    }

    /** One row as a terminal is to be sent it. */
    public String row(Picture picture, int row) {
        AttributedStringBuilder text = new AttributedStringBuilder();
        for (int column = 0; column < picture.width(); column++) {
            text.styled(styles.computeIfAbsent(picture.style(row, column), colours::style), picture.glyph(row, column));
        }
        AttributedString line = text.toAttributedString();
        return switch (colours.depth()) {
            case NONE, SIXTEEN -> line.toAnsi(SIXTEEN, ForceMode.None);
            case MANY -> line.toAnsi(MANY, ForceMode.Force256Colors);
            case TRUE -> line.toAnsi(AttributedCharSequence.TRUE_COLORS, ForceMode.ForceTrueColors);
        };
    }
}
