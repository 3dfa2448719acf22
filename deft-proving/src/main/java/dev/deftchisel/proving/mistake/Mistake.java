package dev.deftchisel.proving.mistake;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * A program with one mistake, in a file {@code Main.java}. Written as a text: {@code === name}, the program, and after
 * a line {@code --- prints} what it prints once it is what its author meant.
 *
 * @param sort   what it is about: the name of the file of texts
 * @param name   unique
 * @param code   the program
 * @param prints what was meant
 */
public record Mistake(String sort, String name, String code, String prints) {

    private static final List<String> SORTS = List.of("syntax", "names", "types", "methods", "classes", "lambdas",
            "exceptions", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth");
    private static final String PRINTS = "--- prints\n";

    /** All mistakes of the proving ground. */
    public static List<Mistake> all() throws IOException {
        List<Mistake> all = new ArrayList<>();
        for (String sort : SORTS) {
            try (InputStream in = Mistake.class.getResourceAsStream("/mistakes/" + sort + ".txt")) {
                all.addAll(parse(sort, new String(in.readAllBytes(), StandardCharsets.UTF_8)));
            }
        }
        return all;
    }

    static List<Mistake> parse(String sort, String text) {
        List<Mistake> found = new ArrayList<>();
        for (String part : text.split("(?m)^=== ")) {
            int name = part.indexOf('\n');
            int prints = part.indexOf(PRINTS);
            if (prints > 0) {
                found.add(new Mistake(sort, part.substring(0, name), part.substring(name + 1, prints),
                        part.substring(prints + PRINTS.length())));
            }
        }
        return found;
    }
}
