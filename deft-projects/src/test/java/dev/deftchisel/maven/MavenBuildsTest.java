package dev.deftchisel.maven;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.BasicAuthenticator;
import com.sun.net.httpserver.HttpHandler;
import com.sun.net.httpserver.HttpServer;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.Workspace;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.jar.JarOutputStream;
import java.util.zip.ZipEntry;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Builds of several modules, with a local repository and settings of their own. */
class MavenBuildsTest {

    private static final String BERTHS = "<dependency><groupId>harbour</groupId><artifactId>berths</artifactId>"
            + "<version>1</version></dependency>";

    @TempDir
    private Path folder;
    private Path root;
    private Path repository;

    @BeforeEach
    void settings() throws IOException {
        root = folder.toRealPath().resolve("office");
        repository = folder.toRealPath().resolve("repository");
        write(".mvn/maven.config", "-s\nsettings.xml\n");
        write("settings.xml", "<settings><localRepository>" + repository + "</localRepository></settings>");
    }

    private void write(String path, String content) throws IOException {
        Path file = root.resolve(path);
        Files.createDirectories(file.getParent());
        Files.writeString(file, content);
    }

    private void module(String artifact, String rest) throws IOException {
        write(artifact + "/pom.xml", pom(artifact, rest));
        write(artifact + "/src/main/java/" + artifact + "/Quay.java", "package " + artifact + ";\nclass Quay { }\n");
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

    private static byte[] archive(String entry) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (JarOutputStream jar = new JarOutputStream(bytes)) {
            jar.putNextEntry(new ZipEntry(entry));
        }
        return bytes.toByteArray();
    }

    /** Puts a library into the local repository. */
    private void install(String group, String artifact, String version, String rest, String entry) throws IOException {
        Path place = repository.resolve(group.replace('.', '/')).resolve(artifact).resolve(version);
        Files.createDirectories(place);
        Files.writeString(place.resolve(artifact + "-" + version + ".pom"), pom(artifact, rest)
                .replace("<groupId>harbour</groupId><artifactId>" + artifact
                + "</artifactId><version>1<", "<groupId>" + group + "</groupId><artifactId>" + artifact
                + "</artifactId><version>" + version + "<"));
        Files.write(place.resolve(artifact + "-" + version + ".jar"), archive(entry));
    }

    private Workspace open(boolean isOnline) {
        OpenRequest request = OpenRequest.at(root);
        return new Workspaces(List.of(new MavenReader()))
                .read(isOnline ? request.with(Permission.FETCH_LIBRARIES) : request);
    }

    private static Module module(Workspace workspace, String name) {
        return workspace.modules().stream().filter(module -> module.name().equals(name)).findFirst().orElseThrow();
    }

    private static List<String> origins(List<Library> libraries) {
        return libraries.stream().map(Library::origin).toList();
    }

    @Test
    void aModuleThatIsNotThereIsNamedWithItsLine() throws IOException {
        write("pom.xml", pom("harbour",
                "<packaging>pom</packaging>\n<modules>\n<module>berths</module>\n<module>tides</module></modules>"));
        module("berths", "");
        Workspace workspace = open(false);
        assertEquals(1, workspace.modules().size());
        assertEquals(1, workspace.gaps().size(), workspace.gaps().toString());
        assertTrue(workspace.gaps().get(0).matches("pom\\.xml:7:\\d+: names the module tides, which is not there"),
                workspace.gaps().get(0));
    }

    @Test
    void aModuleThatCannotBeReadLeavesTheOthersAlone() throws IOException {
        write("pom.xml", pom("harbour",
                "<packaging>pom</packaging><modules><module>berths</module><module>tides</module></modules>"));
        module("berths", "");
        module("tides", "<dependencies>");
        Workspace workspace = open(false);
        assertEquals(List.of("harbour:berths", "tides"), workspace.modules().stream().map(Module::name).toList());
        assertTrue(workspace.gaps().get(0).matches("tides/pom\\.xml:\\d+:\\d+: cannot be read in full .*"),
                workspace.gaps().toString());
    }

    @Test
    void modulesThatNeedEachOtherAreOpened() throws IOException {
        write("pom.xml", pom("harbour",
                "<packaging>pom</packaging><modules><module>berths</module><module>tides</module></modules>"));
        module("berths", "<dependencies>" + BERTHS.replace("berths", "tides") + "</dependencies>");
        module("tides", "<dependencies>" + BERTHS + "</dependencies>");
        Workspace workspace = open(false);
        assertEquals(List.of("harbour:tides"), module(workspace, "harbour:berths").upstream());
        assertEquals(List.of("the modules harbour:berths and harbour:tides need each other; Maven does not build that"),
                workspace.gaps());
    }

    @Test
    void aModuleThatNamesItsOwnFolderEndsNowhere() throws IOException {
        write("pom.xml", pom("harbour",
                "<packaging>pom</packaging><modules><module>.</module><module>berths</module></modules>"));
        module("berths", "");
        assertEquals(1, open(false).modules().size());
    }

    @Test
    void whatOnlyTestsOfAModuleNeedDoesNotGoOn() throws IOException {
        install("harbour.kit", "gauges", "1", "", "kit/Gauge.class");
        write("pom.xml", pom("harbour",
                "<packaging>pom</packaging><modules><module>berths</module><module>tides</module></modules>"));
        module("berths", "<dependencies><dependency><groupId>harbour.kit</groupId><artifactId>gauges</artifactId>"
                + "<version>1</version>"
                + "<scope>test</scope></dependency></dependencies>");
        module("tides", "<dependencies>" + BERTHS + "</dependencies>");
        Workspace workspace = open(false);
        assertEquals(List.of("harbour.kit:gauges:1"),
                origins(module(workspace, "harbour:berths").dependencies().libraries()));
        assertEquals(List.of(), origins(module(workspace, "harbour:tides").dependencies().libraries()));
    }

    @Test
    void ofARangeTheNewestThatIsHereIsTaken() throws IOException {
        install("harbour.kit", "gauges", "1.2", "", "kit/Gauge.class");
        install("harbour.kit", "gauges", "1.10", "", "kit/Gauge.class");
        install("harbour.kit", "gauges", "2.0", "", "kit/Gauge.class");
        String range = "<dependencies><dependency><groupId>harbour.kit</groupId><artifactId>gauges</artifactId>"
                + "<version>%s</version></dependency></dependencies>";
        write("pom.xml", pom("harbour", range.formatted("[1,2)")));
        write("src/main/java/Quay.java", "class Quay { }");
        assertEquals(List.of("harbour.kit:gauges:1.10"),
                origins(open(false).modules().get(0).dependencies().libraries()));
        write("pom.xml", pom("harbour", range.formatted("[3,4)")));
        assertEquals(List.of("harbour.kit:gauges:[3,4) is not on this machine: names from it stay unresolved (fetch "
                + "it with --online)"),
                open(false).gaps());
    }

    @Test
    void aLibraryMayLieAnywhereInTheSystem() throws IOException {
        write("lib/gauges.jar", "");
        write("pom.xml", pom("harbour",
                "<dependencies><dependency><groupId>harbour.kit</groupId><artifactId>gauges</artifactId>"
                + "<version>1</version>"
                + "<scope>system</scope><systemPath>${project.basedir}/lib/gauges.jar</systemPath></dependency>"
                + "</dependencies>"));
        write("src/main/java/Quay.java", "class Quay { }");
        assertEquals(List.of(root.resolve("lib/gauges.jar")), open(false).modules().get(0).classPath());
    }

    @Test
    void processorsAreThoseOfTheirPathOrOfTheClassPath() throws IOException {
        install("harbour.kit", "stamps", "1", "", "META-INF/services/javax.annotation.processing.Processor");
        install("harbour.kit", "gauges", "1", "", "kit/Gauge.class");
        String stamps = "<groupId>harbour.kit</groupId><artifactId>stamps</artifactId>";
        String both = "<dependencies><dependency>" + stamps + "<version>1</version></dependency><dependency>"
                + stamps.replace("stamps", "gauges")
                + "<version>1</version></dependency></dependencies>";
        write("src/main/java/Quay.java", "class Quay { }");
        write("pom.xml", pom("harbour", both));
        assertEquals(List.of("harbour.kit:stamps:1"),
                origins(open(false).modules().get(0).dependencies().processors()));
        String plugin = "<build><plugins><plugin><artifactId>maven-compiler-plugin</artifactId>"
                + "<configuration>%s</configuration></plugin></plugins></build>";
        write("pom.xml", pom("harbour", both + plugin.formatted("<proc>none</proc>")));
        assertEquals(List.of(), open(false).modules().get(0).dependencies().processors());
        write("pom.xml", pom("harbour", "<dependencyManagement>" + both + "</dependencyManagement>"
                + plugin.formatted("<annotationProcessorPaths><path>" + stamps
                        + "</path></annotationProcessorPaths>")));
        Module module = open(false).modules().get(0);
        assertEquals(List.of("harbour.kit:stamps:1"), origins(module.dependencies().processors()));
        assertEquals(List.of(), module.dependencies().libraries());
    }

    @Test
    void foldersThatAPlugInAddsAreRead() throws IOException {
        write("pom.xml", pom("harbour",
                "<build><plugins><plugin><groupId>org.codehaus.mojo</groupId>"
                + "<artifactId>build-helper-maven-plugin</artifactId><executions>"
                + "<execution><goals><goal>add-source</goal></goals><configuration><sources><source>shared</source>"
                + "<source>target/made</source></sources>"
                + "</configuration></execution></executions></plugin></plugins></build>"));
        write("src/main/java/Quay.java", "class Quay { }");
        write("shared/Tide.java", "class Tide { }");
        write("target/made/Berth.java", "class Berth { }");
        assertEquals(List.of("src/main/java SOURCE", "shared SOURCE", "target/made GENERATED"), open(false).modules()
                .get(0).roots().stream()
                .map(one -> root.relativize(one.folder()) + " " + one.kind()).toList());
    }

    @Test
    void whatIsSaidElsewhereIsAGap() throws IOException {
        write("pom.xml", pom("harbour", "<packaging>eclipse-plugin</packaging>"));
        write("src/main/java/Quay.java", "class Quay { }");
        assertEquals(List.of("modules of the packaging eclipse-plugin say what they need in files that are not read"),
                open(false).gaps());
    }

    @Test
    void argumentsOfTheProjectCount() throws IOException {
        write(".mvn/maven.config", "-s\nsettings.xml\n-Drevision=7\n-Pwide\n");
        write("pom.xml", pom("harbour",
                "<profiles><profile><id>wide</id><properties><maven.compiler.release>21</maven.compiler.release>"
                + "</properties>"
                + "</profile></profiles>").replace("<version>1</version>", "<version>${revision}</version>"));
        write("src/main/java/Quay.java", "class Quay { }");
        assertEquals(21, open(false).modules().get(0).level());
    }

    @Test
    void settingsThatCannotBeReadAreNamed() throws IOException {
        write("settings.xml", "<settings>\n<mirrors>\n</settings>");
        write("pom.xml", pom("harbour", ""));
        write("src/main/java/Quay.java", "class Quay { }");
        List<String> gaps = open(false).gaps();
        assertTrue(gaps.get(0).matches(".*settings\\.xml:3:\\d+: cannot be read .*"), gaps.toString());
    }

    private static HttpHandler answering(Map<String, byte[]> files) {
        return exchange -> {
            byte[] content = files.get(exchange.getRequestURI().getPath());
            exchange.sendResponseHeaders(content == null ? 404 : 200, content == null ? -1 : content.length);
            if (content != null) {
                exchange.getResponseBody().write(content);
            }
            exchange.close();
        };
    }

    @Test
    void aSnapshotIsTheOneThatWasInstalled() throws IOException {
        install("harbour.kit", "gauges", "2-SNAPSHOT", "", "kit/Gauge.class");
        write("pom.xml", pom("harbour",
                "<dependencies><dependency><groupId>harbour.kit</groupId><artifactId>gauges</artifactId>"
                + "<version>2-SNAPSHOT</version></dependency></dependencies>"));
        write("src/main/java/Quay.java", "class Quay { }");
        Workspace workspace = open(false);
        assertEquals(List.of(), workspace.gaps());
        assertEquals(List.of("harbour.kit:gauges:2-SNAPSHOT"),
                origins(workspace.modules().get(0).dependencies().libraries()));
    }

    /** A fetched snapshot has the time in the name of its file, and a file that says which is the latest. */
    @Test
    void aSnapshotIsTheLatestThatWasFetched() throws IOException {
        install("harbour.kit", "gauges", "2-SNAPSHOT", "", "kit/Gauge.class");
        Path place = repository.resolve("harbour/kit/gauges/2-SNAPSHOT");
        for (String ending : List.of("jar", "pom")) {
            Files.move(place.resolve("gauges-2-SNAPSHOT." + ending),
                    place.resolve("gauges-2-20261101.120000-1." + ending));
        }
        Files.writeString(place.resolve("maven-metadata-central.xml"), """
                <metadata><groupId>harbour.kit</groupId><artifactId>gauges</artifactId><version>2-SNAPSHOT</version><versioning>
                <snapshot><timestamp>20261101.120000</timestamp><buildNumber>1</buildNumber></snapshot><snapshotVersions>
                <snapshotVersion><extension>jar</extension><value>2-20261101.120000-1</value><updated>20261101120000</updated></snapshotVersion>
                <snapshotVersion><extension>pom</extension><value>2-20261101.120000-1</value><updated>20261101120000</updated></snapshotVersion>
                </snapshotVersions></versioning></metadata>""");
        write("pom.xml", pom("harbour",
                "<repositories><repository><id>central</id><url>http://nowhere.invalid</url><snapshots>"
                + "<enabled>true</enabled></snapshots>"
                + "</repository></repositories><dependencies><dependency><groupId>harbour.kit</groupId>"
                + "<artifactId>gauges</artifactId>"
                + "<version>2-SNAPSHOT</version></dependency></dependencies>"));
        write("src/main/java/Quay.java", "class Quay { }");
        Workspace workspace = open(false);
        assertEquals(List.of(), workspace.gaps());
        assertEquals(List.of(place.resolve("gauges-2-20261101.120000-1.jar")), workspace.modules().get(0).classPath());
    }

    /** The host of the repository is not there; whoever gets an answer asked the proxy. */
    @Test
    void aProxyIsAskedInPlaceOfTheRepository() throws IOException {
        String jar = "/harbour/kit/gauges/1/gauges-1.jar";
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", answering(Map.of(jar, archive("kit/Gauge.class"), jar.replace(".jar", ".pom"),
                pom("gauges", "").replace("<groupId>harbour<", "<groupId>harbour.kit<")
                .getBytes(StandardCharsets.UTF_8))));
        server.start();
        try {
            write("settings.xml", "<settings><localRepository>" + repository
                    + "</localRepository><proxies><proxy><id>quay</id><active>true</active><protocol>http</protocol>"
                    + "<host>" + server.getAddress().getAddress().getHostAddress() + "</host><port>"
                    + server.getAddress().getPort() + "</port></proxy></proxies></settings>");
            write("pom.xml", pom("harbour",
                    "<repositories><repository><id>far</id><url>http://nowhere.invalid</url></repository>"
                    + "</repositories><dependencies>"
                    + "<dependency><groupId>harbour.kit</groupId><artifactId>gauges</artifactId><version>1</version>"
                    + "</dependency></dependencies>"));
            write("src/main/java/Quay.java", "class Quay { }");
            assertEquals(List.of(), open(true).gaps());
            assertEquals(List.of("harbour.kit:gauges:1"),
                    origins(open(false).modules().get(0).dependencies().libraries()));
        } finally {
            server.stop(0);
        }
    }

    @Test
    void aMirrorThatAsksForAPasswordIsGivenIt() throws IOException {
        String jar = "/harbour/kit/gauges/1/gauges-1.jar";
        Map<String, byte[]> files = Map.of(jar, archive("kit/Gauge.class"), jar.replace(".jar", ".pom"),
                pom("gauges", "").replace("<groupId>harbour<", "<groupId>harbour.kit<")
                .getBytes(StandardCharsets.UTF_8));
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", answering(files)).setAuthenticator(new BasicAuthenticator("quay") {
            @Override
            public boolean checkCredentials(String user, String password) {
                return user.equals("pilot") && password.equals("tide");
            }
        });
        server.start();
        try {
            String place = "http://" + server.getAddress().getAddress().getHostAddress() + ":" + server.getAddress()
                    .getPort();
            write("settings.xml", "<settings><localRepository>" + repository
                    + "</localRepository><mirrors><mirror><id>quay</id><mirrorOf>*</mirrorOf><url>"
                    + place + "</url></mirror></mirrors><servers><server><id>quay</id><username>pilot</username>"
                    + "<password>tide</password></server></servers></settings>");
            write("pom.xml", pom("harbour",
                    "<dependencies><dependency><groupId>harbour.kit</groupId><artifactId>gauges</artifactId>"
                    + "<version>1</version></dependency></dependencies>"));
            write("src/main/java/Quay.java", "class Quay { }");
            assertEquals(1, open(false).gaps().size());
            assertEquals(List.of(), open(true).gaps());
            assertEquals(List.of("harbour.kit:gauges:1"),
                    origins(open(false).modules().get(0).dependencies().libraries()));
        } finally {
            server.stop(0);
        }
    }
}
