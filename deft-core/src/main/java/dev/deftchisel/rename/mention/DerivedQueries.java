package dev.deftchisel.rename.mention;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.Workspace;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;

/**
 * Finds methods of repositories whose names are queries by a property, {@code findByDepthGreaterThan}: the framework
 * reads the property off the name when the program starts. They are told, not changed.
 */
public final class DerivedQueries {

    private static final List<String> FRAMEWORKS = List.of("org.springframework.data", "io.micronaut.data",
            "jakarta.data");
    private static final String VERBS = "(?:find|read|get|query|search|stream|count|exists|delete|remove)";

    private DerivedQueries() {
    }

    /** One line for each method that names a property which gets another name. */
    public static List<String> notes(Collection<SymbolKey> renamed, Analysis before) {
        Set<String> notes = new TreeSet<>();
        for (SymbolKey key : renamed) {
            Optional<Symbol> owner = before.symbol(key).flatMap(Symbol::owner).flatMap(before::symbol)
                    .filter(symbol -> symbol.kind().isType());
            Optional<String> property;
            if (key instanceof SymbolKey.Field field) {
                property = Optional.of(field.name());
            } else if (key instanceof SymbolKey.Method method) {
                property = Accessors.property(method.name());
            } else {
                property = Optional.empty();
            }
            if (owner.isPresent() && property.filter(name -> !name.isEmpty()).isPresent()) {
                notes.addAll(of(property.get(), owner.get().name(), before));
            }
        }
        return List.copyOf(notes);
    }

    private static List<String> of(String property, String owner, Analysis before) {
        String capital = Character.toUpperCase(property.charAt(0)) + property.substring(1);
        Pattern query = Pattern.compile(VERBS + "\\w*?By(?:\\w*?(?:And|Or|By))??" + Pattern.quote(capital)
                + "(?:[A-Z_]\\w*)?");
        Workspace workspace = before.snapshot().workspace();
        String simple = owner.substring(owner.lastIndexOf('.') + 1);
        List<String> notes = new ArrayList<>();
        for (SourceFile file : before.snapshot().files()) {
            if (FRAMEWORKS.stream().anyMatch(file.content()::contains) && file.tokens().names().contains(simple)) {
                file.outline().members().stream()
                        .filter(member -> member.kind() == MemberOutline.Kind.METHOD && query.matcher(member.name())
                                .matches())
                        .forEach(member -> notes.add("'" + member.name() + "' in " + workspace.show(file.path()) + ":"
                                + file.position(member.nameRange().start()) + " reads like a query by '" + property
                                + "', which would find it no more; rename that too"));
            }
        }
        return notes;
    }
}
