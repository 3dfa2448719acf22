package dev.deftchisel.desk.panel.list;

import dev.deftchisel.Uses;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.SourceRoot;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/** Where something is used, all of it or what is of one sort; and by whom it is called, and they in turn. */
public final class UsesList {

    private static final List<String> PARTS = List.of("all", "reads", "writes", "calls", "main", "tests");

    private UsesList() {
    }

    /** The uses of what is at the caret. */
    public static void open(PanelHost bench) {
        Place here = bench.place();
        bench.ask(TaskPurpose.GO, chisel -> chisel.uses(here), uses -> uses.ifPresentOrElse(known -> show(bench, known),
                () -> bench.say("no name stands here whose uses could be shown")));
    }

    private static void show(PanelHost bench, Uses uses) {
        ListPanels.show(bench, Picker.<Place>of("uses of " + uses.symbol()
                .name(), (typed, part, found) -> found.accept(ItemSource.narrowed(
                uses.all().stream().filter(sort(part)).map(use -> item(bench, use)).toList(), typed))).parts(PARTS));
    }

    private static Predicate<Uses.Use> sort(int part) {
        return switch (part) {
            case 1 -> use -> use.role() == Role.READ;
            case 2 -> use -> use.role() == Role.WRITE || use.role() == Role.DECLARATION;
            case 3 -> use -> use.role() == Role.CALL;
            case 4 -> use -> use.code() == SourceRoot.Use.MAIN;
            case 5 -> use -> use.code() == SourceRoot.Use.TEST;
            default -> use -> true;
        };
    }

    private static Item<Place> item(PanelHost bench, Uses.Use use) {
        String where = use.file().getFileName() + ":" + use.position().line();
        return new Item<>(new Place(use.file(), use.range()), bench.shown(use.file()) + " " + use.line(),
                Line.of(where, Ink.PLACE).and("  " + use.line(), Ink.PLAIN),
                use.role().name().toLowerCase(Locale.ROOT) + (use.code() == SourceRoot.Use.TEST ? ", test" : ""));
    }

    /**
     * A member that calls something.
     *
     * @param name of the member
     * @param call where it does
     * @param of   the member's own name, whose callers come next
     */
    private record Caller(String name, Place call, Place of) {
    }

    /** Who calls what is at the caret; from each caller to those who call it. */
    public static void callers(PanelHost bench) {
        callers(bench, bench.place(), "");
    }

    private static void callers(PanelHost bench, Place of, String before) {
        record Called(String name, List<Caller> callers) {
        }
        bench.ask(TaskPurpose.GO, chisel -> chisel.symbol(of)
                .map(symbol -> new Called(symbol.name(), chisel.hierarchy().callers(of).stream()
                .flatMap(calls -> calls.ranges().stream().map(range -> new Caller(
                        calls.other().sketch().signature(calls.other().file().content()),
                        new Place(calls.file(), range), calls.other()
                        .place())))
                .toList())), called -> {
            if (called.filter(one -> !one.callers().isEmpty()).isEmpty()) {
                bench.say(called.map(one -> "nobody calls " + one.name()).orElse("no name stands here"));
                return;
            }
            String path = called.get().name() + (before.isEmpty() ? "" : " \u2192 " + before);
            List<Item<Caller>> items = called.get().callers().stream().map(one -> new Item<>(one, one.name() + " "
                    + bench.shown(one.call().file()),
                    Line.of(one.name(), Ink.CALL).and("  " + one.call().file().getFileName(), Ink.PLACE), "")).toList();
            bench.open(Picker.<Caller>of("callers of " + path, ItemSource.of(items))
                    .showing((one, show) -> ListPanels.code(bench, one.call(), show))
                    .then(bench::close, "there, or on", one -> ListPanels.ask(bench, one.name(), List.of(
                            new ListPanels.Answer("go there", () -> {
                                bench.close();
                                bench.go(one.call().file(), one.call().selection());
                            }),
                            new ListPanels.Answer("who calls that", () -> callers(bench, one.of(), path))))));
        });
    }
}
