package dev.deftchisel.projectfile;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParseException;
import com.google.gson.JsonParser;
import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Dependencies;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.OpenRequest;
import dev.deftchisel.workspace.ProjectReader;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Opens a folder with a {@code deft-project.json}, which goes before all other build files. */
public final class ProjectFileReader implements ProjectReader {

    private static final String FILE = "deft-project.json";
    private static final Pattern PLACE = Pattern.compile("line (\\d+) column (\\d+)");
    private static final Set<String> KEYS = Set.of("name", "folder", "sources", "tests", "generated", "resources", "class-path",
            "processors", "uses", "level", "api", "options", "encoding");
    private static final Map<String, SourceRoot.Kind> KINDS = Map.of("sources", SourceRoot.Kind.SOURCE, "tests", SourceRoot.Kind.SOURCE,
            "generated", SourceRoot.Kind.GENERATED, "resources", SourceRoot.Kind.RESOURCE);

    @Override
    public int rank() {
        return 5;
    }

    @Override
    public boolean recognises(Path folder) {
        return Files.isRegularFile(folder.resolve(FILE));
    }

    @Override
    public Workspace read(Path folder, OpenRequest request) {
        Path file = folder.resolve(FILE);
        List<String> gaps = new ArrayList<>();
        List<Module> modules = new ArrayList<>();
        try {
            JsonArray named = JsonParser.parseString(Files.readString(file)).getAsJsonObject().getAsJsonArray("modules");
            if (named == null) {
                throw new WorkspaceException(file + ": there is no list 'modules' in it; see docs/projects.md");
            }
            named.forEach(one -> modules.add(module(one.getAsJsonObject(), folder, request, gaps)));
        } catch (JsonParseException | IllegalStateException malformed) {
            Matcher place = PLACE.matcher(String.valueOf(malformed.getMessage()));
            String where = place.find() ? ":" + place.group(1) + ":" + place.group(2) : "";
            throw new WorkspaceException(file + where + ": this is not as docs/projects.md says ("
                    + String.valueOf(malformed.getMessage()).replaceAll("\\s+", " ") + ")", malformed);
        } catch (IOException unreadable) {
            throw new WorkspaceException(file + " cannot be read: " + unreadable.getMessage(), unreadable);
        }
        Set<String> names = Set.copyOf(modules.stream().map(Module::name).distinct().toList());
        modules.forEach(module -> module.upstream().stream().filter(other -> !names.contains(other))
                .forEach(other -> gaps.add(FILE + ": the module " + module.name() + " uses " + other + ", which is not there")));
        return new Workspace(folder, new Build(FILE, List.of(file)), modules, gaps);
    }

    private static Module module(JsonObject said, Path root, OpenRequest request, List<String> gaps) {
        Path folder = root.resolve(text(said, "folder", ".")).normalize();
        String name = text(said, "name", folder.equals(root) ? "main" : root.relativize(folder).toString());
        said.keySet().stream().filter(key -> !KEYS.contains(key))
                .forEach(key -> gaps.add(FILE + ": '" + key + "' of the module " + name + " means nothing; there are "
                        + String.join(", ", KEYS.stream().sorted().toList())));
        List<SourceRoot> roots = new ArrayList<>();
        for (String kind : List.of("sources", "generated", "tests", "resources")) {
            for (String path : texts(said, kind)) {
                Path place = folder.resolve(path).normalize();
                if (Files.isDirectory(place)) {
                    roots.add(new SourceRoot(place, kind.equals("tests") ? SourceRoot.Use.TEST : SourceRoot.Use.MAIN, KINDS.get(kind)));
                } else {
                    gaps.add(FILE + ": the folder " + path + " of the module " + name + " is not there");
                }
            }
        }
        List<Library> libraries = Stream.concat(libraries(said, "class-path", folder, name, gaps),
                Dependencies.named(request.classPath()).libraries().stream()).toList();
        Dependencies dependencies = new Dependencies(libraries, libraries(said, "processors", folder, name, gaps).toList(), List.of());
        return new Module(name, folder, roots, dependencies, texts(said, "uses"),
                request.level().map(JavaLevel::of).orElseGet(() -> java(said)),
                request.encoding().orElseGet(() -> Charset.forName(text(said, "encoding", StandardCharsets.UTF_8.name()))));
    }

    private static Stream<Library> libraries(JsonObject said, String key, Path folder, String module, List<String> gaps) {
        return texts(said, key).stream().flatMap(path -> {
            Path file = folder.resolve(path).normalize();
            if (!Files.exists(file)) {
                gaps.add(FILE + ": " + path + " of the module " + module + " is not there: names from it stay unresolved");
                return Stream.empty();
            }
            return Stream.of(new Library(file, FILE));
        });
    }

    private static JavaLevel java(JsonObject said) {
        int level = said.has("level") ? said.get("level").getAsInt() : Runtime.version().feature();
        return new JavaLevel(level, text(said, "api", "level").equals("level") ? JavaLevel.Api.LEVEL : JavaLevel.Api.COMPILER,
                texts(said, "options"));
    }

    private static String text(JsonObject said, String key, String otherwise) {
        return said.has(key) ? said.get(key).getAsString() : otherwise;
    }

    private static List<String> texts(JsonObject said, String key) {
        return said.has(key) ? said.getAsJsonArray(key).asList().stream().map(JsonElement::getAsString).toList() : List.of();
    }
}
