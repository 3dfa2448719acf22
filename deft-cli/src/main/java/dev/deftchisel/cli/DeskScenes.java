package dev.deftchisel.cli;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.desk.CaretInFile;
import dev.deftchisel.desk.CommandList;
import dev.deftchisel.desk.Desk;
import dev.deftchisel.desk.background.ImmediateTasks;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.desk.terminal.Colours;
import dev.deftchisel.desk.terminal.Painter;
import dev.deftchisel.operation.Place;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;

/** Scenes from the keyboard screen for the demo: keys are pressed for the reader, and what is seen then is printed. */
final class DeskScenes {

    private static final int HEIGHT = 24;
    private static final int WIDTH = 100;

    private final Console console;

    DeskScenes(Console console) {
        this.console = console;
    }

    /**
     * Plays scenes one after the other.
     *
     * @param place  where it begins
     * @param scenes the keys of each, with blanks between them
     */
    void play(Path workspace, String place, List<String> scenes) {
        try (Chisel chisel = Chisel.open(OpenRequest.at(workspace), Monitor.SILENT)) {
            Place start = chisel.place(place);
            SourceFile file = chisel.snapshot().source(start.file());
            CommandList commandList = CommandList.installed();
            Desk desk = new Desk(chisel.workspace(), new CaretInFile(file, start.caret()),
                    new ImmediateTasks(chisel), DefaultKeys.with(commandList.operations()), commandList);
            for (String scene : scenes) {
                List<Key> keys = Key.chord(scene).orElseThrow();
                keys.forEach(desk::press);
                console.out().println();
                console.out().println(console.palette().key("keys: " + keys.stream().map(Key::toString)
                        .collect(Collectors.joining(" "))));
                console.out().println();
                show(desk.draw(HEIGHT, WIDTH));
            }
        }
    }

    private void show(Picture picture) {
        Painter painter = new Painter(new Colours(Colours.Depth.SIXTEEN, false));
        for (int row = 0; row < picture.height(); row++) {
            console.out().println("  " + (console.palette().isColored() ? painter.row(picture, row)
                    : picture.row(row)));
        }
    }
}
