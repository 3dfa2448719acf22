package dev.deftchisel.analysis;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

/**
 * An error the compiler reports.
 *
 * @param file    where
 * @param range   of the code at fault
 * @param code    the compiler's code, for instance {@code compiler.err.cant.resolve.location}
 * @param message its words, on one line
 */
public record Problem(Path file, Range range, String code, String message) {
}
