package dev.deftchisel.analysis.symbol;

import dev.deftchisel.source.Range;
import java.nio.file.Path;

/**
 * One place where code refers to a declaration, or is one.
 *
 * @param file     where
 * @param range    the name; for an implicit binding the code that implies it
 * @param key      what is referred to
 * @param role     how
 * @param isNamed  whether the symbol's name stands at the range. A constructor call binds to the constructor without
 *                 naming it, {@code @Fee(3)} to the element {@code value}
 */
public record Binding(Path file, Range range, SymbolKey key, Role role, boolean isNamed) {
}
