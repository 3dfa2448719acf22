package dev.deftchisel.maven.settings;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.Stream;

/**
 * What every call of Maven in a project is given besides: the arguments in {@code .mvn/maven.config}. Only those that
 * decide what a build consists of are read.
 *
 * @param properties     given with {@code -D}
 * @param profiles       ids given with {@code -P}
 * @param without        ids that {@code -P} switches off
 * @param userSettings   the file given with {@code -s}
 * @param globalSettings the file given with {@code -gs}
 */
public record MavenConfig(Properties properties, List<String> profiles, List<String> without,
        Optional<Path> userSettings, Optional<Path> globalSettings) {

    /** Nothing. */
    static final MavenConfig NONE = new MavenConfig(new Properties(), List.of(), List.of(), Optional.empty(),
            Optional.empty());

    /** The configuration in the nearest folder upwards that has one. */
    public static MavenConfig around(Path folder) {
        return Stream.<Path>iterate(folder, path -> path != null, Path::getParent)
                .filter(path -> Files.isDirectory(path.resolve(".mvn"))).findFirst()
                .map(MavenConfig::in).orElse(NONE);
    }

    private static MavenConfig in(Path folder) {
        List<String> words = new ArrayList<>();
        try {
            for (String line : Files.readAllLines(folder.resolve(".mvn").resolve("maven.config"))) {
                if (!line.startsWith("#")) {
                    Stream.of(line.strip().split("\\s+")).filter(word -> !word.isEmpty()).forEach(words::add);
                }
            }
        } catch (IOException absent) {
            return NONE;
        }
        return of(words, folder);
    }

    private static MavenConfig of(List<String> words, Path folder) {
        Properties properties = new Properties();
        List<String> profiles = new ArrayList<>();
        List<String> without = new ArrayList<>();
        value(words, "-D", "--define").forEach(said -> {
            int equals = said.indexOf('=');
            properties.setProperty(equals < 0 ? said : said.substring(0, equals), equals < 0 ? "true"
                    : said.substring(equals + 1));
        });
        value(words, "-P", "--activate-profiles").flatMap(said -> Stream.of(said.split(","))).map(String::strip)
                .forEach(id -> {
            boolean isOff = id.startsWith("!") || id.startsWith("-");
            (isOff ? without : profiles).add(id.replaceFirst("^[!+-]?\\??", ""));
        });
        return new MavenConfig(properties, List.copyOf(profiles), List.copyOf(without),
                value(words, "-s", "--settings").findFirst().map(folder::resolve),
                value(words, "-gs", "--global-settings").findFirst().map(folder::resolve));
    }

    /** The values of an option, which may be a word of their own or stand right after it. */
    private static Stream<String> value(List<String> words, String brief, String full) {
        List<String> values = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            String word = words.get(i);
            if ((word.equals(brief) || word.equals(full)) && i + 1 < words.size()) {
                values.add(words.get(++i));
            } else if (word.startsWith(full + "=")) {
                values.add(word.substring(full.length() + 1));
            } else if ((brief.equals("-D") || brief.equals("-P")) && word.startsWith(brief)
                    && word.length() > brief.length()) {
                values.add(word.substring(brief.length()));
            }
        }
        return values.stream();
    }
}
