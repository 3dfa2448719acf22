package dev.deftchisel.analysis;

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

    /** What the compiler reports. */
    static CompilerError of(Path file, Diagnostic<?> found) {
        int start = (int) Math.max(0, found.getPosition());
        int end = (int) Math.max(start, found.getEndPosition());
        int first = (int) Math.max(0, Math.min(start, found.getStartPosition()));
        return new CompilerError(file, new Range(start, end), new Range(first, end), found.getCode(),
                found.getMessage(Locale.ROOT).replaceAll(";?\\s*\\R\\s*(?=\\w+:)", "; ")
                        .replaceAll("\\s*\\R\\s*", " ").replaceAll(" +", " "));
    }
}
