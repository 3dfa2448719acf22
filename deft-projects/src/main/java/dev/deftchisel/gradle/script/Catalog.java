package dev.deftchisel.gradle.script;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.dataformat.toml.TomlMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * A version catalog: names for libraries, groups of them, versions and plug-ins.
 *
 * @param name      by which scripts reach it, mostly {@code libs}
 * @param versions  by alias, with dots
 * @param libraries coordinates {@code group:name[:version]} by alias
 * @param bundles   aliases of libraries by alias
 * @param plugins   {@code id:version} by alias
 */
public record Catalog(String name, Map<String, String> versions, Map<String, String> libraries,
        Map<String, List<String>> bundles,
        Map<String, String> plugins) {

    /** An empty one. */
    public Catalog(String name) {
        this(name, new LinkedHashMap<>(), new LinkedHashMap<>(), new LinkedHashMap<>(), new LinkedHashMap<>());
    }

    /**
     * Reads a file in TOML.
     *
     * @param tell takes a line for what cannot be read
     */
    public void read(Path file, Consumer<String> tell) {
        try {
            JsonNode root = new TomlMapper().readTree(Files.readString(file));
            root.path("versions").properties()
                    .forEach(entry -> versions.put(alias(entry.getKey()), version(entry.getValue())));
            root.path("libraries").properties()
                    .forEach(entry -> libraries.put(alias(entry.getKey()), library(entry.getValue())));
            root.path("bundles").properties().forEach(entry -> {
                List<String> members = new ArrayList<>();
                entry.getValue().forEach(member -> members.add(alias(member.asText())));
                bundles.put(alias(entry.getKey()), List.copyOf(members));
            });
            root.path("plugins").properties()
                    .forEach(entry -> plugins.put(alias(entry.getKey()), plugin(entry.getValue())));
        } catch (JsonProcessingException malformed) {
            JsonLocation at = malformed.getLocation();
            tell.accept(file + (at == null ? "" : ":" + at.getLineNr() + ":" + at.getColumnNr())
                    + ": the version catalog cannot be read ("
                    + malformed.getOriginalMessage() + "); what comes from it is unknown");
        } catch (IOException unreadable) {
            tell.accept(file + ": the version catalog cannot be read (" + unreadable.getMessage()
                    + "); what comes from it is unknown");
        }
    }

    /** Dashes and underscores are dots where a script names an alias. */
    public static String alias(String written) {
        return written.replace('-', '.').replace('_', '.');
    }

    private String version(JsonNode node) {
        if (node.isObject()) {
            if (node.has("ref")) {
                return versions.getOrDefault(alias(node.get("ref").asText()), "");
            }
            for (String kind : List.of("strictly", "require", "prefer")) {
                if (node.has(kind)) {
                    return node.get(kind).asText();
                }
            }
        }
        return node.asText("");
    }

    private String library(JsonNode node) {
        if (node.isTextual()) {
            return node.asText();
        }
        String module = node.has("module") ? node.get("module").asText() : node.path("group")
                .asText() + ":" + node.path("name").asText();
        String version = version(node.path("version"));
        return version.isEmpty() ? module : module + ":" + version;
    }

    private String plugin(JsonNode node) {
        return node.isTextual() ? node.asText() : node.path("id").asText() + ":" + version(node.path("version"));
    }

    /** The version that a name such as {@code libs.versions.guava} stands for. */
    Optional<String> version(String reference) {
        return rest(reference, "versions").map(versions::get);
    }

    /**
     * The coordinates that a name such as {@code libs.guava} or {@code libs.bundles.tests} stands for; none for others.
     */
    List<String> coordinates(String reference) {
        Optional<List<String>> bundle = rest(reference, "bundles").map(bundles::get);
        if (bundle.isPresent()) {
            return bundle.get().stream().map(libraries::get).filter(one -> one != null).toList();
        }
        return reference.startsWith(name + ".")
                ? Optional.ofNullable(libraries.get(reference.substring(name.length() + 1))).stream().toList()
                : List.of();
    }

    /** The plug-in that a name such as {@code libs.plugins.spring} stands for, as {@code id:version}. */
    Optional<String> plugin(String reference) {
        return rest(reference, "plugins").map(plugins::get);
    }

    private Optional<String> rest(String reference, String part) {
        String start = name + "." + part + ".";
        return reference.startsWith(start) ? Optional.of(reference.substring(start.length())) : Optional.empty();
    }
}
