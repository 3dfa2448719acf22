package dev.deftchisel.cli.text;

import com.google.gson.GsonBuilder;
import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import dev.deftchisel.jdk.Jdk;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/** A project as JSON. Folders are relative to the workspace, files of libraries and JDKs are absolute. */
public final class ProjectJson {

    private final Workspace workspace;

    public ProjectJson(Workspace workspace) {
        this.workspace = workspace;
    }

    public String text(List<Jdk> jdks) {
        JsonObject root = new JsonObject();
        root.addProperty("folder", workspace.root().toString());
        root.addProperty("build", workspace.build().name());
        root.add("build-files", strings(workspace.build().files(), workspace::show));
        root.add("jdk", jdk(Jdk.running()));
        JsonArray others = new JsonArray();
        jdks.stream().filter(jdk -> !jdk.home().equals(Jdk.running().home())).forEach(jdk -> others.add(jdk(jdk)));
        root.add("other-jdks", others);
        JsonArray modules = new JsonArray();
        workspace.modules().forEach(module -> modules.add(module(module)));
        root.add("modules", modules);
        root.add("not-known", strings(workspace.gaps(), gap -> gap));
        return new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create().toJson(root);
    }

    private static JsonObject jdk(Jdk jdk) {
        JsonObject json = new JsonObject();
        json.addProperty("version", jdk.version());
        json.addProperty("home", jdk.home().toString());
        return json;
    }

    private JsonObject module(Module module) {
        JsonObject json = new JsonObject();
        json.addProperty("name", module.name());
        json.addProperty("folder", workspace.show(module.folder()));
        json.addProperty("level", module.level());
        json.addProperty("api", word(module.java().api()));
        json.add("options", strings(module.java().options(), option -> option));
        json.addProperty("encoding", module.encoding().name());
        JsonArray roots = new JsonArray();
        for (SourceRoot root : module.roots()) {
            JsonObject one = new JsonObject();
            one.addProperty("folder", workspace.show(root.folder()));
            one.addProperty("use", word(root.use()));
            one.addProperty("kind", word(root.kind()));
            roots.add(one);
        }
        json.add("roots", roots);
        json.add("uses", strings(module.upstream(), name -> name));
        json.add("usedByTests", strings(module.uses().stream().filter(use -> use.by() == SourceRoot.Use.TEST)
                .toList(), ModuleUse::name));
        json.add("libraries", libraries(module.dependencies().libraries()));
        json.add("processors", libraries(module.dependencies().processors()));
        json.add("missing", strings(module.dependencies().missing(), missing -> missing));
        return json;
    }

    private static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT);
    }

    private static JsonArray libraries(List<Library> libraries) {
        JsonArray array = new JsonArray();
        for (Library library : libraries) {
            JsonObject one = new JsonObject();
            one.addProperty("origin", library.origin());
            one.addProperty("file", library.file().toString());
            one.addProperty("use", word(library.use()));
            array.add(one);
        }
        return array;
    }

    private static <T> JsonArray strings(Collection<T> values, Function<T, String> shown) {
        JsonArray array = new JsonArray();
        values.forEach(value -> array.add(shown.apply(value)));
        return array;
    }
}
