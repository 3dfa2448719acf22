package dev.deftchisel.analysis;

import dev.deftchisel.added.Additions;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
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
        return of(file, found, Additions.NONE).orElseThrow();
    }

    /**
     * What the compiler reports of a file of which it saw more than its text.
     *
     * @return empty when it is about what is not in the text
     */
    static Optional<CompilerError> of(Path file, Diagnostic<?> found, Additions added) {
        if (found.getPosition() >= 0 && added.original(found.getPosition()) < 0) {
            return Optional.empty();
        }
        int start = Math.max(0, added.original(Math.max(0, found.getPosition())));
        int end = Math.max(start, added.originalEnd(Math.max(0, found.getEndPosition())));
        int first = Math.max(0, Math.min(start, added.original(Math.max(0, found.getStartPosition()))));
        return Optional.of(new CompilerError(file, new Range(start, end), new Range(first, end), found.getCode(),
                found.getMessage(Locale.ROOT).replaceAll(";?\\s*\\R\\s*(?=\\w+:)", "; ")
                        .replaceAll("\\s*\\R\\s*", " ").replaceAll(" +", " ")));
    }
}
