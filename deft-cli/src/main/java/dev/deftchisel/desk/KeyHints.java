package dev.deftchisel.desk;

import dev.deftchisel.desk.key.Action;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyBinding;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.desk.panel.Panel;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What keys do just now, for the last line of the screen; as many as fit are shown, so what is needed most comes first.
 */
final class KeyHints {

    private final KeyMap keys;

    KeyHints(KeyMap keys) {
        this.keys = keys;
    }

    /**
     * A key and what it does.
     *
     * @param keys  as they are pressed
     * @param words what they do, in few words
     */
    record Said(String keys, String words) {
    }

    /** The state of the code that decides what may be wanted. */
    enum State { PLAIN, SELECTED, SEVERAL, LINKED }

    /** In front of a panel. */
    List<Said> of(Panel panel) {
        List<Said> said = new ArrayList<>();
        panel.hints().forEach(hint -> add(said, panel.where(), hint.command().id(), hint.words()));
        return said;
    }

    /** What can follow the first key of a chord. */
    List<Said> after(List<Key> begun) {
        List<Said> said = new ArrayList<>();
        Set<String> named = new HashSet<>();
        for (KeyBinding binding : keys.after(KeyContext.CODE, begun)) {
            if (named.add(binding.action().id())) {
                String words = binding.action() instanceof Action.Take take
                        ? take.id().substring(take.id().lastIndexOf('-') + 1)
                        : binding.action().words();
                said.add(new Said(Key.brief(binding.chord().subList(begun.size(), binding.chord().size())), words));
            }
        }
        said.add(new Said("Esc", "leave"));
        return said;
    }

    /** In the code. */
    List<Said> of(State state, boolean hasProblem) {
        List<Said> said = new ArrayList<>();
        switch (state) {
            case LINKED -> {
                said.add(new Said("type", "the name, everywhere at once"));
                add(said, Command.ENTER, "keep it");
                add(said, Command.CLOSE, "as it was");
            }
            case SEVERAL -> {
                add(said, Command.CLOSE, "one caret");
                add(said, Command.CARET_NEXT, "one more");
                add(said, Command.CARET_ALL, "all");
                add(said, Command.CARET_DROP, "one less");
                add(said, Command.UNDO, "undo");
            }
            case SELECTED -> {
                add(said, Command.OFFERS, "do");
                begin(said, "extract-variable", "take out");
                add(said, Command.CUT, "cut");
                add(said, Command.COPY, "copy");
                add(said, Command.GROW, "more");
                add(said, Command.SHRINK, "less");
                add(said, Command.CARET_NEXT, "also the next");
                begin(said, Command.LINE_UP.id(), "lines");
                add(said, Command.CLOSE, "select nothing");
            }
            default -> plain(said, hasProblem);
        }
        return said;
    }

    private void plain(List<Said> said, boolean hasProblem) {
        add(said, Command.OFFERS, "do");
        if (hasProblem) {
            add(said, Command.FIX, "fix it");
        }
        add(said, Command.HELP, "all keys");
        add(said, KeyContext.CODE, "rename", "rename");
        add(said, Command.FIND, "find");
        add(said, Command.USES, "uses");
        add(said, Command.DECLARATION, "declaration");
        add(said, Command.NEXT_PROBLEM, "next problem");
        add(said, Command.UNDO, "undo");
        begin(said, Command.TYPE.id(), "go");
        begin(said, Command.LINE_UP.id(), "lines");
        begin(said, Command.CARET_COLUMN.id(), "carets");
        begin(said, "extract-variable", "take out");
        add(said, KeyContext.CODE, "inline", "bring in");
        add(said, Command.BACK, "back");
        add(said, Command.OUTLINE, "outline");
        add(said, Command.SAVE, "save");
        add(said, Command.LEAVE, "leave");
    }

    private void add(List<Said> said, Command command, String words) {
        add(said, KeyContext.CODE, command.id(), words);
    }

    private void add(List<Said> said, KeyContext where, String action, String words) {
        keys.keys(where, action).ifPresent(chord -> said.add(new Said(Key.brief(chord), words)));
    }

    /** The first key of a chord, which opens others. */
    private void begin(List<Said> said, String action, String words) {
        keys.keys(KeyContext.CODE, action).filter(chord -> chord.size() > 1)
                .ifPresent(chord -> said.add(new Said(Key.brief(chord.subList(0, 1)), words + "\u2026")));
    }
}
