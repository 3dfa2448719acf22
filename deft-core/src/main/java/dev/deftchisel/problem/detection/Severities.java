package dev.deftchisel.problem.detection;

import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.workspace.surroundings.EditorProperties;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * How much each rule matters in each file. Said in {@code .editorconfig}, for one rule or for all of a tag; the nearer
 * file and the later section win, and a rule before its tag:
 * <pre>
 * [*.java]
 * deft_self-assignment = error
 * deft_all_redundant = off
 * </pre>
 */
public final class Severities {

    private static final String OF_RULE = "deft_";
    private static final String OF_TAG = "deft_all_";

    private final Optional<EditorProperties> properties;
    private final Map<Path, Map<String, String>> known = new HashMap<>();

    private Severities(Optional<EditorProperties> properties) {
        this.properties = properties;
    }

    /** As the rules say themselves. */
    public static Severities usual() {
        return new Severities(Optional.empty());
    }

    /** As {@code .editorconfig} says. */
    public static Severities of(EditorProperties properties) {
        return new Severities(Optional.of(properties));
    }

    /** How much a rule matters in a file; a word that is no severity counts as nothing said. */
    public Severity of(Path file, RuleDescription about) {
        Map<String, String> said = settings(file);
        if (said.isEmpty()) {
            return about.severity();
        }
        return said(said, OF_RULE + about.id()).or(() -> said(said, OF_TAG + about.tag().word()))
                .orElse(about.severity());
    }

    /** What is said of a file by our own names. */
    Map<String, String> settings(Path file) {
        return properties.isEmpty() ? Map.of() : known.computeIfAbsent(file, path -> {
            Map<String, String> own = new HashMap<>(properties.get().of(path));
            own.keySet().removeIf(name -> !name.startsWith(OF_RULE));
            return own;
        });
    }

    /** All that is said of a file, as one line; the same line means the same severities. */
    public String said(Path file) {
        return settings(file).entrySet().stream()
                .map(entry -> entry.getKey() + "=" + entry.getValue()).sorted().collect(Collectors.joining(";"));
    }

    private static Optional<Severity> said(Map<String, String> properties, String name) {
        return Optional.ofNullable(properties.get(name)).flatMap(Severity::of);
    }
}
