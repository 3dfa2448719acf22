package dev.deftchisel.guard.comparison;

import dev.deftchisel.added.Added;
import dev.deftchisel.added.Additions;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Compares what annotation processors add to the types of the files that change: no member may get lost unless it is
 * written out, none may get another name that the change does not say, and those in which all fields take part must be
 * made of the same ones.
 */
public final class AddedComparison {

    /** In these all fields take part, so that one more is another behaviour. */
    private static final Set<String> OF_ALL_FIELDS = Set.of("constructor", "factory", "equals", "hashCode", "toString",
            "build",
            Added.BUILT, Added.BUILT_TYPE);
    private static final Pattern WORD = Pattern.compile("[\\p{L}_$][\\p{L}\\p{N}_$]*");
    private static final Pattern QUALIFIER = Pattern.compile("\\b(?:[\\p{L}_$][\\p{L}\\p{N}_$]*\\.)+(?=\\p{Lu})");

    private final Analyst before;
    private final Analyst after;
    private final Change change;
    private final Map<String, String> names = new HashMap<>();

    public AddedComparison(Analyst before, Snapshot changed, Analysis known, Change change) {
        this.before = before;
        this.after = before.of(changed);
        this.change = change;
        change.meaning().names().forEach((key, name) -> names.put(simple(key, known), name));
    }

    private static String simple(SymbolKey key, Analysis known) {
        // a type that nothing names is no symbol of the analysis
        return known.symbol(key).map(Symbol::name)
                .orElseGet(() -> key instanceof SymbolKey.Type type ? type.simpleName() : "");
    }

    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (FileChange file : change.effective()) {
            Optional<SourceFile> old = before.snapshot().file(file.path());
            Optional<SourceFile> fresh = after.snapshot().file(file.pathAfter());
            Additions then = old.map(before::added).orElse(Additions.NONE);
            if (!then.isEmpty() && fresh.isPresent()) {
                compare(file.path(), then, after.added(fresh.get()), fresh.get(), differences);
            }
        }
        return differences;
    }

    private void compare(Path path, Additions then, Additions now, SourceFile fresh, List<Difference> differences) {
        Set<String> kept = new HashSet<>();
        now.members().forEach(type -> type.members().forEach(one -> kept.add(told(type.nestedName(), one, false))));
        Set<String> written = new HashSet<>();
        fresh.outline().members().forEach(member -> written.add(member.name()));
        for (Additions.OfType type : then.members()) {
            type.members().stream()
                    .filter(one -> !kept.contains(told(type.nestedName(), one, true))
                            && !written.contains(renamed(one.name())))
                    .findFirst()
                    .ifPresent(one -> differences.add(new Difference(Difference.Kind.UNPROVEN, path, new Range(0, 0),
                            Optional.empty(),
                            Optional.empty(), "what annotations add to " + type.nestedName() + " would be another: "
                                    + (one.role().equals("constructor") ? "its constructor" : "'" + one.name() + "'")
                                    + " is made of its fields as they are")));
        }
    }

    /** What must stay of a member: what it is and is called, and its text where fields are in it. */
    private String told(String type, Added one, boolean isBefore) {
        String text = OF_ALL_FIELDS.contains(one.role()) ? QUALIFIER.matcher(one.text()).replaceAll("") : "";
        String all = String.join(" ", type.replace('.', ' '), one.owner(), one.role(), one.name(), text);
        return isBefore ? renamed(all) : all;
    }

    private String renamed(String text) {
        return WORD.matcher(text).replaceAll(word -> names.getOrDefault(word.group(), word.group())
                .replace("$", "\\$"));
    }
}
