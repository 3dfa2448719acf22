package dev.deftchisel.desk.panel;

import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Pen;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.desk.picture.Widths;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/**
 * A list from which one is chosen. Typing narrows it; beside or below it something may be shown of the row that is
 * chosen now.
 *
 * @param <T> what is chosen
 */
public final class Picker<T> implements Panel {

    private static final int BESIDE = 100;

    private final String title;
    private final ItemSource<T> source;
    private final Consumer<T> chosen;
    private final List<String> parts;
    private final Optional<BiConsumer<T, Consumer<List<Line>>>> shows;
    private final String does;
    private final Runnable leave;
    private String typed = "";
    private int part;
    private List<Item<T>> items = List.of();
    private boolean isFound;
    private int at;
    private int page = 1;
    private List<Line> side = List.of();
    private int sideFrom;
    /** Of which row the side was asked for last, so that a late answer is dropped. */
    private Optional<T> shown = Optional.empty();

    private Picker(Making<T> making) {
        this.title = making.title;
        this.source = making.source;
        this.chosen = making.chosen;
        this.parts = List.copyOf(making.parts);
        this.shows = making.shows;
        this.does = making.does;
        this.leave = making.leave;
        this.at = making.at;
        look();
    }

    /**
     * A list that is being made.
     *
     * @param title  what it is
     * @param source of the rows
     */
    public static <T> Making<T> of(String title, ItemSource<T> source) {
        return new Making<>(title, source);
    }

    /** What a list can be besides. */
    public static final class Making<T> {

        private final String title;
        private final ItemSource<T> source;
        private Consumer<T> chosen = row -> { };
        private List<String> parts = List.of();
        private Optional<BiConsumer<T, Consumer<List<Line>>>> shows = Optional.empty();
        private String does = "take it";
        private Runnable leave = () -> { };
        private int at;

        private Making(String title, ItemSource<T> source) {
            this.title = title;
            this.source = source;
        }

        /** It has parts, between which one goes to and fro. */
        public Making<T> parts(List<String> names) {
            parts = names;
            return this;
        }

        /** Something is shown of the row that is chosen now. */
        public Making<T> showing(BiConsumer<T, Consumer<List<Line>>> what) {
            shows = Optional.of(what);
            return this;
        }

        /** Another row than the first is chosen at the beginning. */
        public Making<T> startingAt(int row) {
            at = row;
            return this;
        }

        /**
         * The list.
         *
         * @param leaves what to do when nothing is chosen
         * @param words  what choosing does
         * @param then   what to do with what is chosen
         */
        public Picker<T> then(Runnable leaves, String words, Consumer<T> then) {
            leave = leaves;
            does = words;
            chosen = then;
            return new Picker<>(this);
        }
    }

    @Override
    public KeyContext where() {
        return KeyContext.LIST;
    }

    @Override
    public String title() {
        return title;
    }

    /** What is in the list now. */
    public List<Item<T>> items() {
        return items;
    }

    private void look() {
        String asked = typed;
        int of = part;
        source.find(typed, part, found -> {
            if (asked.equals(typed) && of == part) {
                items = found;
                isFound = true;
                at = Math.max(0, Math.min(at, items.size() - 1));
                showSide();
            }
        });
    }

    private void showSide() {
        Optional<T> now = items.isEmpty() ? Optional.empty() : Optional.of(items.get(at).what());
        if (shows.isEmpty() || now.equals(shown)) {
            return;
        }
        shown = now;
        side = List.of();
        sideFrom = 0;
        now.ifPresent(row -> shows.get().accept(row, lines -> {
            if (shown.filter(row::equals).isPresent()) {
                side = lines;
            }
        }));
    }

    @Override
    public void take(Command command) {
        switch (command) {
            case NEXT -> move(at + 1 >= items.size() ? 0 : at + 1);
            case PREVIOUS -> move(at == 0 ? items.size() - 1 : at - 1);
            case NEXT_PAGE -> move(Math.min(items.size() - 1, at + page));
            case PREVIOUS_PAGE -> move(Math.max(0, at - page));
            case OTHER -> other(1);
            case OTHER_BACK -> other(-1);
            case ERASE -> narrow(typed.isEmpty() ? ""
                    : typed.substring(0, typed.offsetByCodePoints(typed.length(), -1)));
            case ERASE_ALL -> narrow("");
            case CHOOSE -> {
                if (!items.isEmpty()) {
                    chosen.accept(items.get(at).what());
                }
            }
            case CLOSE -> leave.run();
            default -> { }
        }
    }

    private void move(int row) {
        at = Math.max(0, row);
        showSide();
    }

    private void other(int by) {
        if (!parts.isEmpty()) {
            part = Math.floorMod(part + by, parts.size());
            at = 0;
            look();
        }
    }

    private void narrow(String text) {
        if (!text.equals(typed)) {
            typed = text;
            at = 0;
            look();
        }
    }

    @Override
    public void type(String text) {
        narrow(typed + text.replaceAll("\\R.*", ""));
    }

    @Override
    public void draw(Pen pen) {
        pen.clear();
        if (shows.isEmpty()) {
            list(pen);
        } else if (pen.width() >= BESIDE) {
            int half = pen.width() * 2 / 5;
            list(pen.in(pen.area().columns(0, half)));
            for (int row = 0; row < pen.height(); row++) {
                pen.write(row, half, "\u2502", Style.of(Ink.QUIET));
            }
            side(pen.in(pen.area().columns(half + 2, pen.width())));
        } else {
            int own = Math.min(Math.max(2, items.size() + 1), Math.max(3, pen.height() * 2 / 5));
            list(pen.in(pen.area().rows(0, own)));
            pen.write(own, 0, "\u2500".repeat(Math.max(0, pen.width())), Style.of(Ink.QUIET));
            side(pen.in(pen.area().rows(own + 1, pen.height()).columns(1, pen.width())));
        }
    }

    private void list(Pen pen) {
        head(pen);
        Pen rows = pen.in(pen.area().rows(1, pen.height()));
        page = Math.max(1, rows.height());
        int from = Math.max(0, Math.min(at - page / 2, items.size() - page));
        if (items.isEmpty() && isFound) {
            rows.write(0, 1, typed.isEmpty() ? "nothing here" : "nothing goes with that", Style.of(Ink.QUIET));
        }
        for (int row = 0; row < page && from + row < items.size(); row++) {
            Item<T> item = items.get(from + row);
            item.line().draw(rows.in(rows.area().columns(1,
                    rows.width() - 1 - (item.aside().isEmpty() ? 0 : Widths.of(item.aside()) + 2))),
                    row, 0);
            rows.write(row, rows.width() - Widths.of(item.aside()) - 1, item.aside(), Style.of(Ink.KEY));
            if (from + row == at) {
                rows.restyle(row, 0, rows.width(), style -> style.on(Ground.HERE).strongly());
            }
        }
    }

    private void head(Pen pen) {
        int column = pen.write(0, 1, title + " ", Style.of(Ink.QUIET));
        if (!parts.isEmpty()) {
            column = pen.write(0, column, "\u2039" + parts.get(part) + "\u203a ", Style.of(Ink.PLACE));
        }
        column = pen.write(0, column, typed, Style.PLAIN.strongly());
        pen.caret(0, column);
        String count;
        if (!isFound) {
            count = "\u2026";
        } else if (items.isEmpty()) {
            count = "";
        } else {
            count = (at + 1) + "/" + items.size();
        }
        pen.write(0, pen.width() - Widths.of(count) - 1, count, Style.of(Ink.QUIET));
    }

    private void side(Pen pen) {
        for (int row = 0; row < pen.height() && sideFrom + row < side.size(); row++) {
            side.get(sideFrom + row).draw(pen, row, 0);
        }
    }

    @Override
    public List<Hint> hints() {
        List<Hint> hints = new ArrayList<>();
        if (!items.isEmpty()) {
            hints.add(new Hint(Command.CHOOSE, does));
        }
        hints.add(new Hint(Command.NEXT, "next"));
        if (!parts.isEmpty()) {
            hints.add(new Hint(Command.OTHER, parts.get((part + 1) % parts.size())));
        }
        hints.add(new Hint(Command.CLOSE, "leave"));
        return hints;
    }
}
