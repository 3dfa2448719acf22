package dev.deftchisel.desk.file;

import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.text.Clip;
import dev.deftchisel.desk.text.Clips;
import java.util.List;
import java.util.function.Consumer;

/** What was cut and copied, to be pasted again. */
public final class CopyHistory {

    private CopyHistory() {
    }

    public static void open(PanelHost bench, Clips clips, Consumer<Clip> paste) {
        if (clips.all().isEmpty()) {
            bench.say("nothing was cut or copied yet");
            return;
        }
        List<Item<Clip>> items = clips.all().stream().map(clip -> {
            String first = clip.text().strip().lines().findFirst().orElse("");
            long lines = clip.text().lines().count();
            return new Item<>(clip, clip.text(), Line.of(first, Ink.PLAIN), lines > 1 ? lines + " lines" : "");
        }).toList();
        bench.open(Picker.of("paste", ItemSource.of(items))
                .showing((clip, show) -> show.accept(clip.text().lines()
                        .map(line -> Line.of(line.replace("\t", "    "), Ink.PLAIN))
                .toList()))
                .then(bench::close, "paste it", clip -> {
                    bench.close();
                    paste.accept(clip);
                }));
    }
}
