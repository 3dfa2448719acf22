package dev.deftchisel.analysis.compiler;

import dev.deftchisel.added.Additions;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Locale;
import javax.tools.Diagnostic;

/**
 * An error the compiler reports.
 *
 * @param file    where
 * @param range   of the code at fault
 * @param whole   all of that code, of which {@code range} may only be a part from what the compiler points at on
 * @param code    the compiler's code, for instance {@code compiler.err.cant.resolve.location}
 * @param message its words, on one line
 */
public record CompilerError(Path file, Range range, Range whole, String code, String message) {

    private static final String OF_ADDED = "added.";

    /** What the compiler reports. */
    static CompilerError of(Path file, Diagnostic<?> found) {
        return of(file, found, Additions.NONE);
    }

    /**
     * What the compiler reports of a file of which it saw more than its text. An error in what is not in the text
     * stands at the end of the type to which that is added.
     */
    static CompilerError of(Path file, Diagnostic<?> found, Additions added) {
        if (found.getPosition() >= 0 && added.original(found.getPosition()) < 0) {
            int place = added.insertionAt(found.getPosition());
            Range range = new Range(place, place);
            return new CompilerError(file, range, range, OF_ADDED + found.getCode(), oneLine(found));
        }
        int start = Math.max(0, added.original(Math.max(0, found.getPosition())));
        int end = Math.max(start, added.originalEnd(Math.max(0, found.getEndPosition())));
        int first = Math.max(0, Math.min(start, added.original(Math.max(0, found.getStartPosition()))));
        return new CompilerError(file, new Range(start, end), new Range(first, end), found.getCode(),
                oneLine(found));
    }

    private static String oneLine(Diagnostic<?> found) {
        return found.getMessage(Locale.ROOT).replaceAll(";?\\s*\\R\\s*(?=\\w+:)", "; ")
                .replaceAll("\\s*\\R\\s*", " ").replaceAll(" +", " ");
    }

    /** Whether it is about a member that is not in the text. */
    public boolean isOfAdded() {
        return code.startsWith(OF_ADDED);
    }
}
