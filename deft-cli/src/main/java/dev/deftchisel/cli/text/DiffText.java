package dev.deftchisel.cli.text;

import dev.deftchisel.cli.console.Palette;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** A unified diff in colours, for reading. */
public final class DiffText {

    private final Palette palette;

    public DiffText(Palette palette) {
        this.palette = palette;
    }

    public List<String> lines(byte[] diff) {
        return new String(diff, StandardCharsets.UTF_8).lines().map(this::line).toList();
    }

    private String line(String line) {
        if (line.startsWith("+++") || line.startsWith("---") || line.startsWith("diff ")) {
            return palette.strong(line);
        } else if (line.startsWith("+")) {
            return palette.added(line);
        } else if (line.startsWith("-")) {
            return palette.removed(line);
        } else if (line.startsWith("@@") || line.startsWith("rename ") || line.startsWith("similarity ")) {
            return palette.quiet(line);
        }
        return line;
    }
}
