package dev.deftchisel.desk;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Change;
import dev.deftchisel.desk.file.OpenFiles;
import dev.deftchisel.desk.file.Saving;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.panel.list.ListPanels;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.desk.text.Motions;
import dev.deftchisel.desk.text.Steps;
import dev.deftchisel.journal.Entry;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.WorkspaceException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What reaches the disk: saved texts, changes, and both taken back. A change is computed on what stands on the desk,
 * so files that it touches are saved just before it.
 */
final class DiskWrites {

    private final Desk desk;
    private final OpenFiles files;

    DiskWrites(Desk desk, OpenFiles files) {
        this.desk = desk;
        this.files = files;
    }

    /**
     * A change that was made, taken back or done again.
     *
     * @param texts of the files it is about that are still there
     * @param saved which files were saved before
     */
    private record WrittenChange(Entry entry, Map<Path, SourceText> texts, List<Saving.Job> saved) {
    }

    /** Writes what is typed in a file. */
    void save(Buffer buffer, Runnable then) {
        save(buffer, false, then);
    }

    private void save(Buffer buffer, boolean isForced, Runnable then) {
        Saving.Job job = Saving.Job.of(buffer);
        desk.ask(TaskPurpose.WRITE, chisel -> {
            boolean isWritten = isForced || !Saving.isOutdated(job);
            if (isWritten) {
                Saving.overwrite(job, chisel);
            }
            return isWritten;
        }, isWritten -> {
            if (!isWritten) {
                conflict(buffer, job.path().getFileName() + " was changed outside meanwhile;", then);
                return;
            }
            buffer.saved(job.wanted());
            desk.say("saved " + desk.shown(buffer.path()));
            then.run();
        });
    }

    private void conflict(Buffer buffer, String what, Runnable then) {
        ListPanels.ask(desk, what, List.of(
                new ListPanels.Answer("leave both as they are", () -> { }),
                new ListPanels.Answer("write mine over it", () -> save(buffer, true, then)),
                new ListPanels.Answer("take what is on disk; mine is lost",
                        () -> desk.ask(TaskPurpose.WRITE, chisel -> {
                    chisel.refresh(List.of(buffer.path()));
                    chisel.edited(Map.of());
                    return chisel.snapshot().file(buffer.path()).map(SourceFile::text);
                }, text -> text.ifPresentOrElse(buffer::replaced, () -> desk.say("it is not there any more"))))));
    }

    /** Makes a change. */
    void apply(Outcome.Preview preview, Place from) {
        Change change = preview.change();
        // a header that was typed may be all that a file has of its change
        List<Saving.Job> jobs = files.dirty().stream().filter(buffer -> change.files().stream()
                .anyMatch(file -> file.path().equals(buffer.path()))).map(Saving.Job::of).toList();
        desk.ask(TaskPurpose.WRITE, chisel -> write(chisel, jobs, with -> with.apply(preview)), written -> {
            noteSaved(written);
            Place to = moved(change, from);
            for (Entry.Image image : written.entry().files()) {
                Path before = desk.resolved(image.before());
                Path after = desk.resolved(image.after());
                Optional<SourceText> text = Optional.ofNullable(written.texts().get(after));
                files.of(before).ifPresent(buffer -> text.ifPresentOrElse(known -> {
                    buffer.applied(written.entry().number(), after, known);
                }, () -> files.close(buffer)));
            }
            change.files().forEach(file -> files.of(file.pathAfter()).ifPresent(Buffer::agree));
            files.settle();
            desk.say("done: " + change.title() + saved(written));
            desk.goQuietly(to);
            List<Place> targets = Chisel.writtenPlaces(change).stream().filter(place -> !place.file().equals(to.file()))
                    .toList();
            desk.link(isLinked(change) ? Chisel.linkedPlaces(change) : List.of(), targets);
        });
    }

    private static boolean isLinked(Change change) {
        return change.effective().stream().flatMap(file -> file.takenEdits().stream())
                .anyMatch(edit -> !edit.linked().isEmpty());
    }

    private static Place moved(Change change, Place from) {
        Range caret = new Range(from.caret(), from.caret());
        Range now = change.mapping().name(from.file(), caret)
                .orElseGet(() -> change.mapping().code(from.file(), caret));
        return new Place(change.mapping().file(from.file()), new Range(now.start(), now.start()));
    }

    private void noteSaved(WrittenChange written) {
        written.saved().forEach(job -> files.of(job.path()).ifPresent(buffer -> buffer.saved(job.wanted())));
    }

    private static String saved(WrittenChange written) {
        String names = written.saved().stream().map(job -> String.valueOf(job.path().getFileName()))
                .collect(Collectors.joining(", "));
        return names.isEmpty() ? "" : " (" + names + " saved before)";
    }

    private static WrittenChange write(Chisel chisel, List<Saving.Job> jobs, Function<Chisel, Entry> change) {
        jobs.forEach(job -> Saving.write(job, chisel));
        chisel.edited(Map.of());
        Entry entry = change.apply(chisel);
        Map<Path, SourceText> texts = new HashMap<>();
        entry.files().stream().flatMap(image -> Stream.of(image.before(), image.after()))
                .map(chisel.workspace().root()::resolve)
                .forEach(path -> chisel.snapshot().file(path).ifPresent(file -> texts.put(path, file.text())));
        return new WrittenChange(entry, texts, jobs);
    }

    /** Takes back the last edit of a file, or the last change if that was made after it. */
    void undo(Buffer buffer) {
        Optional<Steps.Step> last = buffer.steps().last();
        if (last.isEmpty()) {
            desk.say("nothing was done here that could be taken back; " + desk.keysOf("history")
                    + " shows earlier changes");
        } else if (last.get() instanceof Steps.Step.Applied applied) {
            step(true, applied.number());
        } else {
            buffer.undo();
        }
    }

    /** Does again what was taken back last. */
    void redo(Buffer buffer) {
        Optional<Steps.Step> next = buffer.steps().next();
        if (next.isEmpty()) {
            desk.say("nothing was taken back here that could be done again");
        } else if (next.get() instanceof Steps.Step.Applied applied) {
            step(false, applied.number());
        } else {
            buffer.redo();
        }
    }

    /** Takes a change back, or does it again; only the latest can be. */
    void step(boolean isBack, int number) {
        List<Saving.Job> dirty = files.dirty().stream().map(Saving.Job::of).toList();
        Set<Path> isTurn = files.dirty().stream().filter(buffer -> isNext(buffer, isBack, number)).map(Buffer::path)
                .collect(Collectors.toSet());
        desk.ask(TaskPurpose.WRITE, chisel -> {
            List<Entry> history = chisel.history();
            Entry.State state = isBack ? Entry.State.APPLIED : Entry.State.UNDONE;
            // the latest that is in effect is taken back; the earliest that is not is done again
            Optional<Entry> turn = history.stream().filter(entry -> entry.state() == state)
                    .reduce((one, other) -> isBack ? other : one);
            Entry entry = turn.filter(one -> one.number() == number).orElseThrow(() -> new WorkspaceException(
                    turn.map(one -> "first '" + one.title() + "' has to be " + (isBack ? "taken back" : "done again"))
                            .orElse("this change is not there any more")));
            List<Saving.Job> jobs = dirty.stream().filter(job -> concerns(entry, job.path(), chisel)).toList();
            jobs.stream().filter(job -> !isTurn.contains(job.path())).findFirst().ifPresent(job -> {
                throw new WorkspaceException(job.path().getFileName() + " was edited since; take that back first");
            });
            return write(chisel, jobs, isBack ? Chisel::undo : Chisel::redo);
        }, written -> {
            noteSaved(written);
            List<Buffer> gone = new ArrayList<>();
            for (Entry.Image image : written.entry().files()) {
                Path now = desk.resolved(isBack ? image.after() : image.before());
                Path then = desk.resolved(isBack ? image.before() : image.after());
                files.of(now).ifPresent(buffer -> Optional.ofNullable(written.texts().get(then)).ifPresentOrElse(
                        text -> stepped(buffer, isBack, number, then, text), () -> gone.add(buffer)));
            }
            gone.forEach(files::close);
            files.settle();
            desk.stay();
            desk.say((isBack ? "taken back: " : "done again: ") + written.entry().title() + saved(written));
        });
    }

    private static void stepped(Buffer buffer, boolean isBack, int number, Path path, SourceText text) {
        if (isNext(buffer, isBack, number)) {
            buffer.stepped(isBack, path, text);
        } else {
            // the file was opened after the change, or is from an earlier day
            buffer.replaced(path, text);
        }
    }

    /** Whether a change is the next step of a file in that direction. */
    private static boolean isNext(Buffer buffer, boolean isBack, int number) {
        return (isBack ? buffer.steps().last() : buffer.steps().next())
                .filter(one -> one instanceof Steps.Step.Applied applied && applied.number() == number).isPresent();
    }

    private static boolean concerns(Entry entry, Path path, Chisel chisel) {
        Path root = chisel.workspace().root();
        return entry.files().stream().anyMatch(image -> root.resolve(image.before()).equals(path)
                || root.resolve(image.after())
                .equals(path));
    }

    /** A name that was typed over becomes the name, if the guard lets it through. */
    void rename(LinkedRename linked) {
        String name = linked.typed();
        Place place = linked.place();
        linked.restore();
        desk.ask(TaskPurpose.GO, chisel -> chisel.preview(place, "rename", Answers.of("name", name)), outcome -> {
            if (outcome instanceof Outcome.Preview preview) {
                apply(preview, desk.place());
            } else if (outcome instanceof Outcome.Refusal refusal) {
                desk.say("'" + name + "' is refused: " + refusal.reasons().get(0).sentence());
            }
        });
    }

    /** Reads a file that somebody else wrote, when nothing of it is lost by that. */
    void takeOutside(Buffer buffer) {
        desk.ask(TaskPurpose.WRITE, chisel -> {
            chisel.refresh(List.of(buffer.path()));
            return chisel.snapshot().file(buffer.path()).map(SourceFile::text);
        }, text -> {
            if (text.isPresent() && !buffer.isDirty()) {
                Draft before = buffer.draft();
                buffer.replaced(text.get());
                buffer.move(Motions.to(buffer.draft(), Math.min(before.caret().head(), buffer.draft().content()
                        .length())));
                desk.say(desk.shown(buffer.path()) + " was changed outside and is read again");
            }
        });
    }
}
