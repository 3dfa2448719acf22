package dev.deftchisel.analysis;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

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
}
