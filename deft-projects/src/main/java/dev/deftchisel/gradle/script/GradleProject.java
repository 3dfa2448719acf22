package dev.deftchisel.gradle.script;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What the scripts of a build say of one project; filled while they are read. */
public final class GradleProject {

    /** Of a source set, its folders of Java code and of resources; empty where they are the usual ones. */
    public record SourceSet(Set<String> java, Set<String> resources) {

        SourceSet() {
            this(new LinkedHashSet<>(), new LinkedHashSet<>());
        }
    }

    private final String path;
    private final Path folder;
    private final Map<String, String> plugins = new LinkedHashMap<>();
    private final List<DependencyNotation> needs = new ArrayList<>();
    private final List<DependencyNotation.Published> managed = new ArrayList<>();
    private final Map<String, String> forced = new HashMap<>();
    private final Map<String, SourceSet> sourceSets = new LinkedHashMap<>();
    private final Map<String, Set<String>> extended = new HashMap<>();
    private final List<String> options = new ArrayList<>();
    private final Map<Level, Integer> levels = new HashMap<>();
    private Optional<String> encoding = Optional.empty();

    /** What may say which Java a project is written in. */
    public enum Level { RELEASE, SOURCE, TOOLCHAIN }

    /**
     * @param path   with colons, {@code :} for the root
     * @param folder absolute
     */
    public GradleProject(String path, Path folder) {
        this.path = path;
        this.folder = folder;
    }

    public String path() {
        return path;
    }

    public Path folder() {
        return folder;
    }

    /** Versions of plug-ins by their ids; empty where none is said. */
    public Map<String, String> plugins() {
        return plugins;
    }

    public List<DependencyNotation> needs() {
        return needs;
    }

    /** Versions of libraries that are said apart from where they are needed. */
    public List<DependencyNotation.Published> managed() {
        return managed;
    }

    /** Versions that are taken whatever is asked for, by {@code group:name}. */
    public Map<String, String> forced() {
        return forced;
    }

    SourceSet sourceSet(String name) {
        return sourceSets.computeIfAbsent(name, key -> new SourceSet());
    }

    public Map<String, SourceSet> sourceSets() {
        return sourceSets;
    }

    /** A configuration also has what others have. */
    void extend(String configuration, String other) {
        extended.computeIfAbsent(configuration, key -> new LinkedHashSet<>()).add(other);
    }

    /** The configurations whose needs one has, itself included. */
    public Set<String> configurationsOf(String configuration) {
        Set<String> all = new LinkedHashSet<>();
        List<String> open = new ArrayList<>(List.of(configuration));
        while (!open.isEmpty()) {
            String next = open.remove(open.size() - 1);
            if (all.add(next)) {
                open.addAll(extended.getOrDefault(next, Set.of()));
            }
        }
        return all;
    }

    /** Options of the compiler. */
    public List<String> options() {
        return options;
    }

    void set(Level kind, int level) {
        levels.put(kind, level);
    }

    public Optional<Integer> level(Level kind) {
        return Optional.ofNullable(levels.get(kind));
    }

    void setEncoding(String name) {
        encoding = Optional.of(name);
    }

    public Optional<String> encoding() {
        return encoding;
    }
}
