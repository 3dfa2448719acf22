package harbour.reports;

import java.util.Arrays;
import java.util.stream.Collectors;

public final class TextTable {

    private static final int WIDTH = 16;

    private final StringBuilder text;

    TextTable(StringBuilder text) {
        this.text = text;
    }

    public TextTable row(Object... cells) {
        text.append(Arrays.stream(cells)
                .map(cell -> String.format("%-" + WIDTH + "s", cell))
                .collect(Collectors.joining(" "))
                .stripTrailing()).append('\n');
        return this;
    }
}
