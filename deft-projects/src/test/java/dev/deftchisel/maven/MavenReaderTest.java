package dev.deftchisel.maven;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.workspace.JavaLevel;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.WorkspaceException;
import dev.deftchisel.workspace.opening.FolderReader;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MavenReaderTest {

    @TempDir
    private Path root;

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    private static String pom(String artifact, String rest) {
        return """
                <project>
                  <modelVersion>4.0.0</modelVersion>
                  <groupId>harbour</groupId><artifactId>%s</artifactId><version>1</version>
                  %s
                </project>
                """.formatted(artifact, rest);
    }

    private Workspace open(Path folder) {
        return new Workspaces(List.of(new MavenReader(), new FolderReader())).open(OpenRequest.around(folder));
    }

    private static Module module(Workspace workspace, String name) {
        return workspace.modules().stream().filter(module -> module.name().equals(name)).findFirst().orElseThrow();
    }

    @Test
    void aBuildOfSeveralModulesOpensAsAWhole() throws IOException {
        write("pom.xml", pom("harbour", """
                <packaging>pom</packaging>
                <modules><module>berths</module><module>dues</module></modules>
                <properties><maven.compiler.release>11</maven.compiler.release></properties>"""));
        write("berths/pom.xml", pom("berths", "<parent><groupId>harbour</groupId><artifactId>harbour</artifactId>"
                + "<version>1</version></parent><properties><project.build.sourceEncoding>ISO-8859-1"
                + "</project.build.sourceEncoding></properties>"));
        write("berths/src/main/java/Berth.java", "class Berth { }");
        write("berths/target/generated-sources/tables/Table.java", "class Table { }");
        write("dues/pom.xml", pom("dues", "<dependencies><dependency><groupId>harbour</groupId><artifactId>berths"
                + "</artifactId><version>1</version></dependency></dependencies>"));
        write("dues/src/main/java/Due.java", "class Due { }");
        write("dues/src/test/java/DueTest.java", "class DueTest { }");
        write("dues/src/main/resources/due.txt", "x");

        Workspace workspace = open(root.resolve("dues/src/main"));

        assertEquals(root, workspace.root());
        assertEquals(List.of(), workspace.gaps());
        Module berths = module(workspace, "harbour:berths");
        assertEquals(11, berths.level());
        assertEquals(StandardCharsets.ISO_8859_1, berths.encoding());
        assertEquals(List.of(SourceRoot.Kind.SOURCE, SourceRoot.Kind.GENERATED),
                berths.roots().stream().map(SourceRoot::kind).toList());
        Module dues = module(workspace, "harbour:dues");
        assertEquals(List.of("harbour:berths"), dues.upstream());
        assertEquals(8, dues.level());
        assertEquals(List.of(SourceRoot.Use.MAIN, SourceRoot.Use.TEST, SourceRoot.Use.MAIN),
                dues.roots().stream().map(SourceRoot::use).toList());
    }

    @Test
    void aMissingLibraryIsAGapOfOneLine() throws IOException {
        write("pom.xml", pom("dues", "<dependencies><dependency><groupId>harbour.none</groupId><artifactId>nowhere"
                + "</artifactId><version>9</version></dependency></dependencies>"));
        write("src/main/java/Due.java", "class Due { }");
        assertEquals(List.of("harbour.none:nowhere:9 is not on this machine: names from it stay unresolved"
                + " (fetch it with --online)"), open(root).gaps());
    }

    @Test
    void aMissingParentLeavesTheFolders() throws IOException {
        write("pom.xml", """
                <project>
                  <modelVersion>4.0.0</modelVersion>
                  <parent><groupId>harbour.none</groupId><artifactId>nowhere</artifactId><version>9</version></parent>
                  <artifactId>dues</artifactId>
                </project>
                """);
        write("src/main/java/Due.java", "class Due { }");
        Workspace workspace = open(root);
        assertEquals(1, workspace.gaps().size());
        assertTrue(workspace.gaps().get(0).startsWith("pom.xml:3:11: cannot be read in full"), workspace.gaps().get(0));
        assertEquals(1, workspace.modules().size());
    }

    @Test
    void aGradleTreeIsReadByItsFolders() throws IOException {
        write("build.gradle", "java { sourceCompatibility = JavaVersion.VERSION_11 }");
        write("quay/src/main/java/Quay.java", "class Quay { }");
        Workspace workspace = open(root);
        assertEquals(11, workspace.modules().get(0).level());
        assertTrue(workspace.gaps().get(0).contains("--class-path"));
    }

    @Test
    void aFolderWithoutSourcesIsSaidToBeOne() throws IOException {
        write("pom.xml", pom("empty", ""));
        WorkspaceException refused = assertThrows(WorkspaceException.class, () -> open(root));
        assertTrue(refused.getMessage().contains("no source folder here"), refused.getMessage());
    }

    private JavaLevel java(String settings) throws IOException {
        write("pom.xml", pom("berths", settings));
        write("src/main/java/Berth.java", "class Berth { }");
        return module(new Workspaces(List.of(new MavenReader())).read(OpenRequest.around(root)), "harbour:berths")
                .java();
    }

    private static String plugin(String configuration) {
        return "<build><plugins><plugin><artifactId>maven-compiler-plugin</artifactId>" + configuration
                + "</plugin></plugins></build>";
    }

    @Test
    void theJavaIsWhatTheCompilerIsTold() throws IOException {
        assertEquals(new JavaLevel(11, JavaLevel.Api.COMPILER, List.of()),
                java("<properties><maven.compiler.source>11</maven.compiler.source></properties>"));
        assertEquals(JavaLevel.of(17),
                java("<properties><maven.compiler.source>1.8</maven.compiler.source><maven.compiler.release>17"
                + "</maven.compiler.release></properties>"));
        assertEquals(JavaLevel.of(21), java(plugin("<configuration><release>21</release></configuration>")));
        assertEquals(new JavaLevel(21, JavaLevel.Api.LEVEL,
                List.of("--enable-preview", "--add-exports=java.base/sun.x=ALL-UNNAMED")),
                java(plugin("<configuration><release>21</release><compilerArgs><arg>--enable-preview</arg>"
                        + "<arg>-parameters</arg>"
                        + "<arg>--add-exports</arg><arg>java.base/sun.x=ALL-UNNAMED</arg></compilerArgs>"
                        + "</configuration>")));
        assertEquals(JavaLevel.of(14),
                java(plugin("<executions><execution><id>default-compile</id><configuration><release>14</release>"
                + "</configuration></execution></executions>")));
    }

    @Test
    void aLibraryWhoseModelAsksWhichJavaItIsBringsItsOwn() throws IOException {
        // the parents of this one have profiles that depend on the JDK
        write("pom.xml", pom("berths",
                "<dependencies><dependency><groupId>org.apache.maven</groupId><artifactId>maven-model-builder"
                + "</artifactId><version>" + System.getProperty("maven.model.version")
                + "</version></dependency></dependencies>"));
        write("src/main/java/Berth.java", "class Berth { }");
        List<String> origins = module(open(root), "harbour:berths").dependencies().libraries().stream()
                .map(Library::origin).toList();
        assertTrue(origins.stream().anyMatch(origin -> origin.startsWith("org.apache.maven:maven-model:")),
                origins.toString());
    }
}
