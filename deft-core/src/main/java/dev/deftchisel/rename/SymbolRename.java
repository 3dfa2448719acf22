package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** One rename of a symbol that is neither package nor module, with all that is named after it or follows from it. */
final class SymbolRename {

    private final ResolvedPlace resolved;
    private final Symbol target;
    private final String newName;
    private final Answers answers;
    private final Analyst analyst;

    SymbolRename(ResolvedPlace resolved, Symbol target, String newName, Answers answers, Analyst analyst) {
        this.resolved = resolved;
        this.target = target;
        this.newName = newName;
        this.answers = answers;
        this.analyst = analyst;
    }

    Plan plan() {
        return plan(Map.of());
    }

    /** @param generated what annotation processors call otherwise then, as far as is known */
    private Plan plan(Map<SymbolKey, String> generated) {
        boolean takesAll = RenameOperation.hasNamesakes(target)
                && answers.single(RenameOperation.RELATED).filter("all"::equals).isPresent();
        Set<String> kept = answers.single(RenameOperation.EXCEPT).stream().flatMap(said -> Stream.of(said.split(",")))
                .map(String::strip).filter(said -> !said.isEmpty()).collect(Collectors.toSet());
        Set<String> possible = new RelatedNames(target, newName, Set.of()).names();
        Optional<String> stranger = kept.stream().filter(said -> !possible.contains(said)).sorted().findFirst();
        if (takesAll && stranger.isPresent()) {
            return Plan.refused(resolved, stranger.get() + " is nothing that could be named after " + target.name());
        }
        RelatedNames related = new RelatedNames(target, newName, kept);
        FollowingMembers following = FollowingMembers.of(target.key(), target.name(), newName, analyst);
        Set<String> words = new HashSet<>(generated.values());
        generated.keySet().forEach(key -> words.addAll(ProcessorOutputNames.words(key)));
        words.addAll(following.names());
        words.addAll(takesAll ? related.names() : Set.of());
        Analysis before = analyst.analyse(RenameSearch.and(
                RenameSearch.focus(resolved, target, newName, analyst), words, analyst));
        Set<SymbolKey> family = Family.of(target, before);
        FamilyObstacles obstacles = new FamilyObstacles(target, family, before, "renamed");
        List<Reason> reasons = new ArrayList<>(obstacles.reasons());
        new UnprocessedNames(target, before, analyst).objection().filter(reason -> reasons.isEmpty())
                .ifPresent(reasons::add);
        if (!reasons.isEmpty()) {
            return new Plan.Refused(reasons);
        }
        RenamedCode code = new RenamedCode(before);
        code.rename(family, newName);
        Map<Set<SymbolKey>, String> namesakes = takesAll ? related.in(before) : Map.of();
        namesakes.forEach(code::rename);
        Map<SymbolKey, String> added = new LinkedHashMap<>(generated);
        family.forEach(added::remove);
        added.putAll(following.in(before));
        added.forEach((key, name) -> code.edit(Set.of(key), name));
        Optional<Path> taken = code.taken();
        if (taken.isPresent()) {
            return Plan.refused("the file " + analyst.snapshot().workspace().show(taken.get())
                    + " exists already; rename or remove it first");
        }
        String also = counted(namesakes.size(), "thing that is named after it", "things that are named after it")
                + counted(added.size(), "member that follows from it", "members that follow from it");
        Change change = change(also, code, obstacles.notes(), before);
        Map<SymbolKey, String> known = generated.isEmpty() ? ProcessorOutputNames.of(change, analyst) : generated;
        return known.size() > generated.size() ? plan(known) : new Plan.Ready(change, before);
    }

    private Change change(String also, RenamedCode code, List<String> unseen, Analysis before) {
        NamesElsewhere elsewhere = new NamesElsewhere(target, newName, code.names(), before, answers);
        List<FileChange> files = new ArrayList<>(code.files(elsewhere.inJava(code.ranges())));
        files.addAll(elsewhere.texts());
        return new Change("rename the " + target.describe() + " to " + newName + also, files,
                new SymbolEffects(code.names(), Map.of()), Stream.of(UnseenUses.notes(target, before), unseen,
                        elsewhere.notes()).flatMap(List::stream).toList());
    }

    private static String counted(int count, String one, String many) {
        return count == 0 ? "" : ", and " + count + " " + (count == 1 ? one : many);
    }
}
