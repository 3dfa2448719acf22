package dev.deftchisel.desk;

import dev.deftchisel.workspace.SourceFile;

/**
 * Where a desk begins.
 *
 * @param file  the file that is opened first
 * @param caret offset in its text
 */
public record CaretInFile(SourceFile file, int caret) {
}
