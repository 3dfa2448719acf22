package dev.deftchisel.gradle.script;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;

/** The plug-ins that a build brings itself: scripts, which can be read like any other, and classes, which cannot. */
public final class OwnPlugins {

    private static final int DEEPEST = 8;
    private static final List<String> ENDINGS = List.of(".gradle", ".gradle.kts");
    private static final String OF_CLASS = ".properties";

    private final Map<String, Path> scripts = new HashMap<>();
    private final Set<String> classes = new HashSet<>();
    private final Function<Path, List<Statement>> statements;

    private OwnPlugins(Function<Path, List<Statement>> statements) {
        this.statements = statements;
    }

    /**
     * Looks for them.
     *
     * @param builds     the folders of the builds that have them
     * @param statements what a script says
     * @param unreadable takes a folder that cannot be listed
     */
    public static OwnPlugins in(List<Path> builds, Function<Path, List<Statement>> statements,
            Consumer<Path> unreadable) {
        OwnPlugins found = new OwnPlugins(statements);
        for (Path build : new HashSet<>(builds)) {
            if (Files.isDirectory(build)) {
                try (Stream<Path> all = Files.walk(build, DEEPEST)) {
                    all.filter(Files::isRegularFile).forEach(found::add);
                } catch (IOException | UncheckedIOException failed) {
                    unreadable.accept(build);
                }
            }
        }
        return found;
    }

    /** The script that is the plug-in of an id. */
    public Optional<Path> script(String id) {
        return Optional.ofNullable(scripts.get(id));
    }

    /** Whether a class is. */
    public boolean isClass(String id) {
        return classes.contains(id);
    }

    private void add(Path file) {
        String name = file.getFileName().toString();
        Optional<String> ending = ENDINGS.stream().filter(name::endsWith).findFirst();
        if (file.getParent().endsWith("META-INF/gradle-plugins") && name.endsWith(OF_CLASS)) {
            classes.add(name.substring(0, name.length() - OF_CLASS.length()));
        } else if (ending.isPresent() && name.equals("build" + ending.get())) {
            statements.apply(file).stream().filter(statement -> statement.name().equals("gradlePlugin"))
                    .forEach(this::declared);
        } else if (ending.isPresent() && file.toString().replace('\\', '/').contains("src/main/")) {
            scripts.put(id(file, name.substring(0, name.length() - ending.get().length())), file);
        }
    }

    /** {@code gradlePlugin { plugins { shared { id = 'harbour.shared' } } }}. */
    private void declared(Statement statement) {
        statement.first().filter(value -> statement.name().equals("id") && value instanceof Value.Text)
                .ifPresent(value -> classes.add(((Value.Text) value).text()));
        statement.block().forEach(this::declared);
    }

    /** In Kotlin a package stands before the name of the file. */
    private static String id(Path file, String name) {
        if (!file.toString().endsWith(".kts")) {
            return name;
        }
        try {
            return Files.readAllLines(file).stream().filter(line -> line.startsWith("package ")).findFirst()
                    .map(line -> line.substring("package ".length()).strip() + "." + name).orElse(name);
        } catch (IOException unreadable) {
            return name;
        }
    }
}
