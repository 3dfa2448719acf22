package dev.deftchisel.analysis.binding;

import com.sun.source.tree.CompilationUnitTree;
import dev.deftchisel.analysis.compiler.CompilerRun;
import dev.deftchisel.analysis.compiler.DeepStack;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.Elements;

/** What the names in some files mean: read off the attributed trees the first time that anyone wants to know. */
public final class LazyBindings {

    private final List<SourceFile> files;
    private final CompilerRun.Attributed run;
    private final Elements elements;
    private final Symbols symbols;
    private final Focus focus;
    private List<FileBindings> known;

    public LazyBindings(List<SourceFile> files, CompilerRun.Attributed run, Elements elements, Symbols symbols,
            Focus focus) {
        this.files = files;
        this.run = run;
        this.elements = elements;
        this.symbols = symbols;
        this.focus = focus;
    }

    /** By file. */
    public Collection<FileBindings> all() {
        if (known == null) {
            // whoever asks first may stand on an ordinary stack
            known = DeepStack.call(this::read);
        }
        return known;
    }

    private List<FileBindings> read() {
        List<FileBindings> found = new ArrayList<>();
        for (SourceFile file : files) {
            CompilationUnitTree unit = run.units().get(file.path());
            if (unit != null) {
                found.add(new BindingScanner(file, run, elements, symbols, focus).scanUnit(unit));
            }
        }
        return List.copyOf(found);
    }

    /** The types declared in the files. */
    public List<TypeElement> types() {
        return all().stream().flatMap(facts -> facts.types().stream()).toList();
    }
}
