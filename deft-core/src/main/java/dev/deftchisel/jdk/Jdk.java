package dev.deftchisel.jdk;

import java.io.IOException;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A JDK on this machine: a Java with a compiler.
 *
 * @param home    its folder; absolute
 * @param feature its feature release, for instance 17 (JEP 322)
 * @param version as it says itself, for instance {@code 17.0.15}
 */
public record Jdk(Path home, int feature, String version) {

    private static final Pattern FEATURE = Pattern.compile("(?:1\\.)?(\\d{1,4})(\\D.*)?");

    /** The JDK of the running process. */
    public static Jdk running() {
        return new Jdk(Path.of(System.getProperty("java.home")), Runtime.version()
                .feature(), System.getProperty("java.version"));
    }

    /**
     * Reads what a folder says of itself in its file {@code release}; starts nothing.
     *
     * @return empty when there is no Java in it, or one without a compiler
     */
    public static Optional<Jdk> at(Path home) {
        if (!isProgram(home, "java") || !isProgram(home, "javac")) {
            return Optional.empty();
        }
        Properties said = new Properties();
        try (Reader reader = Files.newBufferedReader(home.resolve("release"), StandardCharsets.UTF_8)) {
            said.load(reader);
        } catch (IOException | IllegalArgumentException unreadable) {
            return Optional.empty();
        }
        String version = said.getProperty("JAVA_VERSION", "").replace("\"", "");
        return featureIn(version).map(feature -> new Jdk(home.toAbsolutePath().normalize(), feature, version));
    }

    /** The feature release in a version such as {@code 17}, {@code 1.8} or {@code 21.0.2-tem}. */
    public static Optional<Integer> featureIn(String version) {
        Matcher matcher = FEATURE.matcher(version.strip());
        return matcher.matches() ? Optional.of(Integer.valueOf(matcher.group(1))) : Optional.empty();
    }

    /** The program that starts it. */
    public Path java() {
        return home.resolve("bin").resolve("java");
    }

    private static boolean isProgram(Path home, String name) {
        Path program = home.resolve("bin").resolve(name);
        return Files.isExecutable(program) || Files.isExecutable(program.resolveSibling(name + ".exe"));
    }
}
