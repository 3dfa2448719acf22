package dev.deftchisel.gradle;

import dev.deftchisel.gradle.script.Catalog;
import dev.deftchisel.gradle.script.GradleProject;
import dev.deftchisel.gradle.script.NotationReader;
import dev.deftchisel.gradle.script.OwnPlugins;
import dev.deftchisel.gradle.script.ScriptHost;
import dev.deftchisel.gradle.script.ScriptInterpreter;
import dev.deftchisel.gradle.script.ScriptParser;
import dev.deftchisel.gradle.script.Statement;
import dev.deftchisel.gradle.script.Value;
import dev.deftchisel.gradle.script.Variables;
import java.io.IOException;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;

/**
 * All projects of a build, read from its settings, its scripts, its catalogs and the plug-ins that it brings itself.
 */
final class GradleBuild {

    private static final List<String> ENDINGS = List.of(".gradle", ".gradle.kts");

    private final Path root;
    private final Map<String, GradleProject> projects = new LinkedHashMap<>();
    private final List<Catalog> catalogs = new ArrayList<>();
    private final List<Path> pluginBuilds = new ArrayList<>();
    private final Set<Path> files = new LinkedHashSet<>();
    private final Set<String> gaps = new LinkedHashSet<>();
    private final Map<Path, List<Statement>> parsed = new HashMap<>();
    private Optional<OwnPlugins> plugins = Optional.empty();

    private GradleBuild(Path root) {
        this.root = root;
    }

    /** Reads the build whose root is a folder; what cannot be read is among the gaps. */
    static GradleBuild read(Path root) {
        GradleBuild build = new GradleBuild(root);
        build.settings();
        build.projects.values().forEach(build::scripts);
        return build;
    }

    /** By their paths, the root first. */
    Map<String, GradleProject> projects() {
        return projects;
    }

    /** What was read. */
    List<Path> files() {
        return List.copyOf(files);
    }

    /** A line for each thing that is not known. */
    List<String> gaps() {
        return List.copyOf(gaps);
    }

    /** A script in a folder, in either language. */
    static Optional<Path> script(Path folder, String name) {
        return ENDINGS.stream().map(ending -> folder.resolve(name + ending)).filter(Files::isRegularFile).findFirst();
    }

    private List<Statement> statements(Path script) {
        return parsed.computeIfAbsent(script, file -> {
            files.add(file);
            try {
                return ScriptParser.parse(Files.readString(file));
            } catch (IOException unreadable) {
                gaps.add(shown(file) + ": the file cannot be read (" + unreadable.getMessage() + ")");
                return List.of();
            }
        });
    }

    private String shown(Path file) {
        return (file.startsWith(root) ? root.relativize(file) : file).toString().replace('\\', '/');
    }

    private void tell(Path script, int line, String what) {
        gaps.add(shown(script) + ":" + line + ": " + what);
    }

    private void settings() {
        projects.put(":", new GradleProject(":", root));
        Catalog libs = new Catalog("libs");
        catalogs.add(libs);
        Path catalog = root.resolve("gradle").resolve("libs.versions.toml");
        if (Files.isRegularFile(catalog)) {
            files.add(catalog);
            libs.read(catalog, gaps::add);
        }
        if (Files.isDirectory(root.resolve("buildSrc"))) {
            pluginBuilds.add(root.resolve("buildSrc"));
        }
        script(root, "settings").ifPresent(script -> {
            Variables variables = new Variables(Optional.of(properties(root)), List.of());
            for (Statement statement : statements(script)) {
                setting(script, statement, variables);
            }
        });
    }

    private void setting(Path script, Statement statement, Variables variables) {
        switch (statement.name().substring(statement.name().lastIndexOf('.') + 1)) {
            case "include" -> {
                List<String> paths = texts(statement, variables);
                paths.forEach(path -> include(path.startsWith(":") ? path : ":" + path, script, statement.line()));
                if (paths.isEmpty()) {
                    tell(script, statement.line(), "which projects are included is computed here, and not known");
                }
            }
            case "includeBuild" -> texts(statement, variables).forEach(path -> {
                Path other = root.resolve(path).normalize();
                pluginBuilds.add(other);
                if (!Files.isDirectory(other)) {
                    tell(script, statement.line(), "the included build " + path + " is not there");
                }
            });
            case "pluginManagement" -> statement.block().forEach(inside -> setting(script, inside, variables));
            case "dependencyResolutionManagement", "versionCatalogs" -> statement.block().forEach(inside ->
                    catalog(script, inside, variables, statement.name().endsWith("versionCatalogs")));
            case "projectDir" -> moved(statement, variables);
            default -> {
                if (statement.kind() == Statement.Kind.ASSIGN) {
                    statement.first().ifPresent(value -> variables.set(statement.name(), value));
                } else if (statement.anywhere(inside -> inside.name().endsWith("include"))) {
                    tell(script, statement.line(), "projects that are included after this '" + statement.name()
                            + "' are not known");
                }
            }
        }
    }

    private static List<String> texts(Statement statement, Variables variables) {
        List<String> texts = new ArrayList<>();
        for (Value.Argument argument : statement.arguments()) {
            List<Value> values = argument.value() instanceof Value.Many many ? many.values()
                    : List.of(argument.value());
            values.forEach(value -> variables.text(value).ifPresent(texts::add));
        }
        return texts;
    }

    private void include(String path, Path script, int line) {
        Path folder = root.resolve(path.substring(1).replace(':', '/'));
        projects.put(path, new GradleProject(path, folder));
        if (!Files.isDirectory(folder)) {
            tell(script, line, "the project " + path + " is not there (" + shown(folder) + ")");
        }
    }

    /**
     * {@code project(":berths").projectDir = file("modules/berths")}, which is read as one name with both arguments.
     */
    private void moved(Statement statement, Variables variables) {
        Optional<String> target = statement.arguments().stream().reduce((one, other) -> other)
                .map(Value.Argument::value)
                .flatMap(value -> value instanceof Value.Call call && !call.arguments().isEmpty()
                        ? variables.text(call.arguments().get(call.arguments().size() - 1).value())
                        : variables.text(value));
        Optional<String> path = statement.named("of").flatMap(variables::text);
        if (target.isPresent() && path.isPresent()) {
            projects.put(path.get(), new GradleProject(path.get(), root.resolve(target.get()).normalize()));
            gaps.removeIf(gap -> gap.contains("the project " + path.get() + " is not there"));
        }
    }

    private void catalog(Path script, Statement statement, Variables variables, boolean isCatalog) {
        if (!isCatalog) {
            if (statement.name().equals("versionCatalogs")) {
                statement.block().forEach(inside -> catalog(script, inside, variables, true));
            }
            return;
        }
        String name = statement.name().equals("create") ? statement.first().flatMap(variables::text).orElse("libs")
                : statement.name();
        Catalog catalog = catalogs.stream().filter(one -> one.name().equals(name)).findFirst().orElseGet(() -> {
            Catalog made = new Catalog(name);
            catalogs.add(made);
            return made;
        });
        for (Statement said : statement.block()) {
            List<String> texts = texts(said, variables);
            switch (said.name()) {
                case "from" -> said.first().filter(Value.Call.class::isInstance).map(Value.Call.class::cast)
                        .filter(call -> call.name().equals("files") && !call.arguments().isEmpty())
                        .flatMap(call -> variables.text(call.arguments().get(0).value())).map(root::resolve)
                        .ifPresent(file -> {
                            files.add(file);
                            catalog.read(file, gaps::add);
                        });
                case "version" -> {
                    if (texts.size() == 2) {
                        catalog.versions().put(Catalog.alias(texts.get(0)), texts.get(1));
                    }
                }
                case "library", "library.version", "library.versionRef" -> {
                    List<String> parts = new ArrayList<>(texts);
                    String alias = parts.isEmpty() ? "" : Catalog.alias(parts.remove(0));
                    if (said.name().endsWith("versionRef") && !parts.isEmpty()) {
                        parts.set(parts.size() - 1, catalog.versions()
                                .getOrDefault(Catalog.alias(parts.get(parts.size() - 1)), ""));
                    }
                    catalog.libraries().put(alias, String.join(":", parts));
                }
                default -> {
                    // bundles and plug-ins are hardly ever made here
                }
            }
        }
    }

    private static Variables properties(Path folder) {
        Variables variables = new Variables(Optional.empty(), List.of());
        load(folder.resolve("gradle.properties"), variables);
        return variables;
    }

    /** What a file of properties says; one that cannot be read says nothing. */
    private static void load(Path file, Variables into) {
        Properties said = new Properties();
        if (Files.isRegularFile(file)) {
            try (Reader reader = Files.newBufferedReader(file, StandardCharsets.ISO_8859_1)) {
                said.load(reader);
            } catch (IOException | IllegalArgumentException unreadable) {
                return;
            }
        }
        said.forEach((name, value) -> into.set(String.valueOf(name), new Value.Text(String.valueOf(value), false)));
    }

    /** What the scripts say of a project: those of the projects above it for all of theirs, then its own. */
    private void scripts(GradleProject project) {
        Path rootProperties = root.resolve("gradle.properties");
        if (Files.isRegularFile(rootProperties)) {
            files.add(rootProperties);
        }
        Variables known = new Variables(Optional.of(properties(root)), catalogs);
        properties(project, known);
        script(root, "build").ifPresent(script -> {
            boolean isRoot = project.path().equals(":");
            for (Statement statement : statements(script)) {
                if (statement.kind() == Statement.Kind.ASSIGN || statement.name().equals("ext")) {
                    run(project, script, List.of(statement), known);
                }
                boolean isForIt = statement.name().equals("allprojects") || !isRoot && statement.name()
                        .equals("subprojects")
                        || statement.name().equals("configure") && !isRoot
                        || statement.name().equals("project") && statement.first().flatMap(known::text)
                        .filter(project.path()::equals).isPresent();
                if (isForIt) {
                    run(project, script, statement.block(), known);
                }
            }
        });
        Optional<Path> own = script(project.folder(), "build");
        own.ifPresent(script -> run(project, script, statements(script), new Variables(Optional.of(known), catalogs)));
    }

    private void properties(GradleProject project, Variables known) {
        Path own = project.folder().resolve("gradle.properties");
        if (!project.path().equals(":") && Files.isRegularFile(own)) {
            files.add(own);
            load(own, known);
        }
        known.set("rootDir", new Value.Text(root.toString(), false));
        known.set("projectDir", new Value.Text(project.folder().toString(), false));
        known.set("rootProject.projectDir", new Value.Text(root.toString(), false));
    }

    private void run(GradleProject project, Path script, List<Statement> statements, Variables variables) {
        NotationReader notations = new NotationReader(project.folder(), variables, this::projectOf);
        new ScriptInterpreter(project, variables, notations, new ScriptHost() {
            @Override
            public void applyScript(String name, int line) {
                other(project, script, name, line, variables);
            }

            @Override
            public void applyPlugin(String id, int line) {
                plugin(project, id, variables, script, line);
            }

            @Override
            public void report(int line, String what) {
                tell(script, line, what);
            }
        }).run(statements);
    }

    private void other(GradleProject project, Path script, String name, int line, Variables variables) {
        Path file = script.resolveSibling(name).normalize();
        Path fromRoot = root.resolve(name).normalize();
        Path found = Files.isRegularFile(file) ? file : fromRoot;
        if (Files.isRegularFile(found)) {
            run(project, found, statements(found), variables);
        } else {
            tell(script, line, "the script " + name + " is not there; what it says is unknown");
        }
    }

    private void plugin(GradleProject project, String id, Variables variables, Path from, int line) {
        OwnPlugins own = plugins.orElseGet(() -> OwnPlugins.in(pluginBuilds, this::statements,
                folder -> gaps.add(shown(folder) + ": the folder cannot be listed; plug-ins in it are unknown")));
        plugins = Optional.of(own);
        Optional<Path> script = own.script(id);
        if (script.isPresent()) {
            run(project, script.get(), statements(script.get()), new Variables(Optional.of(variables), catalogs));
        } else if (own.isClass(id)) {
            tell(from, line, "the plug-in " + id + " is a class of the build; what it does is not known");
        }
    }

    /** The project whose type-safe accessor has these words: {@code projects.harbourOffice.berths}. */
    private String projectOf(String accessor) {
        String words = accessor.substring("projects.".length());
        return projects.keySet().stream().filter(path -> camel(path).equals(words)).findFirst()
                .orElse(":" + words.replace('.', ':'));
    }

    private static String camel(String path) {
        StringBuilder words = new StringBuilder();
        boolean isUpper = false;
        for (char c : path.substring(1).replace(':', '.').toCharArray()) {
            if (c == '-' || c == '_') {
                isUpper = true;
            } else {
                words.append(isUpper ? Character.toUpperCase(c) : c);
                isUpper = false;
            }
        }
        return words.toString();
    }
}
