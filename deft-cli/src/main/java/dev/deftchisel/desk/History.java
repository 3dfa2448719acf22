package dev.deftchisel.desk;

import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.journal.Entry;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** The changes that were made in the workspace, the latest first, also on other days. */
final class History {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    private History() {
    }

    static void open(Desk desk, DiskWrites writing) {
        desk.ask(TaskPurpose.GO, chisel -> chisel.history(), history -> {
            if (history.isEmpty()) {
                desk.say("nothing was changed in this workspace yet");
                return;
            }
            List<Entry> latest = new ArrayList<>(history);
            Collections.reverse(latest);
            desk.open(Picker.of("changes", ItemSource.of(latest.stream().map(History::item).toList()))
                    .showing((entry, show) -> show.accept(entry.files().stream()
                            .map(image -> Line.of(image.after(), Ink.PLACE)).toList()))
                    .then(desk::close, "take it back, or do it again", entry -> {
                        desk.close();
                        writing.step(entry.state() == Entry.State.APPLIED, entry.number());
                    }));
        });
    }

    private static Item<Entry> item(Entry entry) {
        String time = TIME.format(entry.time().atZone(ZoneId.systemDefault()));
        boolean isUndone = entry.state() == Entry.State.UNDONE;
        return new Item<>(entry, entry.title(), Line.of(time + "  ", Ink.QUIET)
                .and(entry.title(), isUndone ? Ink.QUIET : Ink.PLAIN),
                isUndone ? "taken back" : "");
    }
}
