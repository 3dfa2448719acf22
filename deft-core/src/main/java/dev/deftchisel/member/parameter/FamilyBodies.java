package dev.deftchisel.member.parameter;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Looks at the bodies of a method and all that it overrides or is overridden by: their parameters change, whatever they
 * call them, so that it does not do to look at bodies in which some name stands.
 */
public final class FamilyBodies {

    private FamilyBodies() {
    }

    /**
     * An analysis with these bodies.
     *
     * @param before in which every file that mentions the method was looked at
     * @param method that is to get other parameters
     */
    public static Analysis with(Analyst analyst, Analysis before, SymbolKey method) {
        Focus focus = before.focus();
        Map<Path, List<Range>> around = new HashMap<>();
        focus.around().forEach((file, ranges) -> around.put(file, new ArrayList<>(ranges)));
        before.symbol(method).ifPresent(symbol -> Family.of(symbol, before).forEach(key ->
                before.declaration(key).flatMap(declared -> whole(before, declared).filter(range ->
                        focus.files().contains(declared.file()) && around.getOrDefault(declared.file(), List.of())
                                .stream().noneMatch(known -> known.encloses(range))))
                        .ifPresent(range -> around.computeIfAbsent(before.declaration(key).orElseThrow().file(),
                                file -> new ArrayList<>()).add(range))));
        Focus all = new Focus(focus.files(), focus.names(), focus.types(), around, focus.isDeep());
        return focus.isPartial() && !all.equals(focus) ? analyst.analyse(all) : before;
    }

    private static Optional<Range> whole(Analysis before, Binding declared) {
        return before.code(declared.file()).flatMap(code -> code.declaration(declared.range())
                .map(TreePath::getLeaf).flatMap(code::find));
    }
}
