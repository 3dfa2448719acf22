package dev.deftchisel.cli.text;

import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.jdk.Jdk;
import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.ModuleUse;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** A project for people: what it is made of, a module below the other. */
public final class ProjectText {

    private static final int LABEL = 14;

    private final Workspace workspace;
    private final Palette palette;

    public ProjectText(Workspace workspace, Palette palette) {
        this.workspace = workspace;
        this.palette = palette;
    }

    public List<String> lines(List<Jdk> jdks) {
        List<String> lines = new ArrayList<>();
        int files = workspace.build().files().size();
        lines.add(palette.strong(workspace.root().toString()) + ": " + workspace.build().name()
                + (files == 0 ? "" : ", read from " + counted(files, "file")) + ", "
                + counted(workspace.modules().size(), "module"));
        add(lines, "JDK", List.of(shown(Jdk.running()) + "  runs deft"));
        add(lines, "other JDKs", jdks.stream().filter(jdk -> !jdk.home().equals(Jdk.running().home()))
                .map(ProjectText::shown).toList());
        add(lines, "build files", workspace.build().files().stream().map(workspace::show).toList());
        workspace.modules().forEach(module -> lines.addAll(module(module, jdks)));
        if (!workspace.gaps().isEmpty()) {
            lines.add("");
            lines.add(palette.strong("not known"));
            workspace.gaps().forEach(gap -> lines.add("  " + gap));
        }
        return lines;
    }

    private static String shown(Jdk jdk) {
        return jdk.version() + "  " + jdk.home();
    }

    private static String counted(int count, String what) {
        return count + " " + what + (count == 1 ? "" : "s");
    }

    private List<String> module(Module module, List<Jdk> jdks) {
        List<String> lines = new ArrayList<>(List.of("", palette.strong(module.name())));
        add(lines, "Java", List.of(java(module.java(), jdks)));
        add(lines, "options", module.java().options());
        if (!module.encoding().equals(StandardCharsets.UTF_8)) {
            add(lines, "encoding", List.of(module.encoding().name()));
        }
        add(lines, "code", roots(module, root -> root.use() == SourceRoot.Use.MAIN
                && root.kind() == SourceRoot.Kind.SOURCE));
        add(lines, "tests", roots(module, root -> root.use() == SourceRoot.Use.TEST
                && root.kind() == SourceRoot.Kind.SOURCE));
        add(lines, "generated", roots(module, SourceRoot::isMade));
        add(lines, "resources", roots(module, root -> root.kind() == SourceRoot.Kind.RESOURCE));
        add(lines, "uses", uses(module, SourceRoot.Use.MAIN));
        add(lines, "tests use", uses(module, SourceRoot.Use.TEST));
        add(lines, "libraries", shown(libraries(module, SourceRoot.Use.MAIN)));
        add(lines, "for tests", shown(libraries(module, SourceRoot.Use.TEST)));
        add(lines, "processors", shown(module.dependencies().processors()));
        add(lines, "missing", module.dependencies().missing());
        return lines;
    }

    private static String java(JavaLevel java, List<Jdk> jdks) {
        String level = java.level() + (java.api() == JavaLevel.Api.LEVEL ? ", language and API"
                : ", with the API of the JDK that builds");
        return java.isReadBy(Jdk.running().feature()) ? level
                : level + ", which " + java.fitting(jdks).map(jdk -> "JDK " + jdk.feature() + " reads")
                .orElse("no JDK here reads");
    }

    private static List<String> uses(Module module, SourceRoot.Use by) {
        return module.uses().stream().filter(use -> use.by() == by).map(ModuleUse::name).toList();
    }

    private static List<Library> libraries(Module module, SourceRoot.Use use) {
        return module.dependencies().libraries().stream().filter(library -> library.use() == use).toList();
    }

    /** A repository is named once, since the coordinates say where a library is in it; another file in full. */
    private static List<String> shown(List<Library> libraries) {
        List<String> lines = new ArrayList<>();
        String before = "";
        for (Library library : libraries) {
            String place = repository(library).map(home -> "in " + home).orElse(library.file().toString());
            lines.add(library.origin() + (place.equals(before) ? "" : "  " + place));
            before = place;
        }
        return lines;
    }

    /** The folder in which a file lies by its coordinates, with dots or with folders in the group. */
    private static Optional<String> repository(Library library) {
        String[] parts = library.origin().split(":");
        String file = library.file().toString().replace('\\', '/');
        return parts.length < 3 ? Optional.empty() : Stream.of(parts[0].replace('.', '/'), parts[0])
                .map(group -> file.indexOf("/" + group + "/" + parts[1] + "/" + parts[2] + "/"))
                .filter(at -> at > 0).map(at -> file.substring(0, at)).findFirst();
    }

    private List<String> roots(Module module, Predicate<SourceRoot> which) {
        return module.roots().stream().filter(which).map(root -> workspace.show(root.folder()))
                .map(path -> path.isEmpty() ? "." : path)
                .toList();
    }

    /** A label before the first of some values; nothing when there are none. */
    private void add(List<String> lines, String label, List<String> values) {
        for (int i = 0; i < values.size(); i++) {
            String before = "  " + (i == 0 ? label : "");
            lines.add(palette.quiet(before + " ".repeat(LABEL - before.length())) + values.get(i));
        }
    }
}
