package dev.deftchisel.desk;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.key.Action;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyBinding;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/**
 * All that can be done, to be found by a part of its name or by what it does, and done from there.
 *
 * @param operations all there are
 */
public record CommandList(List<Action.Take> operations) {

    /** Copies the list. */
    public CommandList {
        operations = List.copyOf(operations);
    }

    /** With all operations on the class path. */
    public static CommandList installed() {
        return new CommandList(Chisel.operations().stream()
                .map(operation -> new Action.Take(operation.id(), lowered(operation.summary())))
                .toList());
    }

    private static String lowered(String sentence) {
        return Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1);
    }

    /**
     * Shows it.
     *
     * @param isByKey whether only what has a key is wanted, else operations come first
     * @param then    does what is chosen
     */
    void open(PanelHost bench, KeyMap keys, boolean isByKey, Consumer<Action> then) {
        List<Item<Action>> commands = new ArrayList<>();
        for (Command command : Command.values()) {
            String chords = chords(keys, command);
            if (!chords.isEmpty()) {
                commands.add(item(command, chords));
            }
        }
        List<Item<Action>> taken = operations.stream().map(operation -> item(operation, chords(keys, operation)))
                .toList();
        List<Item<Action>> all = new ArrayList<>(isByKey ? commands : taken);
        all.addAll(isByKey ? taken.stream().filter(item -> !item.aside().isEmpty()).toList() : commands);
        bench.open(Picker.of(isByKey ? "all keys" : "what", ItemSource.of(all)).then(bench::close, "do it", action -> {
            bench.close();
            then.accept(action);
        }));
    }

    private static Item<Action> item(Action action, String keys) {
        return new Item<>(action, action.id() + " " + action.words(), Line.of(action.id(), Ink.PLAIN)
                .and("  " + action.words(),
                Ink.QUIET), keys);
    }

    private static String chords(KeyMap keys, Action action) {
        return keys.bindings().stream().filter(binding -> binding.where() == KeyContext.CODE && binding.action().id()
                .equals(action.id()))
                .map(KeyBinding::chord).map(Key::brief).collect(Collectors.joining(", "));
    }
}
