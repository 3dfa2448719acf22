package dev.deftchisel.analysis;

import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * What one compiler run gave, read off its trees.
 *
 * @param types the types declared in the files
 */
record Attribution(
        Universe universe,
        CompilerRun.Attributed run,
        Elements elements,
        Types typeRelations,
        Symbols symbols,
        Map<Path, SourceFile> files,
        Map<Path, FileFacts> facts,
        List<TypeElement> types) {
}
