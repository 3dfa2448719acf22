package dev.deftchisel.cli.text;

import com.google.gson.Gson;
import com.google.gson.GsonBuilder;
import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Uses;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Position;
import java.util.List;
import java.util.Locale;

/** Results as JSON. Lines and columns count from 1, paths are relative to the workspace. */
public final class JsonText {

    private final Gson gson = new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create();
    private final Chisel chisel;

    public JsonText(Chisel chisel) {
        this.chisel = chisel;
    }

    public String preview(Outcome.Preview preview, boolean isApplied) {
        JsonObject root = new JsonObject();
        root.addProperty("outcome", isApplied ? "applied" : "preview");
        root.addProperty("title", preview.change().title());
        JsonArray files = new JsonArray();
        preview.change().files().stream()
                .filter(file -> !file.isEmpty() || !file.edits().isEmpty())
                .forEach(file -> files.add(file(file)));
        root.add("files", files);
        root.add("notes", strings(preview.change().notes()));
        return gson.toJson(root);
    }

    private JsonObject file(FileChange file) {
        JsonObject json = new JsonObject();
        json.addProperty("path", chisel.workspace().show(file.path()));
        if (file.isNew()) {
            json.addProperty("is-new", true);
        }
        if (file.isGone()) {
            json.addProperty("is-removed", true);
        }
        file.target().ifPresent(target -> json.addProperty("moves-to", chisel.workspace().show(target)));
        LineMap lines = LineMap.of(file.before().content());
        JsonArray edits = new JsonArray();
        for (Edit edit : file.edits()) {
            JsonObject one = new JsonObject();
            place(one, lines.position(edit.range().start()));
            one.addProperty("old", file.before().content().substring(edit.range().start(), edit.range().end()));
            one.addProperty("new", edit.replacement());
            one.addProperty("kind", edit.kind().name().toLowerCase(Locale.ROOT));
            one.addProperty("taken", edit.isTaken());
            edits.add(one);
        }
        json.add("edits", edits);
        return json;
    }

    private static void place(JsonObject json, Position position) {
        json.addProperty("line", position.line());
        json.addProperty("column", position.column());
    }

    private static JsonArray strings(List<String> lines) {
        JsonArray array = new JsonArray();
        lines.forEach(array::add);
        return array;
    }

    public String refusal(Outcome.Refusal refusal) {
        JsonObject root = new JsonObject();
        root.addProperty("outcome", "refused");
        JsonArray reasons = new JsonArray();
        for (Reason reason : refusal.reasons()) {
            JsonObject one = new JsonObject();
            reason.file().ifPresent(file -> {
                one.addProperty("path", chisel.workspace().show(file));
                chisel.snapshot().file(file).ifPresent(known -> place(one, known.position(reason.range().start())));
            });
            one.addProperty("reason", reason.sentence());
            reasons.add(one);
        }
        root.add("reasons", reasons);
        root.add("notes", strings(refusal.notes()));
        return gson.toJson(root);
    }

    public String places(List<Place> places) {
        JsonArray array = new JsonArray();
        for (Place place : places) {
            Position position = chisel.snapshot().source(place.file()).position(place.caret());
            JsonObject one = new JsonObject();
            one.addProperty("path", chisel.workspace().show(place.file()));
            one.addProperty("line", position.line());
            one.addProperty("column", position.column());
            array.add(one);
        }
        return gson.toJson(array);
    }

    public String offers(List<Offer> offers) {
        JsonArray array = new JsonArray();
        for (Offer offer : offers) {
            JsonObject one = new JsonObject();
            one.addProperty("operation", offer.operation());
            one.addProperty("title", offer.title());
            one.addProperty("kind", offer.kind().name().toLowerCase(Locale.ROOT));
            JsonArray questions = new JsonArray();
            for (Question question : offer.questions()) {
                JsonObject asked = new JsonObject();
                asked.addProperty("key", question.key());
                asked.addProperty("asks", question.getClass().getSimpleName().toLowerCase(Locale.ROOT));
                asked.addProperty("label", question.label());
                if (question instanceof Question.Name name) {
                    asked.addProperty("current", name.current());
                } else if (question instanceof Question.Proposed name) {
                    asked.add("proposals", strings(name.proposals()));
                } else if (question instanceof Question.Choice choice) {
                    asked.add("options", strings(choice.options().stream().map(Question.Option::key).toList()));
                    asked.addProperty("default", choice.defaultAnswer());
                }
                questions.add(asked);
            }
            one.add("questions", questions);
            array.add(one);
        }
        return gson.toJson(array);
    }

    public String problems(List<Problem> problems) {
        JsonArray array = new JsonArray();
        for (Problem problem : problems) {
            JsonObject one = new JsonObject();
            one.addProperty("path", chisel.workspace().show(problem.file()));
            place(one, problem.position());
            Position end = chisel.snapshot().source(problem.file()).position(problem.range().end());
            one.addProperty("end-line", end.line());
            one.addProperty("end-column", end.column());
            one.addProperty("rule", problem.rule());
            one.addProperty("tag", problem.tag().word());
            one.addProperty("severity", problem.severity().word());
            one.addProperty("problem", problem.sentence());
            one.add("fixes", strings(problem.fixes()));
            array.add(one);
        }
        return gson.toJson(array);
    }

    public String uses(Uses uses) {
        JsonObject root = new JsonObject();
        root.addProperty("symbol", uses.symbol().describe());
        JsonArray array = new JsonArray();
        for (Uses.Use use : uses.all()) {
            JsonObject one = new JsonObject();
            one.addProperty("path", chisel.workspace().show(use.file()));
            place(one, use.position());
            one.addProperty("role", use.role().name().toLowerCase(Locale.ROOT));
            one.addProperty("code", use.code().name().toLowerCase(Locale.ROOT));
            one.addProperty("text", use.line());
            array.add(one);
        }
        root.add("uses", array);
        return gson.toJson(root);
    }
}
