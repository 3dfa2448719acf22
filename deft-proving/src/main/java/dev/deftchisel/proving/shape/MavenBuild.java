package dev.deftchisel.proving.shape;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Has Maven itself compile a project, in a process of its own. */
final class MavenBuild {

    private static final Pattern ERROR = Pattern.compile("\\[ERROR] (?:COMPILATION ERROR)?\\s*(/\\S+\\.java):\\[(\\d+),\\d+] .*");
    /** The versions that this project is built with itself, so that they are on every machine that builds it. */
    private static final String PLUGINS = """
            <pluginManagement><plugins>
            <plugin><artifactId>maven-compiler-plugin</artifactId><version>3.14.1</version></plugin>
            <plugin><artifactId>maven-resources-plugin</artifactId><version>3.3.1</version></plugin>
            </plugins></pluginManagement>""".replace("\n", "");

    private MavenBuild() {
    }

    /** A build file with the versions of the plug-ins. */
    static String withPlugins(String pom) {
        return pom.contains("<build>") ? pom.replaceFirst("<build>", "<build>" + Matcher.quoteReplacement(PLUGINS))
                : pom.replaceFirst("</project>", "<build>" + Matcher.quoteReplacement(PLUGINS) + "</build></project>");
    }

    /**
     * Where it has errors, as {@code path:line}.
     *
     * @throws IllegalStateException when it fails for another reason
     */
    static Set<String> errors(Path folder) throws IOException, InterruptedException {
        Path log = Files.createTempFile("prove-maven", ".log");
        ProcessBuilder builder = new ProcessBuilder(new ArrayList<>(List.of("mvn", "-B", "-fae", "-Dstyle.color=never", "test-compile")))
                .directory(folder.toFile()).redirectErrorStream(true).redirectOutput(log.toFile());
        builder.environment().put("JAVA_HOME", System.getProperty("java.home"));
        int code = builder.start().waitFor();
        List<String> lines = Files.readAllLines(log, StandardCharsets.UTF_8);
        Files.delete(log);
        Set<String> errors = new TreeSet<>();
        for (String line : lines) {
            Matcher matcher = ERROR.matcher(line);
            if (matcher.matches()) {
                errors.add(folder.relativize(Path.of(matcher.group(1))) + ":" + matcher.group(2));
            }
        }
        if (code != 0 && errors.isEmpty()) {
            throw new IllegalStateException(lines.stream().filter(line -> line.startsWith("[ERROR]")).findFirst().orElse("Maven ends with " + code));
        }
        return errors;
    }
}
