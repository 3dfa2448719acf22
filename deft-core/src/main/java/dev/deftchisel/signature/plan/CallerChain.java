package dev.deftchisel.signature.plan;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.member.parameter.FamilyBodies;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;

/**
 * The methods that call a method, those that call these, and so on, as far as they are concerned.
 *
 * @param before  in which all of them, and what calls them, was looked at
 * @param callers without the method itself, those nearer to it first
 */
public record CallerChain(Analysis before, List<SymbolKey> callers) {

    /** Copies the list. */
    public CallerChain {
        callers = List.copyOf(callers);
    }

    /** Says how far a chain goes. */
    public interface Link {

        /**
         * Whether a caller belongs to the chain.
         *
         * @param code   the file
         * @param use    the call, or the name of the method where it is not called
         * @param caller the method in which that stands
         */
        boolean leadsOn(AttributedFile code, TreePath use, ExecutableElement caller);
    }

    /**
     * Follows calls upwards.
     *
     * @param before in which every file that mentions the method was looked at
     */
    public static CallerChain of(Analyst analyst, Analysis before, SymbolKey method, Link link) {
        Analysis analysis = before;
        Set<SymbolKey> all = new LinkedHashSet<>(Set.of(method));
        Set<SymbolKey> found = Set.of(method);
        while (!found.isEmpty()) {
            Set<SymbolKey> next = new LinkedHashSet<>();
            for (SymbolKey key : found) {
                next.addAll(callers(analysis, key, link));
            }
            next.removeAll(all);
            all.addAll(next);
            for (SymbolKey key : next) {
                analysis = FamilyBodies.with(analyst, looking(analyst, analysis, key), key);
            }
            found = next;
        }
        all.remove(method);
        return new CallerChain(analysis, List.copyOf(all));
    }

    private static Set<SymbolKey> callers(Analysis analysis, SymbolKey method, Link link) {
        Set<SymbolKey> found = new LinkedHashSet<>();
        for (SymbolKey key : Family.of(analysis.symbol(method).orElseThrow(), analysis)) {
            for (Binding use : analysis.uses(key)) {
                Optional<AttributedFile> code = analysis.code(use.file());
                boolean isCall = use.role() == Role.CALL && code.isPresent();
                Optional<TreePath> place = isCall ? place(code.get(), use) : Optional.empty();
                place.flatMap(path -> around(code.get(), path)
                        .filter(caller -> link.leadsOn(code.get(), path, caller)))
                        .ifPresent(caller -> found.add(code.get().key(caller)));
            }
        }
        return found;
    }

    /** The call, or the smallest expression around the name. */
    public static Optional<TreePath> place(AttributedFile code, Binding use) {
        return code.call(use).or(() -> code.around(use.range()).stream()
                .min(Comparator.comparingInt(path -> code.range(path.getLeaf()).length())));
    }

    /** The method in whose body something stands; empty in an initializer. */
    public static Optional<ExecutableElement> around(AttributedFile code, TreePath place) {
        for (TreePath at = place; at != null && !(at.getLeaf() instanceof ClassTree); at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree) {
                return code.element(at).map(ExecutableElement.class::cast);
            }
        }
        return Optional.empty();
    }

    private static Analysis looking(Analyst analyst, Analysis analysis, SymbolKey method) {
        ExecutableElement element = (ExecutableElement) analysis.known(method).orElseThrow().element();
        Set<Path> files = new HashSet<>(analysis.focus().files());
        files.addAll(analyst.snapshot().pathsMentioning(Set.of(AddedParameter.word(element))));
        boolean isConstructor = element.getSimpleName().contentEquals("<init>");
        Focus focus = analysis.focus();
        Focus wider = isConstructor || !focus.isPartial() ? Focus.whole(files).deeply()
                : new Focus(files, focus.names(), focus.types(), focus.around(), true)
                        .andNames(Set.of(AddedParameter.word(element)));
        return wider.equals(focus) ? analysis : analyst.analyse(wider);
    }
}
