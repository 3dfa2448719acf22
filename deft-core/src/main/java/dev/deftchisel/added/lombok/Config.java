package dev.deftchisel.added.lombok;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What {@code lombok.config} in a folder and above it says; the nearest counts. */
record Config(Map<String, String> values) {

    private static final String FILE = "lombok.config";

    /** For the files of a folder, not looking above another one. */
    static Config of(Path folder, Path highest) {
        Map<String, String> values = new HashMap<>();
        for (Path at = folder; at != null && at.startsWith(highest); at = at.getParent()) {
            for (Map.Entry<String, String> entry : read(at.resolve(FILE)).entrySet()) {
                values.putIfAbsent(entry.getKey(), entry.getValue());
            }
            if ("true".equalsIgnoreCase(values.get("config.stopbubbling"))) {
                break;
            }
        }
        return new Config(Map.copyOf(values));
    }

    private static Map<String, String> read(Path file) {
        Map<String, String> said = new HashMap<>();
        if (Files.isRegularFile(file)) {
            try {
                for (String line : Files.readAllLines(file)) {
                    String plain = line.replaceFirst("#.*", "").strip();
                    int sign = plain.indexOf('=');
                    if (sign > 0) {
                        boolean isAdding = plain.charAt(sign - 1) == '+';
                        String key = plain.substring(0, isAdding ? sign - 1 : sign).strip().toLowerCase(Locale.ROOT);
                        said.merge(key, plain.substring(sign + 1).strip(), (one, other) -> isAdding ? one + " " + other
                                : other);
                    }
                }
            } catch (IOException unreadable) {
                return Map.of();
            }
        }
        return said;
    }

    Optional<String> text(String key) {
        return Optional.ofNullable(values.get(key.toLowerCase(Locale.ROOT)));
    }

    boolean is(String key) {
        return text(key).filter("true"::equalsIgnoreCase).isPresent();
    }
}
