package dev.deftchisel.maven;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Maven itself is asked, as it is installed on every machine that builds this project; what its plug-ins are is what
 * this build uses.
 */
class MavenAnswerTest {

    private static final String PLUGINS = """
            <build><pluginManagement><plugins>
            <plugin><artifactId>maven-compiler-plugin</artifactId><version>3.14.1</version></plugin>
            <plugin><artifactId>maven-resources-plugin</artifactId><version>3.3.1</version></plugin>
            </plugins></pluginManagement></build>""";

    @TempDir
    private Path folder;
    private Path root;

    @BeforeEach
    void build() throws IOException {
        root = folder.toRealPath();
        write("pom.xml", """
                <project><modelVersion>4.0.0</modelVersion><groupId>harbour</groupId><artifactId>office</artifactId><version>1</version>
                <packaging>pom</packaging><modules><module>berths</module></modules>%s</project>""".formatted(PLUGINS));
        // what the process of Maven is started with decides where the code is
        write("berths/pom.xml", """
                <project><modelVersion>4.0.0</modelVersion><parent><groupId>harbour</groupId><artifactId>office</artifactId><version>1</version></parent>
                <artifactId>berths</artifactId><build><sourceDirectory>${harbour.code}</sourceDirectory></build>
                <profiles><profile><id>given</id><activation><property><name>harbour</name></property></activation>
                <properties><harbour.code>code</harbour.code></properties></profile></profiles></project>""");
        write("berths/code/Berth.java", "class Berth { a mistake }");
        write(".mvn/jvm.config", "-Dharbour=1\n");
    }

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    @Test
    void whatOnlyMavenKnows() {
        assertEquals(List.of(), new MavenReader().read(root, OpenRequest.at(root)).modules());
        Workspace workspace = new MavenReader().read(root, OpenRequest.at(root).with(Permission.ASK_BUILD));
        assertEquals(List.of(), workspace.gaps());
        assertEquals("Maven, as it says itself", workspace.build().name());
        assertEquals(List.of("berths/code"), workspace.modules().get(0).roots().stream()
                .map(one -> workspace.show(one.folder())).toList());
        assertEquals(workspace, new MavenReader().read(root, OpenRequest.at(root)));
    }
}
