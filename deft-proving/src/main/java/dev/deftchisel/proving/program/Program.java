package dev.deftchisel.proving.program;

import dev.deftchisel.maven.Artifacts;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Permission;
import java.io.IOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A program of several files that prints what it does, started at {@code harbour.Main}. Written as a text: what it is
 * about, then each file under a line {@code --- path}; a line {@code --- level 21} says which language level it needs,
 * and one like {@code --- processor group:artifact:version} an annotation processor that its compiler runs.
 *
 * @param name  of the text, without its ending
 * @param about what it is about
 * @param level the language level it needs
 * @param processors coordinates of annotation processors, with their annotations
 * @param files their texts by path
 */
public record Program(String name, String about, int level, List<String> processors, Map<String, String> files) {

    private static final int USUAL_LEVEL = 17;
    private static final String LEVEL = "level ";
    private static final String PROCESSOR = "processor ";

    /** Copies the map, keeping its order. */
    public Program {
        processors = List.copyOf(processors);
        files = new LinkedHashMap<>(files);
    }

    /** All programs of the proving ground that the running Java understands, by name. */
    public static List<Program> all() throws IOException {
        URI folder;
        try {
            folder = Program.class.getResource("/programs").toURI();
        } catch (URISyntaxException impossible) {
            throw new IllegalStateException(impossible);
        }
        if (folder.getScheme().equals("file")) {
            return in(Path.of(folder));
        }
        try (FileSystem archive = FileSystems.newFileSystem(folder, Map.of())) {
            return in(archive.getPath("/programs"));
        }
    }

    private static List<Program> in(Path folder) throws IOException {
        List<Program> all = new ArrayList<>();
        try (Stream<Path> texts = Files.list(folder)) {
            for (Path text : texts.sorted().toList()) {
                String file = text.getFileName().toString();
                all.add(parse(file.substring(0, file.lastIndexOf('.')),
                        Files.readString(text, StandardCharsets.UTF_8)));
            }
        }
        return all.stream().filter(program -> program.level() <= Runtime.version().feature()).toList();
    }

    static Program parse(String name, String text) {
        String[] parts = text.split("(?m)^--- ");
        int level = USUAL_LEVEL;
        List<String> processors = new ArrayList<>();
        Map<String, String> files = new LinkedHashMap<>();
        for (int i = 1; i < parts.length; i++) {
            int end = parts[i].indexOf('\n');
            String heading = parts[i].substring(0, end).strip();
            if (heading.startsWith(LEVEL)) {
                level = Integer.parseInt(heading.substring(LEVEL.length()));
            } else if (heading.startsWith(PROCESSOR)) {
                processors.add(heading.substring(PROCESSOR.length()));
            } else {
                files.put(heading, parts[i].substring(end + 1));
            }
        }
        return new Program(name, parts[0].strip(), level, processors, files);
    }

    /**
     * The archives of the processors.
     *
     * @throws IllegalStateException when one is not on this machine, and cannot be fetched
     */
    public List<Path> archives() {
        return processors.stream().map(coordinates -> Artifacts.open(false).find(coordinates)
                .or(() -> Artifacts.open(true).find(coordinates))
                .orElseThrow(() -> new IllegalStateException(coordinates
                        + " is not on this machine, and cannot be fetched"))).toList();
    }

    /** Whether processors make types of their own, so that they must be run to know them. */
    public boolean isProcessed() {
        return name.startsWith("processed-");
    }

    /**
     * How it is opened, where its processors may be run if they must; what else is needed for that is written into the
     * folder.
     */
    public OpenRequest opened(Path sources) throws IOException {
        if (!isProcessed()) {
            return new OpenRequest(sources, true, List.of(sources), archives(), Optional.of(level),
                    Optional.of(StandardCharsets.UTF_8), Set.of());
        }
        String archives = archives().stream().map(path -> '"' + path.toString().replace("\\", "/") + '"')
                .collect(Collectors.joining(", "));
        Files.writeString(sources.resolve("deft-project.json"), "{\"modules\": [{\"name\": \"" + name
                + "\", \"sources\": [\".\"], \"level\": " + level
                + ", \"class-path\": [" + archives + "], \"processors\": [" + archives + "]}]}\n");
        return OpenRequest.at(sources).with(Permission.RUN_PROCESSORS);
    }

    /** Writes all files into a folder. */
    public void writeTo(Path folder) throws IOException {
        for (Map.Entry<String, String> file : files.entrySet()) {
            Path path = folder.resolve(file.getKey());
            Files.createDirectories(path.getParent());
            Files.writeString(path, file.getValue(), StandardCharsets.UTF_8);
        }
    }
}
