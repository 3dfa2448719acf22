package dev.deftchisel.cli.text;

import com.google.gson.Gson;
import com.google.gson.GsonBuilder;
import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import dev.deftchisel.journal.Entry;
import java.util.List;
import java.util.Locale;

/** The history of a workspace as JSON. Paths are relative to the workspace. */
public final class HistoryJson {

    private final Gson gson = new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create();

    /** All changes, in their order. */
    public String text(List<Entry> entries) {
        JsonArray array = new JsonArray();
        for (Entry entry : entries) {
            JsonObject one = new JsonObject();
            one.addProperty("number", entry.number());
            one.addProperty("title", entry.title());
            one.addProperty("time", entry.time().toString());
            one.addProperty("state", entry.state().name().toLowerCase(Locale.ROOT));
            JsonArray files = new JsonArray();
            entry.files().forEach(image -> files.add(image.after()));
            one.add("files", files);
            array.add(one);
        }
        return gson.toJson(array);
    }
}
