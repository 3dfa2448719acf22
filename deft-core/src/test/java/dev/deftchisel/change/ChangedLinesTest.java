package dev.deftchisel.change;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.eclipse.jgit.diff.EditList;
import org.eclipse.jgit.diff.RawText;
import org.junit.jupiter.api.Test;

class ChangedLinesTest {

    private static final int CHANGES = 3000;

    private static FileChange change(String content, List<Edit> edits) {
        return new FileChange(Path.of("/w/Berth.java"), Optional.empty(),
                SourceText.decode(content.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8), edits);
    }

    private static void leadsFromBeforeToAfter(FileChange change) {
        RawText before = new RawText(change.before().bytes());
        RawText after = new RawText(change.after().bytes());
        EditList edits = new ChangedLines(change).compare(before, after);
        StringBuilder made = new StringBuilder();
        int at = 0;
        int last = -1;
        for (org.eclipse.jgit.diff.Edit edit : edits) {
            assertTrue(edit.getBeginA() > last, "changes of neighbouring lines are one");
            made.append(before.getString(at, edit.getBeginA(), false))
                    .append(after.getString(edit.getBeginB(), edit.getEndB(), false));
            at = edit.getEndA();
            last = at;
        }
        made.append(before.getString(at, before.size(), false));
        assertEquals(change.after().content(), made.toString());
    }

    @Test
    void thePiecesMakeTheWholeChange() {
        Random random = new Random(4);
        String[] pieces = {"a\n", "b\n", "\n", "a", "bb", "}\n", "  x\n  y\n", ""};
        for (int change = 0; change < CHANGES; change++) {
            StringBuilder content = new StringBuilder();
            random.ints(random.nextInt(20), 0, pieces.length).forEach(piece -> content.append(pieces[piece]));
            List<Edit> edits = new ArrayList<>();
            for (int at = random.nextInt(3); at <= content.length(); at += 1 + random.nextInt(9)) {
                int end = Math.min(content.length(), at + random.nextInt(5));
                edits.add(Edit.of(new Range(at, end), pieces[random.nextInt(pieces.length)], Edit.Kind.CODE));
                at = end;
            }
            leadsFromBeforeToAfter(change(content.toString(), edits));
        }
    }
}
