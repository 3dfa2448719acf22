package dev.deftchisel.rename.mention;

import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.surroundings.OtherLanguages;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What is said of mentions in files of other languages, in which nobody checks what a name means. */
public final class MentionsInOtherFiles {

    private MentionsInOtherFiles() {
    }

    /**
     * One line with their number by language and the first place, or none.
     *
     * @param texts files that are not Java
     */
    public static List<String> notes(List<FileChange> texts, Workspace workspace) {
        List<FileChange> beside = texts.stream()
                .filter(file -> OtherLanguages.of(file.path()).filter(OtherLanguages::isCode).isPresent()).toList();
        Map<String, Integer> counts = new TreeMap<>();
        beside.forEach(file -> counts.merge(OtherLanguages.of(file.path()).orElseThrow(), file.edits()
                .size(), Integer::sum));
        if (counts.isEmpty()) {
            return List.of();
        }
        int all = counts.values().stream().mapToInt(Integer::intValue).sum();
        FileChange first = beside.get(0);
        boolean isTaken = beside.stream().flatMap(file -> file.edits().stream()).anyMatch(Edit::isTaken);
        return List.of((all == 1 ? "one mention" : all + " mentions") + " in other languages ("
                + counts.entrySet().stream().map(entry -> entry.getKey() + ": " + entry.getValue())
                .collect(Collectors.joining(", "))
                + "), first " + workspace.show(first.path()) + ":" + LineMap.of(first.before().content())
                .position(first.edits().get(0).range().start())
                + (isTaken ? "; changed by the word alone, nobody checked what it means there"
                : "; left alone, since nobody can check what the word means there"));
    }
}
