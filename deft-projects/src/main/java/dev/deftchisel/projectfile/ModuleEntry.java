package dev.deftchisel.projectfile;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.Stream;

/**
 * One module as {@code deft-project.json} says it; the format is described in docs/projects.md.
 *
 * @param said  the object
 * @param root  of the build
 * @param file  what it was read from, for people
 */
public record ModuleEntry(JsonObject said, Path root, String file) {

    private static final Map<String, Folders> FOLDERS = Map.of(
            "sources", new Folders(SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE),
            "tests", new Folders(SourceRoot.Use.TEST, SourceRoot.Kind.SOURCE),
            "generated", new Folders(SourceRoot.Use.MAIN, SourceRoot.Kind.GENERATED),
            "generated-tests", new Folders(SourceRoot.Use.TEST, SourceRoot.Kind.GENERATED),
            "resources", new Folders(SourceRoot.Use.MAIN, SourceRoot.Kind.RESOURCE),
            "test-resources", new Folders(SourceRoot.Use.TEST, SourceRoot.Kind.RESOURCE));
    /** The order in which they count. */
    private static final List<String> ORDER = List.of("sources", "generated", "tests", "generated-tests", "resources",
            "test-resources");
    private static final Set<String> OTHER_KEYS = Set.of("name", "folder", "class-path", "test-class-path",
            "processors", "uses", "test-uses", "uses-tests-of",
            "missing", "level", "api", "options", "encoding");

    /** What folders under a key hold. */
    private record Folders(SourceRoot.Use use, SourceRoot.Kind kind) {
    }

    /**
     * The module.
     *
     * @param gaps takes what is not there, one line each
     */
    public Module module(OpenRequest request, Consumer<String> gaps) {
        Path folder = root.resolve(text("folder", ".")).normalize();
        String name = text("name", folder.equals(root) ? "main" : root.relativize(folder).toString());
        unknownKeys(name, gaps);
        List<SourceRoot> roots = new ArrayList<>();
        for (String key : ORDER) {
            for (String path : texts(key)) {
                Path place = folder.resolve(path).normalize();
                if (Files.isDirectory(place)) {
                    roots.add(new SourceRoot(place, FOLDERS.get(key).use(), FOLDERS.get(key).kind()));
                } else {
                    gaps.accept(file + ": the folder " + path + " of the module " + name + " is not there");
                }
            }
        }
        List<Library> libraries = Stream.of(libraries("class-path", SourceRoot.Use.MAIN, folder, name, gaps),
                        libraries("test-class-path", SourceRoot.Use.TEST, folder, name, gaps),
                        Dependencies.named(request.classPath()).libraries()).flatMap(List::stream).toList();
        Dependencies dependencies = new Dependencies(libraries,
                libraries("processors", SourceRoot.Use.MAIN, folder, name, gaps), texts("missing"));
        return new Module(name, folder, roots, dependencies, uses(),
                request.level().map(JavaLevel::of).orElseGet(this::java),
                request.encoding().orElseGet(() -> Charset.forName(text("encoding", StandardCharsets.UTF_8.name()))));
    }

    private void unknownKeys(String name, Consumer<String> gaps) {
        Set<String> known = new TreeSet<>(OTHER_KEYS);
        known.addAll(ORDER);
        said.keySet().stream().filter(key -> !known.contains(key)).forEach(key ->
                gaps.accept(file + ": '" + key + "' of the module " + name + " means nothing; there are "
                        + String.join(", ", known)));
    }

    /** Each is a path, or an object with the path under {@code file} and coordinates under {@code origin}. */
    private List<Library> libraries(String key, SourceRoot.Use use, Path folder, String module, Consumer<String> gaps) {
        List<Library> found = new ArrayList<>();
        for (JsonElement one : elements(key)) {
            String path = one.isJsonObject() ? one.getAsJsonObject().get("file").getAsString() : one.getAsString();
            String origin = one.isJsonObject() && one.getAsJsonObject().has("origin") ? one.getAsJsonObject()
                    .get("origin").getAsString() : file;
            Path place = folder.resolve(path).normalize();
            if (Files.exists(place)) {
                found.add(new Library(place, origin, use));
            } else {
                gaps.accept(file + ": " + path + " of the module " + module
                        + " is not there: names from it stay unresolved");
            }
        }
        return found;
    }

    /** Whose tests are seen is not limited where nothing is said about it. */
    private List<ModuleUse> uses() {
        List<String> main = texts("uses");
        return Stream.concat(main.stream(), texts("test-uses").stream()).distinct().map(other -> {
            SourceRoot.Use by = main.contains(other) ? SourceRoot.Use.MAIN : SourceRoot.Use.TEST;
            return !said.has("uses-tests-of") ? ModuleUse.ofAll(other, by)
                    : new ModuleUse(other, by, Optional.of(SourceRoot.Use.TEST)
                            .filter(tests -> texts("uses-tests-of").contains(other)));
        }).toList();
    }

    private JavaLevel java() {
        int level = said.has("level") ? said.get("level").getAsInt() : Runtime.version().feature();
        return new JavaLevel(level, text("api", "level").equals("level") ? JavaLevel.Api.LEVEL
                : JavaLevel.Api.COMPILER, texts("options"));
    }

    private String text(String key, String otherwise) {
        return said.has(key) ? said.get(key).getAsString() : otherwise;
    }

    private List<JsonElement> elements(String key) {
        return said.has(key) ? said.getAsJsonArray(key).asList() : List.of();
    }

    private List<String> texts(String key) {
        return elements(key).stream().map(JsonElement::getAsString).toList();
    }
}
