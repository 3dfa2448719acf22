package dev.deftchisel.proving.surface;

import dev.deftchisel.Chisel;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.desk.CaretInFile;
import dev.deftchisel.desk.CommandList;
import dev.deftchisel.desk.Desk;
import dev.deftchisel.desk.background.ImmediateTasks;
import dev.deftchisel.desk.key.Action;
import dev.deftchisel.desk.key.DefaultKeys;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyBinding;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.proving.corpus.Corpus;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The keyboard screen: the caret goes there, what is wanted is selected, and every operation has a key of its own. */
final class ScreenSurface implements Surface {

    private final Chisel chisel;
    private final CommandList commandList = CommandList.installed();
    private final KeyMap keys;

    ScreenSurface(Corpus corpus) {
        this.chisel = Chisel.open(corpus.request(), Monitor.SILENT);
        List<KeyBinding> bindings = new ArrayList<>(DefaultKeys.with(commandList.operations()).bindings());
        commandList.operations().forEach(operation ->
                bindings.add(new KeyBinding(KeyContext.CODE, chord(operation), operation)));
        this.keys = new KeyMap(bindings);
    }

    /** A key that no keyboard has. */
    private List<Key> chord(Action.Take operation) {
        return List.of(Key.of(Character.toString(0xE000 + commandList.operations().indexOf(operation))));
    }

    @Override
    public String name() {
        return "screen";
    }

    @Override
    public Optional<String> take(Taken taken) {
        chisel.refresh();
        SourceFile file = chisel.snapshot().source(taken.place().file());
        Desk desk = new Desk(chisel.workspace(), new CaretInFile(file, taken.place().caret()),
                    new ImmediateTasks(chisel), keys, commandList);
        desk.select(taken.place().selection());
        chord(commandList.operations().stream().filter(one -> one.id().equals(taken.offer().operation())).findFirst()
                .orElseThrow())
                .forEach(desk::press);
        taken.name().ifPresent(name -> name.codePoints()
                .forEach(letter -> desk.press(Key.of(Character.toString(letter)))));
        for (int i = 0; i < 2 && desk.panel().isPresent(); i++) {
            desk.press(Key.of("Enter"));
        }
        return desk.message().startsWith("done: ") ? Optional.empty() : Optional.of(desk.message());
    }

    @Override
    public void close() {
        chisel.close();
    }
}
