package dev.deftchisel.proving.subject;

import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Random;

/**
 * How files are drawn.
 *
 * @param seed       decides everything
 * @param leastLines of a file that may be drawn
 * @param mostLines  of such a file
 */
public record Draw(long seed, int leastLines, int mostLines) {

    /** From all files. */
    public static Draw of(long seed) {
        return new Draw(seed, 0, Integer.MAX_VALUE);
    }

    /** What decides one trial. */
    Random random(int number, long factor) {
        return new Random(seed * factor + number);
    }

    /**
     * The files that may be drawn.
     *
     * @throws IllegalArgumentException when there are none
     */
    List<SourceFile> from(List<SourceFile> all) {
        List<SourceFile> files = all.stream()
                .filter(file -> isAny() || file.lines().count() >= leastLines && file.lines().count() <= mostLines)
                .toList();
        if (files.isEmpty()) {
            throw new IllegalArgumentException("no file has " + leastLines + " to " + mostLines + " lines");
        }
        return files;
    }

    private boolean isAny() {
        return leastLines == 0 && mostLines == Integer.MAX_VALUE;
    }
}
