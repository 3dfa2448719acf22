package dev.deftchisel.proving.corpus;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** The corpora known by name: lines of a name and Maven coordinates, {@code #} opens a comment. */
public record CorpusList(Map<String, String> coordinates) {

    private static final String FILE = "/dev/deftchisel/proving/corpora.txt";

    /** The list that comes with the proving ground. */
    public static CorpusList standard() {
        try (InputStream in = CorpusList.class.getResourceAsStream(FILE)) {
            return parse(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    static CorpusList parse(String text) {
        Map<String, String> coordinates = new LinkedHashMap<>();
        text.lines().map(line -> line.replaceAll("#.*", "").strip()).filter(line -> !line.isEmpty()).forEach(line -> {
            String[] words = line.split("\\s+");
            coordinates.put(words[0], words[1]);
        });
        return new CorpusList(coordinates);
    }

    /**
     * The coordinates that a word stands for.
     *
     * @param word a name of the list, or {@code group:artifact:version} itself
     * @throws CorpusException when it is neither
     */
    public String resolve(String word) {
        if (word.matches("[^:]+:[^:]+:[^:]+")) {
            return word;
        }
        String found = coordinates.get(word);
        if (found == null) {
            throw new CorpusException("there is no corpus '" + word + "'; there are "
                    + String.join(", ", coordinates.keySet())
                    + ", or give group:artifact:version");
        }
        return found;
    }
}
