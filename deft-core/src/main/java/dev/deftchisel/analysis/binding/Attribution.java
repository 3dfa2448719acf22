package dev.deftchisel.analysis.binding;

import dev.deftchisel.analysis.compiler.CompilerRun;
import dev.deftchisel.analysis.scope.CompilationScope;
import dev.deftchisel.analysis.scope.TypeVisibility;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Map;
import javax.lang.model.util.Elements;
import javax.lang.model.util.Types;

/**
 * What one compiler run gave, read off its trees.
 *
 * @param facts what names mean in the files, computed when it is asked for
 * @param visibility which types the files may name by their build
 */
public record Attribution(
        CompilationScope scope,
        CompilerRun.Attributed run,
        Elements elements,
        Types typeRelations,
        Symbols symbols,
        Map<Path, SourceFile> files,
        LazyBindings facts,
        TypeVisibility visibility) {

    /** The symbols met; those within bodies are known when the names have been read. */
    @Override
    public Symbols symbols() {
        facts.all();
        return symbols;
    }
}
