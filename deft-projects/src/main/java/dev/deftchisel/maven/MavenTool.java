package dev.deftchisel.maven;

import dev.deftchisel.buildtool.BuildTool;
import dev.deftchisel.maven.probe.ProjectProbe;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.jar.JarOutputStream;
import java.util.zip.ZipEntry;

/**
 * Has Maven say what a build consists of: it runs up to where plug-ins have added their folders, with a probe of ours
 * within, and compiles nothing.
 */
final class MavenTool implements BuildTool {

    /** Said by its name, since it can only be loaded within Maven. */
    private static final String PROBE = "dev.deftchisel.maven.probe.ProjectProbe";

    @Override
    public List<String> command(Path root, Path answer, boolean isOnline) throws IOException {
        Path probe = answer.resolveSibling("probe.jar");
        write(probe);
        List<String> command = new ArrayList<>(List.of(BuildTool.script(root, "mvnw", "mvn", ".cmd"), "-B",
                "--fail-never",
                "-Dstyle.color=never", "-Dmaven.main.skip=true", "-Dmaven.ext.class.path=" + probe,
                "-D" + ProjectProbe.ANSWER + "=" + answer));
        if (!isOnline) {
            command.add("-o");
        }
        command.add("generate-test-sources");
        return command;
    }

    /** An extension of Maven's core is an archive that names its components. */
    private static void write(Path archive) throws IOException {
        String file = PROBE.replace('.', '/') + ".class";
        try (JarOutputStream jar = new JarOutputStream(Files.newOutputStream(archive));
                InputStream code = MavenTool.class.getClassLoader().getResourceAsStream(file)) {
            if (code == null) {
                throw new IOException(file + " is not part of this installation");
            }
            jar.putNextEntry(new ZipEntry("META-INF/sisu/javax.inject.Named"));
            jar.write((PROBE + "\n").getBytes(StandardCharsets.UTF_8));
            jar.putNextEntry(new ZipEntry(file));
            code.transferTo(jar);
        }
    }
}
