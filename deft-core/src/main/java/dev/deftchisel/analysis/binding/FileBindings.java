package dev.deftchisel.analysis.binding;

import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javax.lang.model.element.TypeElement;

/** Collects what is found in one file; the compiler may show the same tree twice, so doubles are dropped. */
public final class FileBindings {

    private final Path file;
    private final Set<Binding> bindings = new LinkedHashSet<>();
    private final Set<Trace> traces = new LinkedHashSet<>();
    private final List<TypeElement> types = new ArrayList<>();

    FileBindings(Path file) {
        this.file = file;
    }

    void bind(Range range, SymbolKey key, Role role, boolean isNamed) {
        bindings.add(new Binding(file, range, key, role, isNamed));
    }

    void trace(Range range, Trace.Fact fact, String value) {
        traces.add(new Trace(file, range, fact, value));
    }

    void declareType(TypeElement type) {
        types.add(type);
    }

    public Set<Binding> bindings() {
        return bindings;
    }

    public Set<Trace> traces() {
        return traces;
    }

    List<TypeElement> types() {
        return types;
    }
}
