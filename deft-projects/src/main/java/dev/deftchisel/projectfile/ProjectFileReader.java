package dev.deftchisel.projectfile;

import com.google.gson.JsonArray;
import com.google.gson.JsonParseException;
import com.google.gson.JsonParser;
import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.ProjectReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Opens a folder with a {@code deft-project.json}, which goes before all other build files. */
public final class ProjectFileReader implements ProjectReader {

    private static final String FILE = "deft-project.json";
    private static final Pattern PLACE = Pattern.compile("line (\\d+) column (\\d+)");

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
            JsonArray named = JsonParser.parseString(Files.readString(file)).getAsJsonObject()
                    .getAsJsonArray("modules");
            if (named == null) {
                throw new WorkspaceException(file + ": there is no list 'modules' in it; see docs/projects.md");
            }
            named.forEach(one -> modules.add(new ModuleEntry(one.getAsJsonObject(), folder, FILE)
                    .module(request, gaps::add)));
        } catch (JsonParseException | IllegalStateException | IllegalArgumentException | UnsupportedOperationException
                | ClassCastException malformed) {
            Matcher place = PLACE.matcher(String.valueOf(malformed.getMessage()));
            String where = place.find() ? ":" + place.group(1) + ":" + place.group(2) : "";
            throw new WorkspaceException(file + where + ": this is not as docs/projects.md says ("
                    + String.valueOf(malformed.getMessage()).replaceAll("\\s+", " ") + ")", malformed);
        } catch (IOException unreadable) {
            throw new WorkspaceException(file + " cannot be read: " + unreadable.getMessage(), unreadable);
        }
        Set<String> names = Set.copyOf(modules.stream().map(Module::name).distinct().toList());
        modules.forEach(module -> module.upstream().stream().filter(other -> !names.contains(other))
                .forEach(other -> gaps.add(FILE + ": the module " + module.name() + " uses " + other
                        + ", which is not there")));
        return new Workspace(folder, new Build(FILE, List.of(file)), modules, gaps);
    }
}
