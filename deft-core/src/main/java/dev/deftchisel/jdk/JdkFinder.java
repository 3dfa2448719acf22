package dev.deftchisel.jdk;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * Finds the JDKs of a machine: the running one, those that {@code JAVA_HOME}, {@code JDK_HOME} and {@code PATH} name,
 * those of Maven's {@code toolchains.xml}, and those in the folders where systems and version managers put them. Reads
 * files only.
 */
public final class JdkFinder {

    /** Where systems install JDKs, each in a folder of its own. */
    private static final List<String> OF_SYSTEMS = List.of("/usr/lib/jvm", "/usr/lib64/jvm", "/usr/java",
            "/usr/local/java", "/opt",
            "/opt/java", "/Library/Java/JavaVirtualMachines", "C:/Program Files/Java",
            "C:/Program Files/Eclipse Adoptium",
            "C:/Program Files/Microsoft", "C:/Program Files/Zulu");
    /** Where version managers and build tools keep them, below the user's folder. */
    private static final List<String> OF_USERS = List.of(".sdkman/candidates/java", ".jdks", ".jenv/versions",
            ".asdf/installs/java",
            ".local/share/mise/installs/java", ".jabba/jdk", ".gradle/jdks", "Library/Java/JavaVirtualMachines");
    /** Within such a folder a JDK may stand a little deeper on some systems. */
    private static final List<String> WITHIN = List.of("", "Contents/Home");

    private final Map<String, String> environment;
    private final Path userHome;
    private final List<Path> folders;

    JdkFinder(Map<String, String> environment, Path userHome, List<Path> folders) {
        this.environment = Map.copyOf(environment);
        this.userHome = userHome;
        this.folders = List.copyOf(folders);
    }

    /** For the machine and user of the running process. */
    public static JdkFinder ofThisMachine() {
        Path userHome = Path.of(System.getProperty("user.home"));
        List<Path> folders = new ArrayList<>();
        OF_USERS.forEach(folder -> folders.add(userHome.resolve(folder)));
        OF_SYSTEMS.forEach(folder -> folders.add(Path.of(folder)));
        return new JdkFinder(System.getenv(), userHome, folders);
    }

    /** All of them, the newest first; of the same feature release the one that is running or was named comes first. */
    public List<Jdk> all() {
        Map<Path, Jdk> found = new LinkedHashMap<>();
        add(found, Jdk.running());
        for (String name : List.of("JAVA_HOME", "JDK_HOME")) {
            named(environment.getOrDefault(name, "")).ifPresent(jdk -> add(found, jdk));
        }
        for (String entry : environment.getOrDefault("PATH", "").split(File.pathSeparator)) {
            onPath(entry).ifPresent(jdk -> add(found, jdk));
        }
        toolchains().forEach(home -> named(home).ifPresent(jdk -> add(found, jdk)));
        for (Path folder : folders) {
            for (Path child : children(folder)) {
                WITHIN.forEach(deeper -> Jdk.at(child.resolve(deeper)).ifPresent(jdk -> add(found, jdk)));
            }
        }
        return found.values().stream().sorted(Comparator.comparingInt(Jdk::feature).reversed()).toList();
    }

    private static void add(Map<Path, Jdk> found, Jdk jdk) {
        found.putIfAbsent(real(jdk.home()), jdk);
    }

    private static Path real(Path path) {
        try {
            return path.toRealPath();
        } catch (IOException gone) {
            return path;
        }
    }

    private static Optional<Jdk> named(String home) {
        try {
            return home.isBlank() ? Optional.empty() : Jdk.at(Path.of(home.strip()));
        } catch (InvalidPathException noPath) {
            return Optional.empty();
        }
    }

    /** The program on the path is mostly a link into its JDK. */
    private static Optional<Jdk> onPath(String entry) {
        try {
            Path program = Path.of(entry).resolve("javac");
            return entry.isBlank() || !Files.isExecutable(program)
                    ? Optional.empty()
                    : Optional.ofNullable(real(program).getParent()).map(Path::getParent).flatMap(Jdk::at);
        } catch (InvalidPathException noPath) {
            return Optional.empty();
        }
    }

    private static List<Path> children(Path folder) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> children = Files.list(folder)) {
            return children.sorted().toList();
        } catch (IOException unreadable) {
            return List.of();
        }
    }

    /** The homes that are named there; a file that cannot be read names none. */
    private List<String> toolchains() {
        Path file = userHome.resolve(".m2").resolve("toolchains.xml");
        List<String> homes = new ArrayList<>();
        if (Files.isRegularFile(file)) {
            try (InputStream in = Files.newInputStream(file)) {
                DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
                factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
                DocumentBuilder builder = factory.newDocumentBuilder();
                // the usual one prints what it finds
                builder.setErrorHandler(new DefaultHandler());
                NodeList named = builder.parse(in).getElementsByTagName("jdkHome");
                for (int i = 0; i < named.getLength(); i++) {
                    homes.add(named.item(i).getTextContent());
                }
            } catch (IOException | ParserConfigurationException | SAXException unreadable) {
                return List.of();
            }
        }
        return homes;
    }
}
