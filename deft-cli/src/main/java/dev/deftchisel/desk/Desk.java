package dev.deftchisel.desk;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.desk.background.BackgroundTasks;
import dev.deftchisel.desk.file.NavigationHistory;
import dev.deftchisel.desk.file.OpenFiles;
import dev.deftchisel.desk.key.Action;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.key.KeyMap;
import dev.deftchisel.desk.panel.Panel;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Picture;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.desk.text.Motions;
import dev.deftchisel.header.edited.EditedHeader;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.Workspace;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * The screen as a model: it takes keys, asks background tasks for what it needs to know, and gives a picture of itself.
 * To be used by one thread, on which their results arrive, too.
 */
public final class Desk implements PanelHost {

    private final Workspace workspace;
    private final BackgroundTasks tasks;
    private final KeyMap keys;
    private final CommandList commandList;
    private final OpenFiles files;
    private final Editing editing = new Editing();
    private final DiskWrites writing;
    private final FileInsight insight;
    private final Commands commands;
    private final NavigationHistory ways = new NavigationHistory();
    private final Deque<Panel> panels = new ArrayDeque<>();
    private final PendingKeys waiting = new PendingKeys();
    private List<Key> begun = List.of();
    private Buffer buffer;
    private Optional<LinkedRename> linked = Optional.empty();
    private String message = "";
    private boolean hasLeft;
    private boolean isCutOff;
    private int page = 1;

    /**
     * A desk with one file on it.
     *
     * @param start  the file, and where in it
     * @param keys   what keys do
     * @param commandList all that can be done
     */
    public Desk(Workspace workspace, CaretInFile start, BackgroundTasks tasks, KeyMap keys, CommandList commandList) {
        this.workspace = workspace;
        this.tasks = tasks;
        this.keys = keys;
        this.commandList = commandList;
        this.files = new OpenFiles(workspace.root());
        this.writing = new DiskWrites(this, files);
        this.insight = new FileInsight(this);
        this.commands = new Commands(this, files, writing, insight, editing);
        this.buffer = files.of(start.file());
        buffer.move(Motions.to(buffer.draft(), start.caret()));
        insight.follow(buffer);
    }

    // --- what panels may ask -------------------------------------------------------------------------------------

    @Override
    public <T> void ask(TaskPurpose lane, Function<Chisel, T> work, Consumer<T> then) {
        Object ticket = waiting.begin(lane);
        tasks.ask(lane, files.texts(), work, found -> {
            if (waiting.end(ticket)) {
                try {
                    then.accept(found);
                } finally {
                    after(lane);
                }
            }
        }, failed -> {
            if (waiting.end(ticket)) {
                say(failed.getMessage() == null ? failed.toString() : failed.getMessage().replaceAll("\\R\\s*", " "));
                after(lane);
            }
        });
    }

    private void after(TaskPurpose lane) {
        if (lane == TaskPurpose.WRITE) {
            insight.again();
        }
        waiting.release();
        insight.follow(buffer);
    }

    @Override
    public void say(String text) {
        message = text;
    }

    @Override
    public void open(Panel panel) {
        panels.push(panel);
    }

    @Override
    public void close() {
        panels.poll();
    }

    @Override
    public void go(Path file, Range selection) {
        ways.leave(place());
        goQuietly(new Place(file, selection));
    }

    /** Goes somewhere without noting the way. */
    void goQuietly(Place to) {
        Optional<Buffer> open = files.of(to.file());
        if (open.isPresent()) {
            show(open.get(), to.selection());
        } else {
            ask(TaskPurpose.GO, chisel -> chisel.snapshot().file(to.file()), file -> file.ifPresentOrElse(
                    known -> show(files.of(known), to.selection()),
                    () -> say(shown(to.file()) + " is not there any more")));
        }
    }

    private void show(Buffer other, Range selection) {
        buffer = other;
        int length = buffer.draft().content().length();
        buffer.move(Motions.to(buffer.draft(), Math.min(selection.start(), length)));
        insight.follow(buffer);
    }

    @Override
    public Place place() {
        return new Place(buffer.path(), buffer.draft().caret().range());
    }

    @Override
    public String agreed() {
        return buffer.agreed();
    }

    @Override
    public void apply(Outcome.Preview preview, Optional<String> operation) {
        panels.clear();
        operation.ifPresent(commands::taken);
        writing.apply(preview, place());
    }

    @Override
    public String shown(Path path) {
        return workspace.show(path);
    }

    // --- what the other parts of the desk ask --------------------------------------------------------------------

    Path resolved(String shown) {
        return workspace.root().resolve(shown);
    }

    /** The keys for something, for what is said. */
    String keysOf(String action) {
        return keys.keys(KeyContext.CODE, action).map(Key::brief).orElse("'" + action + "'");
    }

    /** Stays in a file that is open, since the one before may be gone. */
    void stay() {
        List<Buffer> open = files.all();
        if (open.contains(buffer)) {
            insight.follow(buffer);
        } else if (!open.isEmpty()) {
            show(open.get(open.size() - 1), open.get(open.size() - 1).draft().caret().range());
        }
    }

    /** New names stand ready to be typed over; where else something was written is one step away. */
    void link(List<Place> names, List<Place> elsewhere) {
        linked = LinkedRename.at(buffer, names);
        linked.ifPresent(LinkedRename::begin);
        elsewhere.stream().findFirst().ifPresent(place -> {
            ways.offer(place);
            say(message + "; " + keysOf(Command.FORTH.id()) + " goes to " + place.file().getFileName());
        });
    }

    /** A file is not on disk what it was when it was read. */
    void changedOutside(Buffer changed, byte[] bytes) {
        if (waiting.isWriting()) {
            return;
        }
        if (bytes.length == 0) {
            say(shown(changed.path()) + " is gone from the disk; " + keysOf(Command.SAVE.id()) + " writes it again");
        } else if (changed.isDirty()) {
            say(shown(changed.path()) + " was changed outside; " + keysOf(Command.SAVE.id()) + " asks what to do");
        } else {
            writing.takeOutside(changed);
        }
    }

    /** Selects something in the file that is shown. */
    public void select(Range selection) {
        buffer.move(buffer.draft().with(Caret.over(selection)));
        insight.follow(buffer);
    }

    // --- keys ----------------------------------------------------------------------------------------------------

    /** Takes a key. */
    public void press(Key key) {
        if (waiting.isHolding()) {
            if (key.equals(Key.of("Esc")) && waiting.stop()) {
                say("stopped");
            } else {
                waiting.hold(() -> press(key));
            }
            return;
        }
        message = "";
        KeyContext where = panels.isEmpty() ? KeyContext.CODE : panels.peek().where();
        KeyMap.Pressed pressed = keys.press(where, begun, key);
        boolean wasBegun = !begun.isEmpty();
        if (pressed instanceof KeyMap.Pressed.Begun more) {
            begun = more.keys();
            return;
        }
        List<Key> before = begun;
        begun = List.of();
        if (pressed instanceof KeyMap.Pressed.Done done) {
            take(done.action());
            boolean stays = wasBegun && done.action() instanceof Command command && command.stays() && panels.isEmpty();
            begun = stays ? before : List.of();
        } else if (wasBegun) {
            if (!key.equals(Key.of("Esc"))) {
                press(key);
            }
        } else {
            key.text().ifPresentOrElse(this::type, () -> say(key + " does nothing here"));
        }
        insight.follow(buffer);
    }

    /** Takes text that comes in one piece. */
    public void paste(String text) {
        if (waiting.isHolding()) {
            waiting.hold(() -> paste(text));
        } else if (panels.isEmpty()) {
            behindName(Command.PASTE, () -> editing.paste(buffer, text));
            insight.follow(buffer);
        } else {
            panels.peek().type(text);
        }
    }

    private void type(String text) {
        if (!panels.isEmpty()) {
            panels.peek().type(text);
        } else if (text.codePoints().allMatch(Character::isJavaIdentifierPart)) {
            // it may be part of a name that is typed over
            editing.type(buffer, text);
        } else {
            behindName(Command.PASTE, () -> editing.type(buffer, text));
        }
    }

    private void take(Action action) {
        if (!panels.isEmpty()) {
            if (action instanceof Command command) {
                panels.peek().take(command);
            }
            return;
        }
        if (action instanceof Action.Take operation) {
            behindName(Command.CHOOSE, () -> commands.offers().take(operation.id()));
        } else {
            Command command = (Command) action;
            behindName(command, () -> {
                if (!editing.take(command, buffer, page) && !commands.take(command)) {
                    say("'" + command.id() + "' does nothing here");
                }
            });
        }
    }

    /** Does something else than typing over a name: where one was typed over, it is done with first. */
    private void behindName(Command command, Runnable what) {
        if (endLinked(command)) {
            return;
        }
        if (waiting.isHolding()) {
            waiting.hold(what);
        } else {
            what.run();
        }
    }

    /** A name that is typed over is done with when something else is. Whether the key was for that only. */
    private boolean endLinked(Command command) {
        if (linked.isEmpty()) {
            return false;
        }
        boolean goesOn = switch (command) {
            case BACKSPACE, DELETE, DELETE_WORD_LEFT, DELETE_WORD_RIGHT, LEFT, RIGHT, SELECT_LEFT, SELECT_RIGHT -> true;
            default -> false;
        };
        if (goesOn) {
            Draft before = buffer.draft();
            editing.take(command, buffer, page);
            if (!linked.get().isInside()) {
                buffer.move(before);
            }
            return true;
        }
        LinkedRename now = linked.get();
        linked = Optional.empty();
        if (command == Command.CLOSE || !now.isChanged()) {
            now.restore();
        } else {
            writing.rename(now);
        }
        buffer.move(buffer.draft().with(Caret.at(buffer.draft().caret().range().start())));
        return command == Command.CLOSE || command == Command.ENTER;
    }

    /** The file that is shown. */
    Buffer buffer() {
        return buffer;
    }

    KeyMap keys() {
        return keys;
    }

    NavigationHistory ways() {
        return ways;
    }

    /** All that can be done, to choose from. */
    void openManual(boolean isByKey) {
        commandList.open(this, keys, isByKey, this::take);
    }

    /** The user leaves. */
    void leave() {
        hasLeft = true;
    }

    // --- what is to be seen --------------------------------------------------------------------------------------

    /** Whether the user has left. */
    public boolean hasLeft() {
        return hasLeft;
    }

    /** The terminal is gone. */
    public void end() {
        isCutOff = true;
        hasLeft = true;
    }

    /** Whether the end came without the user. */
    public boolean isCutOff() {
        return isCutOff;
    }

    /** What is typed and not saved, by file. */
    public Map<Path, String> unsaved() {
        return files.texts();
    }

    /** The text that is shown. */
    public Draft draft() {
        return buffer.draft();
    }

    /** The panel on top. */
    public Optional<Panel> panel() {
        return Optional.ofNullable(panels.peek());
    }

    /** What is said to the user now; empty when there is nothing. */
    public String message() {
        return message;
    }

    /** Draws itself. */
    public Picture draw(int height, int width) {
        page = Math.max(1, Screen.codeRows(height, width, !panels.isEmpty()) - 2);
        KeyHints hints = new KeyHints(keys);
        List<KeyHints.Said> said = new ArrayList<>(panels.isEmpty() ? begun.isEmpty()
                ? hints.of(state(), insight.here(buffer.draft()).isPresent()) : hints.after(begun)
                : hints.of(panels.peek()));
        String shown;
        if (waiting.hasHeld()) {
            shown = "a moment \u2026 Esc stops waiting";
        } else if (begun.isEmpty()) {
            shown = message.isEmpty() && panels.isEmpty() && isHeaderTyped()
                    ? keysOf(Command.OFFERS.id()) + " carries this header to all calls and overrides" : message;
        } else {
            shown = (message.isEmpty() ? "" : message + "  ") + Key.brief(begun) + " \u2026";
        }
        return new Screen(height, width).draw(new Screen.Content(buffer, shown(buffer.path()), insight, panel(), shown,
                tasks.isWorking(), said));
    }

    /** Whether the caret is in a header with which the code does not agree yet. */
    private boolean isHeaderTyped() {
        return EditedHeader.at(SourceFile.alone(buffer.path(), buffer.draft().content()),
                SourceFile.alone(buffer.path(), buffer.agreed()), buffer.draft().caret().head()).isPresent();
    }

    private KeyHints.State state() {
        if (linked.isPresent()) {
            return KeyHints.State.LINKED;
        } else if (buffer.draft().carets().size() > 1) {
            return KeyHints.State.SEVERAL;
        }
        return buffer.draft().caret().isBare() ? KeyHints.State.PLAIN : KeyHints.State.SELECTED;
    }
}
