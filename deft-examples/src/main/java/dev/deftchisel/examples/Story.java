package dev.deftchisel.examples;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A session at the keyboard as a text that reads like one:
 * <pre>
 * What happens, in a sentence.
 * --- type path/Of.java
 * lines, at the end of the file's last type; or all of a new file
 * --- fill path/Of.java name
 * lines, in place of what stands in for the body of that method
 * --- add path/Of.java line
 * lines, after the first line that contains this one
 * --- take operation path/Of.java
 * at=text with a | where the caret is
 * keys=what is pressed for it: a key each, and :text for a line
 * answer=value
 * </pre>
 *
 * @param steps in order
 */
public record Story(List<Step> steps) {

    /** What happens next. */
    public sealed interface Step {
    }

    /** Somebody says what is going on. */
    public record Tell(String sentence) implements Step {
    }

    /** Somebody types into a file. */
    public record Type(String file, Where where, String mark, String lines) implements Step {
    }

    /** Where something is typed. */
    public enum Where { END, BODY, BEHIND }

    /**
     * Somebody takes an offer.
     *
     * @param at      a text of the file with a {@code |} where the caret is
     * @param keys    what is pressed: a key each, or a line with a {@code :} before it, in which {@code ␣} is a blank
     * @param answers to what the operation asks
     */
    public record Take(String operation, String file, String at, List<String> keys, Map<String, String> answers)
            implements Step {
    }

    /** Copies the list. */
    public Story {
        steps = List.copyOf(steps);
    }

    /** Reads one. */
    public static Story read(String text) {
        List<Step> steps = new ArrayList<>();
        String[] parts = text.split("(?m)^--- ");
        for (int i = 0; i < parts.length; i++) {
            int end = parts[i].indexOf('\n');
            String[] head = i == 0 ? new String[0] : parts[i].substring(0, end).split(" ", 3);
            String body = i == 0 ? parts[0] : parts[i].substring(end + 1);
            // the sentence that leads to the next step stands after a blank line
            int told = body.lastIndexOf("\n\n");
            String lines;
            if (i == 0) {
                lines = "";
            } else if (told < 0) {
                lines = body;
            } else {
                lines = body.substring(0, told + 1);
            }
            String sentence;
            if (i == 0) {
                sentence = body;
            } else if (told < 0) {
                sentence = "";
            } else {
                sentence = body.substring(told + 2);
            }
            if (i > 0) {
                steps.add(step(head, lines));
            }
            if (!sentence.isBlank()) {
                steps.add(new Tell(sentence.strip()));
            }
        }
        return new Story(steps);
    }

    private static Step step(String[] head, String lines) {
        return switch (head[0]) {
            case "type" -> new Type(head[1], Where.END, "", lines);
            case "fill" -> new Type(head[1], Where.BODY, head[2], lines);
            case "add" -> new Type(head[1], Where.BEHIND, head[2], lines);
            case "take" -> take(head, lines);
            default -> throw new IllegalArgumentException("nobody knows how to " + head[0]);
        };
    }

    private static Take take(String[] head, String lines) {
        Map<String, String> said = new LinkedHashMap<>();
        lines.lines().filter(line -> !line.isBlank()).forEach(line ->
                said.put(line.substring(0, line.indexOf('=')), line.substring(line.indexOf('=') + 1)));
        String at = said.remove("at");
        List<String> keys = List.of(said.remove("keys").split(" "));
        return new Take(head[1], head[2], at, keys, said);
    }

    /** Types into a file. */
    public static void type(Path folder, Type typed) throws IOException {
        Path file = folder.resolve(typed.file());
        if (!Files.exists(file)) {
            Files.createDirectories(file.getParent());
            Files.writeString(file, typed.lines());
            return;
        }
        String content = Files.readString(file);
        String changed = switch (typed.where()) {
            case END -> new StringBuilder(content).insert(content.lastIndexOf('}'), typed.lines()).toString();
            case BODY -> body(content, typed);
            case BEHIND -> behind(content, typed);
        };
        Files.writeString(file, changed);
    }

    private static String body(String content, Type typed) {
        int method = content.indexOf(" " + typed.mark() + "(");
        int start = content.indexOf("        throw new UnsupportedOperationException(", method);
        return content.substring(0, start) + typed.lines() + content.substring(content.indexOf('\n', start) + 1);
    }

    private static String behind(String content, Type typed) {
        int end = content.indexOf('\n', content.indexOf(typed.mark())) + 1;
        return content.substring(0, end) + typed.lines() + content.substring(end);
    }

    /** The offset of the caret of an offer, at the last place that reads so. */
    public static int caret(String content, Take take) {
        int mark = take.at().indexOf('|');
        int found = content.lastIndexOf(take.at().replace("|", ""));
        if (found < 0) {
            throw new IllegalArgumentException("there is no '" + take.at() + "' in " + take.file());
        }
        return found + mark;
    }
}
