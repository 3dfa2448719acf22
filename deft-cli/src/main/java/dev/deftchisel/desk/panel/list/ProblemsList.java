package dev.deftchisel.desk.panel.list;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.code.CodeView;
import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import java.util.Comparator;
import java.util.List;

/** What is wrong in all of the workspace, the worst first, or only what is of one severity. */
public final class ProblemsList {

    private static final List<String> PARTS = List.of("all", "errors", "warnings", "notes", "hints");
    private static final List<Severity> SEVERITIES = List.of(Severity.OFF, Severity.ERROR, Severity.WARNING,
            Severity.NOTE, Severity.HINT);

    private ProblemsList() {
    }

    /** Shows it; goes to what is chosen. */
    public static void open(PanelHost bench) {
        bench.ask(TaskPurpose.GO, ProblemsList::find, problems -> {
            if (problems.isEmpty()) {
                bench.say("nothing is wrong in this workspace");
                return;
            }
            ListPanels.show(bench, Picker.<Place>of("problems",
                    (typed, part, found) -> found.accept(ItemSource.narrowed(problems.stream()
                    .filter(problem -> part == 0 || problem.severity() == SEVERITIES.get(part))
                    .map(problem -> item(bench, problem))
                    .toList(),
                    typed))).parts(PARTS));
        });
    }

    private static List<Problem> find(Chisel chisel) {
        return chisel.problems().in(chisel.problems().everywhere()).stream()
                .sorted(Comparator.comparing(Problem::severity).reversed().thenComparing(Problem::file)
                        .thenComparing(Problem::range))
                .toList();
    }

    private static Item<Place> item(PanelHost bench, Problem problem) {
        return new Item<>(new Place(problem.file(), problem.range()),
                bench.shown(problem.file()) + " " + problem.rule() + " " + problem.sentence(),
                Line.of(CodeView.sign(problem.severity()) + " ", CodeView.ink(problem.severity()))
                        .and(problem.file().getFileName() + ":" + problem.position().line() + "  ", Ink.PLACE)
                        .and(problem.sentence(), Ink.PLAIN), "");
    }
}
