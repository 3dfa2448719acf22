package dev.deftchisel.proving.shape;

import dev.deftchisel.workspace.opening.Permission;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * A project of one shape. Written as a text: {@code === name: what is special}, then each file under a line
 * {@code --- path}, in between what else must be known:
 *
 * <ul>
 * <li>{@code --- java 21} or {@code --- java 17 only}: the Java that must run</li>
 * <li>{@code --- jar lib/x.jar = group:artifact:version}: a real library to be put there</li>
 * <li>{@code --- javac ARGUMENTS}: how the build compiles, where it is not Maven; {@code {group:artifact:version}} is a
 *     library, a folder
 * all Java files in it</li>
 * <li>{@code --- charset ISO-8859-1}, {@code --- crlf}: how its files are written</li>
 * <li>{@code --- processing}: its annotation processors are run when it is opened</li>
 * <li>{@code --- errors}: lines {@code path:line} where its build has errors</li>
 * <li>{@code --- gaps}: how many lines are said about what cannot be known</li>
 * </ul>
 *
 * @param sort   the name of the file of texts
 * @param name   unique
 * @param about  what is special about it
 * @param java   what runs
 * @param jars   coordinates by path
 * @param calls  of the compiler
 * @param files  texts by path
 * @param form   how they are written
 * @param isProcessing whether annotation processors are run when it is opened
 * @param errors where its build has errors
 * @param gaps   how many lines are said about what cannot be known
 */
public record Shape(String sort, String name, String about, Java java, Map<String, String> jars, List<String> calls,
        Map<String, String> files, Form form,
        boolean isProcessing, Set<String> errors, int gaps) {

    private static final List<String> SORTS = List.of("maven", "gradle", "other");
    private static final String COMPUTED = "computed";

    /**
     * What must run.
     *
     * @param least   the oldest
     * @param isExact whether it must be just that
     */
    public record Java(int least, boolean isExact) {

        boolean isRunning() {
            int running = Runtime.version().feature();
            return isExact ? running == least : running >= least;
        }
    }

    /**
     * How files are written.
     *
     * @param charset of all
     * @param isCrlf  whether lines end as on Windows
     */
    public record Form(Charset charset, boolean isCrlf) {
    }

    /** All shapes that the running Java can read. */
    public static List<Shape> all() throws IOException {
        List<Shape> all = new ArrayList<>();
        for (String sort : SORTS) {
            all.addAll(read(sort));
        }
        return all.stream().filter(shape -> shape.java().isRunning()).toList();
    }

    /** Builds of Gradle that compute what they consist of, so that it must be asked. */
    public static List<Shape> computed() throws IOException {
        return read(COMPUTED);
    }

    private static List<Shape> read(String sort) throws IOException {
        try (InputStream in = Shape.class.getResourceAsStream("/shapes/" + sort + ".txt")) {
            return parse(sort, new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    static List<Shape> parse(String sort, String text) {
        List<Shape> found = new ArrayList<>();
        String[] parts = text.split("(?m)^=== ");
        for (int i = 1; i < parts.length; i++) {
            found.add(one(sort, parts[i]));
        }
        return found;
    }

    private static Shape one(String sort, String text) {
        String[] parts = text.split("(?m)^--- ");
        String[] title = parts[0].strip().split(": ", 2);
        Java java = new Java(17, false);
        Map<String, String> jars = new LinkedHashMap<>();
        List<String> calls = new ArrayList<>();
        Map<String, String> files = new LinkedHashMap<>();
        Charset charset = StandardCharsets.UTF_8;
        boolean isCrlf = false;
        Set<String> errors = new TreeSet<>();
        boolean isProcessing = false;
        int gaps = 0;
        for (int i = 1; i < parts.length; i++) {
            int end = parts[i].indexOf('\n');
            String heading = parts[i].substring(0, end).strip();
            String body = parts[i].substring(end + 1);
            String[] words = heading.split(" ", 2);
            switch (words[0]) {
                case "java" -> java = new Java(Integer.parseInt(words[1].split(" ")[0]), words[1].endsWith("only"));
                case "jar" -> jars.put(words[1].split(" = ")[0], words[1].split(" = ")[1]);
                case "javac" -> calls.add(words[1]);
                case "charset" -> charset = Charset.forName(words[1]);
                case "crlf" -> isCrlf = true;
                case "processing" -> isProcessing = true;
                case "errors" -> errors.addAll(body.lines().map(String::strip).filter(line -> !line.isEmpty())
                        .toList());
                case "gaps" -> gaps = Integer.parseInt(words[1]);
                default -> files.put(heading, body);
            }
        }
        return new Shape(sort, title[0], title[1], java, jars, calls, files, new Form(charset, isCrlf), isProcessing,
                new LinkedHashSet<>(errors), gaps);
    }

    /** Whether its build is Maven. */
    public boolean isMaven() {
        return files.containsKey("pom.xml");
    }

    /** Whether only its build tool can say what it consists of. */
    public boolean isComputed() {
        return sort.equals(COMPUTED);
    }

    /** What may be done when it is opened. */
    public Set<Permission> permissions() {
        // what is not on this machine is fetched, as its build would
        Set<Permission> allowed = EnumSet.of(isComputed() ? Permission.ASK_BUILD : Permission.FETCH_LIBRARIES);
        if (isProcessing) {
            allowed.add(Permission.RUN_PROCESSORS);
        }
        return allowed;
    }

    /** Writes it into a folder. */
    public void writeTo(Path folder, FetchedLibraries libraries) throws IOException {
        for (Map.Entry<String, String> file : files.entrySet()) {
            Path path = folder.resolve(file.getKey());
            Files.createDirectories(path.getParent());
            String text = file.getKey().endsWith("pom.xml") ? MavenBuild.withPlugins(file.getValue()) : file.getValue();
            Files.writeString(path, form.isCrlf() ? text.replace("\n", "\r\n") : text, form.charset());
        }
        for (Map.Entry<String, String> jar : jars.entrySet()) {
            Path path = folder.resolve(jar.getKey());
            Files.createDirectories(path.getParent());
            Files.copy(libraries.find(jar.getValue()), path);
        }
    }
}
