package dev.deftchisel.desk.panel.list;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.code.Excerpt;
import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/** Lists of places, and questions with a few answers. */
public final class ListPanels {

    private static final int BEFORE = 4;
    private static final int MOST = 60;

    private ListPanels() {
    }

    /**
     * A list of places, each with the code around it.
     *
     * @param title what they are
     * @param find  finds them
     */
    public static void places(PanelHost bench, String title, Function<Chisel, List<Place>> find) {
        record Found(Place place, String label, String line) {
        }
        bench.ask(TaskPurpose.GO, chisel -> find.apply(chisel).stream()
                .flatMap(place -> chisel.snapshot().file(place.file()).stream()
                .map(file -> new Found(place, chisel.workspace().show(place.file()) + ":" + file.lines()
                        .line(place.caret()),
                        file.lines().text(file.lines().line(place.caret())).strip()))).toList(), found -> {
                    if (found.isEmpty()) {
                        bench.say(title + ": there is nothing");
                    } else if (found.size() == 1) {
                        bench.go(found.get(0).place().file(), found.get(0).place().selection());
                    } else {
                        List<Item<Place>> items = found.stream()
                                .map(one -> new Item<>(one.place(), one.label() + " " + one.line(),
                                Line.of(one.label(), Ink.PLACE).and("  " + one.line(), Ink.PLAIN), "")).toList();
                        show(bench, Picker.of(title, ItemSource.of(items)));
                    }
                });
    }

    /** Opens a list of places: the code around each is shown, and one goes to what is chosen. */
    static void show(PanelHost bench, Picker.Making<Place> list) {
        bench.open(list.showing((place, show) -> code(bench, place, show)).then(bench::close, "go there", place -> {
            bench.close();
            bench.go(place.file(), place.selection());
        }));
    }

    /** The code around a place. */
    static void code(PanelHost bench, Place place, Consumer<List<Line>> show) {
        bench.ask(TaskPurpose.FIND, chisel -> lines(chisel, place), show);
    }

    private static List<Line> lines(Chisel chisel, Place place) {
        Optional<SourceFile> file = chisel.snapshot().file(place.file());
        return file.map(known -> Excerpt.around(known, place.selection(), BEFORE, MOST)).orElse(List.of());
    }

    /**
     * An answer to choose.
     *
     * @param words what it says
     * @param then  what is done with it
     */
    public record Answer(String words, Runnable then) {
    }

    /** Asks something that has a few answers. */
    public static void ask(PanelHost bench, String question, List<Answer> answers) {
        List<Item<Answer>> items = answers.stream()
                .map(answer -> new Item<>(answer, answer.words(), Line.of(answer.words(), Ink.PLAIN), "")).toList();
        bench.open(Picker.of(question, ItemSource.of(items)).then(bench::close, "do it", answer -> {
            bench.close();
            answer.then().run();
        }));
    }

    /** Shows where something is declared, from here. */
    public static void peek(PanelHost bench, Place place) {
        record Found(Place place, String label) {
        }
        bench.ask(TaskPurpose.GO, chisel -> chisel.navigator().declaration(place).map(found -> new Found(found,
                chisel.workspace().show(found.file()))), found -> {
            if (found.isEmpty()) {
                bench.say("no name of this workspace stands here");
                return;
            }
            Item<Place> only = new Item<>(found.get().place(), found.get()
                    .label(), Line.of(found.get().label(), Ink.PLACE), "");
            show(bench, Picker.of("declared in", ItemSource.of(List.of(only))));
        });
    }
}
