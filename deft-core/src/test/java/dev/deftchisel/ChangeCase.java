package dev.deftchisel;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.fail;

import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * An operation as a text that reads like documentation:
 * <pre>
 * What happens, in a sentence.
 *
 * --- path/Of.java
 * source, with what is selected in «guillemets»; nothing between them is a caret
 * --- do extract-variable name=dues places=all        of several members: members=depth,name
 * --- do change-signature to=int due(int days)        what is typed as a header goes to the end of the line
 * --- after path/Of.java          the content afterwards; files that are not listed must stay as they are
 * --- gone path/Of.java           a file that is not there afterwards, as it moved
 * --- notes                       what the user is told besides, one a line
 * --- refused                     or instead: the reasons, one a line
 * </pre>
 */
public record ChangeCase(
        String title,
        Map<String, String> before,
        String markedFile,
        Range selection,
        String operation,
        Answers answers,
        Map<String, String> after,
        List<String> gone,
        List<String> notes,
        List<String> refusal) {

    /** Reads a case. */
    public static ChangeCase read(Path file) throws IOException {
        Map<String, String> before = new LinkedHashMap<>();
        Map<String, String> after = new LinkedHashMap<>();
        List<String> refusal = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        List<String> gone = new ArrayList<>();
        String[] command = {};
        Optional<String> to = Optional.empty();
        String[] sections = Files.readString(file).split("(?m)^--- ");
        String marked = "";
        Range selection = new Range(0, 0);
        for (int i = 1; i < sections.length; i++) {
            int lineEnd = sections[i].indexOf('\n');
            String head = sections[i].substring(0, lineEnd);
            String body = sections[i].substring(lineEnd + 1);
            if (head.startsWith("do ")) {
                // a header, or a part of one, is the last answer, and goes to the end of the line
                int last = Math.max(head.indexOf(" to="), head.indexOf(" add="));
                String rest = last < 0 ? head : head.substring(0, last);
                to = last < 0 ? Optional.empty() : Optional.of(head.substring(last + 1));
                command = rest.substring("do ".length()).split(" ");
            } else if (head.startsWith("after ")) {
                after.put(head.substring("after ".length()), body);
            } else if (head.startsWith("gone ")) {
                gone.add(head.substring("gone ".length()));
            } else if (head.equals("notes")) {
                notes.addAll(body.lines().toList());
            } else if (head.equals("refused")) {
                refusal.addAll(body.lines().toList());
            } else {
                if (body.indexOf('«') >= 0) {
                    marked = head;
                    selection = new Range(body.indexOf('«'), body.indexOf('»') - 1);
                }
                before.put(head, body.replace("«", "").replace("»", ""));
            }
        }
        Answers answers = Answers.none();
        for (int i = 1; i < command.length; i++) {
            String[] answer = command[i].split("=", 2);
            boolean isList = answer[0].equals("members") || answer[0].equals("descending");
            answers = isList ? answers.and(answer[0], answer[1].isEmpty() ? List.of() : List.of(answer[1].split(",")))
                    : answers.and(answer[0], answer[1]);
        }
        if (to.isPresent()) {
            int equals = to.get().indexOf('=');
            answers = answers.and(to.get().substring(0, equals), to.get().substring(equals + 1));
        }
        return new ChangeCase(sections[0].strip(), before, marked, selection, command[0], answers, after, gone, notes,
                refusal);
    }

    /** Plays it through the public API, applies and takes back. */
    public void play(Path folder) throws IOException {
        play(folder, 17);
    }

    /** The same as code of a Java level, which the running JDK must know. */
    public void play(Path folder, int level) throws IOException {
        Path root = folder.toRealPath();
        for (Map.Entry<String, String> source : before.entrySet()) {
            Path path = root.resolve(source.getKey());
            Files.createDirectories(path.getParent());
            Files.writeString(path, source.getValue());
        }
        OpenRequest request = new OpenRequest(
                root, true, List.of(root), List.of(), Optional.of(level), Optional.empty(), Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            Outcome outcome = chisel.preview(new Place(root.resolve(markedFile), selection), operation, answers);
            if (!refusal.isEmpty()) {
                assertEquals(refusal, reasons(chisel, outcome));
                return;
            }
            if (!(outcome instanceof Outcome.Preview preview)) {
                fail(title + " -- refused: " + reasons(chisel, outcome));
                return;
            }
            assertEquals(notes, preview.change().notes());
            chisel.apply(preview);
            Map<String, String> expected = new TreeMap<>(before);
            expected.putAll(after);
            expected.keySet().removeAll(gone);
            assertEquals(expected, contents(root));
            chisel.undo();
            assertEquals(new TreeMap<>(before), contents(root));
        }
    }

    private static List<String> reasons(Chisel chisel, Outcome outcome) {
        if (!(outcome instanceof Outcome.Refusal refusal)) {
            return List.of("not refused: " + ((Outcome.Preview) outcome).change().title());
        }
        return refusal.reasons().stream().map(reason -> where(chisel, reason) + reason.sentence()).toList();
    }

    private static String where(Chisel chisel, Reason reason) {
        return reason.file()
                .map(file -> chisel.workspace().show(file) + ":"
                        + chisel.snapshot().file(file).orElseThrow().position(reason.range().start()) + ": ")
                .orElse("");
    }

    private static Map<String, String> contents(Path root) throws IOException {
        Map<String, String> contents = new TreeMap<>();
        try (Stream<Path> files = Files.walk(root)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                String name = root.relativize(file).toString();
                if (!name.startsWith(".deft")) {
                    contents.put(name, Files.readString(file));
                }
            }
        }
        return contents;
    }
}
