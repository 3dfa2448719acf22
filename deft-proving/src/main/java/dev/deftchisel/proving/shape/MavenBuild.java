package dev.deftchisel.proving.shape;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Has Maven itself compile a project, in a process of its own. */
final class MavenBuild {

    private static final BuildProcess PROCESS =
            new BuildProcess(List.of("mvn", "-B", "-fae", "-Dstyle.color=never", "test-compile"),
            Map.of("JAVA_HOME", System.getProperty("java.home")),
            Pattern.compile("^\\[ERROR] (?:COMPILATION ERROR)?\\s*(/\\S+\\.java):\\[(\\d+),\\d+] "),
            Pattern.compile("^\\[ERROR]"));
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

    /** Where it has errors, as {@code path:line}. */
    static Set<String> errors(Path folder) throws IOException, InterruptedException {
        return PROCESS.errors(folder);
    }
}
