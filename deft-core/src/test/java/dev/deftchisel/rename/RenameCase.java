package dev.deftchisel.rename;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A rename as a text that reads like documentation:
 * <pre>
 * What happens, in a sentence.
 *
 * --- path/Of.java
 * source, with the name to rename in «guillemets»
 * --- rename to newName [mentions all] [related all] [external change] [subpackages]
 * --- after path/Of.java          the content afterwards; files that are not listed must stay as they are
 * --- gone path/Old.java          must not be there afterwards
 * --- notes                       what is said besides, one a line; not compared when it is left out
 * --- refused                     or instead: the reasons, one a line
 * </pre>
 */
record RenameCase(
        String title,
        Map<String, String> before,
        String markedFile,
        int caret,
        String newName,
        List<String> options,
        Map<String, String> after,
        List<String> gone,
        List<String> notes,
        List<String> refusal) {

    static RenameCase read(Path file) throws IOException {
        Map<String, String> before = new LinkedHashMap<>();
        Map<String, String> after = new LinkedHashMap<>();
        List<String> gone = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        List<String> refusal = new ArrayList<>();
        List<String> command = new ArrayList<>();
        String[] sections = Files.readString(file).split("(?m)^--- ");
        String marked = "";
        int caret = -1;
        for (int i = 1; i < sections.length; i++) {
            int lineEnd = sections[i].indexOf('\n');
            String head = sections[i].substring(0, lineEnd);
            String body = sections[i].substring(lineEnd + 1);
            if (head.startsWith("rename to ")) {
                command.addAll(List.of(head.substring("rename to ".length()).split(" ")));
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
                    caret = body.indexOf('«');
                }
                before.put(head, body.replace("«", "").replace("»", ""));
            }
        }
        return new RenameCase(sections[0].strip(), before, marked, caret, command.get(0),
                command.subList(1, command.size()), after, gone, notes, refusal);
    }
}
