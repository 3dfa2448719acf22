package dev.deftchisel.desk;

import dev.deftchisel.desk.file.CopyHistory;
import dev.deftchisel.desk.file.OpenFiles;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.key.Key;
import dev.deftchisel.desk.key.KeyContext;
import dev.deftchisel.desk.panel.list.FindList;
import dev.deftchisel.desk.panel.list.ListPanels;
import dev.deftchisel.desk.panel.list.OffersList;
import dev.deftchisel.desk.panel.list.ProblemsList;
import dev.deftchisel.desk.panel.list.UsesList;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Motions;
import dev.deftchisel.operation.Place;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/** What keys do in front of the code, beyond editing it. */
final class Commands {

    private final Desk desk;
    private final OpenFiles files;
    private final DiskWrites writing;
    private final FileInsight insight;
    private final Editing editing;
    private Optional<String> latest = Optional.empty();

    Commands(Desk desk, OpenFiles files, DiskWrites writing, FileInsight insight, Editing editing) {
        this.desk = desk;
        this.files = files;
        this.writing = writing;
        this.insight = insight;
        this.editing = editing;
    }

    /** An operation was taken, which may be wanted again elsewhere. */
    void taken(String operation) {
        latest = Optional.of(operation);
    }

    /** Whether there is such a thing. */
    boolean take(Command command) {
        return takeLoop(command) || takeWay(command);
    }

    OffersList offers() {
        return new OffersList(desk, id -> desk.keys().keys(KeyContext.CODE, id).map(Key::brief).orElse(""));
    }

    private boolean takeLoop(Command command) {
        switch (command) {
            case OFFERS -> offers().open();
            case OPERATIONS -> desk.openManual(false);
            case HELP -> desk.openManual(true);
            case NEXT_PROBLEM -> problem(true);
            case PREVIOUS_PROBLEM -> problem(false);
            case PROBLEMS -> ProblemsList.open(desk);
            case FIX -> offers().fix();
            case FIX_ALIKE -> offers().fixAlike();
            case AGAIN -> latest.ifPresentOrElse(offers()::take, () -> desk.say("no operation was taken yet"));
            case UNDO -> writing.undo(desk.buffer());
            case REDO -> writing.redo(desk.buffer());
            case HISTORY -> History.open(desk, writing);
            case SAVE -> save();
            case LEAVE -> leave();
            case PASTE_EARLIER -> CopyHistory.open(desk, editing.clips(), clip -> editing.paste(desk.buffer(), clip));
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean takeWay(Command command) {
        // what is looked up elsewhere must not look at the desk
        Place here = desk.place();
        switch (command) {
            case FIND -> FindList.open(desk);
            case OUTLINE -> FindList.outline(desk);
            case DECLARATION -> ListPanels.places(desk, "declaration", chisel -> chisel.navigator().declaration(here)
                    .stream().toList());
            case TYPE -> ListPanels.places(desk, "its type", chisel -> chisel.navigator().typeDeclaration(here).stream()
                    .toList());
            case IMPLEMENTATIONS -> ListPanels.places(desk, "implementations", chisel -> chisel.navigator()
                    .implementations(here));
            case COUNTERPART -> ListPanels.places(desk, "tests, or what is tested",
                    chisel -> chisel.counterparts(here));
            case PEEK -> ListPanels.peek(desk, here);
            case USES -> UsesList.open(desk);
            case CALLERS -> UsesList.callers(desk);
            case BACK -> desk.ways().back(here).ifPresentOrElse(desk::goQuietly,
                    () -> desk.say("there is nowhere to go back to"));
            case FORTH -> desk.ways().forth(here).ifPresentOrElse(desk::goQuietly,
                    () -> desk.say("there is nowhere to go forth to"));
            default -> {
                return false;
            }
        }
        return true;
    }

    private void problem(boolean isNext) {
        insight.beside(desk.buffer().draft(), isNext).ifPresentOrElse(mark ->
                desk.buffer().move(Motions.to(desk.buffer().draft(), mark.range().start())),
                () -> desk.say("nothing is wrong in this file"));
    }

    private void save() {
        if (desk.buffer().isDirty()) {
            writing.save(desk.buffer(), () -> { });
        } else {
            desk.say("there is nothing to save");
        }
    }

    private void leave() {
        List<Buffer> dirty = files.dirty();
        if (dirty.isEmpty()) {
            desk.leave();
            return;
        }
        ListPanels.ask(desk, dirty.size() == 1 ? desk.shown(dirty.get(0).path()) + " is not saved;"
                : dirty.size() + " files are not saved;",
                List.of(
                new ListPanels.Answer("save and leave", () -> saveAll(new ArrayDeque<>(dirty))),
                new ListPanels.Answer("leave without saving", desk::leave),
                new ListPanels.Answer("stay", () -> { })));
    }

    private void saveAll(Deque<Buffer> rest) {
        if (rest.isEmpty()) {
            desk.leave();
        } else {
            writing.save(rest.pop(), () -> saveAll(rest));
        }
    }
}
