package dev.deftchisel.desk.key;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A key map to be read: as a page of Markdown, and as plain lines. */
public final class KeyPage {

    private static final int MARGIN = 2;
    private static final String HEAD = """
            # The keys of the desk

            Made by `deft desk --keys --page`. The last line of the screen always shows what keys do just then; `Alt-h` lists all of them,
            and `Shift-Tab` finds anything by a part of its name or by what it does, and does it.

            The thumb holds Alt while the fingers of the left hand find what is done most often, and the right hand is on the arrows. After
            the first key of a chord (`Alt-t v`) Alt may stay down. Where one wants the second key again at once, as when lines
            are moved, the first key holds on: `Alt-l` `Down` `Down` `d`.

            ## Your own keys

            The file `keys` in `~/.config/deft` (or `$XDG_CONFIG_HOME/deft`, or `--key-file FILE`) has a line for each thing whose keys are
            to be others; names are in the last column below.

            ```
            # what is done = keys, or several with commas
            uses         = Alt-Enter
            extract-variable = Alt-t v, Ctrl-e
            list next    = Ctrl-n        # in a list; 'take' is in front of a change, 'code' need not be said
            history      =               # no key
            ```

            Two things with the same keys, or a key that begins the chord of another, are reported when the desk begins and by
            `deft desk --keys`, which then ends with 1: `keys:2: Alt-r is for 'uses' and 'rename'; the first of them counts`.
            """;

    private final KeyMap map;
    private final List<Action.Take> operations;

    /** @param operations all there are, also those without a key */
    public KeyPage(KeyMap map, List<Action.Take> operations) {
        this.map = map;
        this.operations = operations;
    }

    /**
     * What can be done, and by which keys.
     *
     * @param keys empty when there is none
     */
    public record Row(String id, String words, String keys) {
    }

    /** All that can be done, by heading. */
    public Map<String, List<Row>> rows() {
        Map<String, List<Row>> all = new LinkedHashMap<>();
        for (Command.Theme theme : Command.Theme.values()) {
            if (theme != Command.Theme.PANEL) {
                all.put(theme.title(), commands(theme, KeyContext.CODE));
            }
        }
        all.put("Operations at the caret", operations.stream()
                .map(operation -> new Row(operation.id(), operation.words(), keys(KeyContext.CODE, operation.id())))
                .toList());
        all.put("In a list that is narrowed by typing", panel(KeyContext.LIST));
        all.put("In front of a change", panel(KeyContext.TAKE));
        return all;
    }

    private List<Row> commands(Command.Theme theme, KeyContext where) {
        List<Row> rows = new ArrayList<>();
        for (Command command : Command.values()) {
            if (command.theme() == theme) {
                rows.add(new Row(command.id(), command.words(), keys(where, command.id())));
            }
        }
        return rows;
    }

    private List<Row> panel(KeyContext where) {
        List<Row> rows = new ArrayList<>();
        for (Command command : Command.values()) {
            String keys = keys(where, command.id());
            if (!keys.isEmpty()) {
                rows.add(new Row(command.id(), command.words(), keys));
            }
        }
        return rows;
    }

    private String keys(KeyContext where, String id) {
        return map.bindings().stream().filter(binding -> binding.where() == where && binding.action().id().equals(id))
                .map(binding -> Key.shown(binding.chord())).collect(Collectors.joining(", "));
    }

    /** As a table for each heading. */
    public String markdown() {
        StringBuilder page = new StringBuilder(HEAD);
        rows().forEach((heading, rows) -> {
            page.append("\n## ").append(heading).append("\n\n| key | does | name |\n|---|---|---|\n");
            rows.forEach(row -> page.append("| ").append(row.keys().isEmpty() ? "" : "`" + row.keys()
                    .replace(", ", "`, `") + "`")
                    .append(" | ").append(row.words()).append(" | `").append(row.id()).append("` |\n"));
        });
        return page.toString();
    }

    /** As lines for a terminal. */
    public String plain() {
        int keys = width(Row::keys);
        int ids = width(Row::id);
        StringBuilder page = new StringBuilder();
        rows().forEach((heading, rows) -> {
            page.append(heading).append('\n');
            rows.forEach(row -> page.append(("  %-" + keys + "s%-" + ids + "s%s%n")
                    .formatted(row.keys(), row.id(), row.words())));
        });
        return page.toString();
    }

    private int width(Function<Row, String> part) {
        return MARGIN + rows().values().stream().flatMap(List::stream).mapToInt(row -> part.apply(row).length()).max()
                .orElse(0);
    }
}
