package dev.deftchisel.rule;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Range;

/** Where a comment about a piece of code stands. */
public final class Beside {

    private Beside() {
    }

    /** What stands before an offset and is no code: empty at the start of a file. */
    public static Range before(int offset, AttributedFile code) {
        int token = code.tokens().codeBefore(code.tokens().at(offset) - 1);
        return new Range(token < 0 ? offset : code.tokens().end(token), offset);
    }

    /** From the start of a piece of code to the end of the line on which it ends. */
    public static Range toEndOfLine(Range piece, AttributedFile code) {
        String content = code.file().content();
        int end = content.indexOf('\n', piece.end());
        return new Range(piece.start(), end < 0 ? content.length() : end);
    }
}
