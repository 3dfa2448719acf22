package dev.deftchisel.change;

import java.util.ArrayList;
import java.util.List;
import org.eclipse.jgit.diff.DiffAlgorithm;
import org.eclipse.jgit.diff.Edit;
import org.eclipse.jgit.diff.EditList;
import org.eclipse.jgit.diff.RawText;
import org.eclipse.jgit.diff.RawTextComparator;
import org.eclipse.jgit.diff.SequenceComparator;
import org.eclipse.jgit.diff.Subsequence;
import org.eclipse.jgit.diff.SubsequenceComparator;

/**
 * Which lines a change to a file takes away and adds. Where something happens is known from its edits, so the texts are
 * compared piece by piece, from one place to the next: compared as a whole, a file with very many changes takes
 * quadratic time.
 */
final class ChangedLines {

    private static final SequenceComparator<Subsequence<RawText>> COMPARATOR =
            new SubsequenceComparator<>(RawTextComparator.DEFAULT);

    private final FileChange file;
    private final DiffAlgorithm algorithm = DiffAlgorithm.getAlgorithm(DiffAlgorithm.SupportedAlgorithm.HISTOGRAM);

    ChangedLines(FileChange file) {
        this.file = file;
    }

    /** The lines from here to the next start may differ; counted from 0. */
    private record Start(int before, int after) {
    }

    EditList compare(RawText before, RawText after) {
        List<Start> starts = starts();
        starts.add(new Start(before.size(), after.size()));
        EditList all = new EditList();
        for (int i = 0; i + 1 < starts.size(); i++) {
            Start start = starts.get(i);
            Start next = starts.get(i + 1);
            if (start.before() > next.before() || start.after() > next.after()) {
                // there are charsets in which the end of a line is another byte
                return algorithm.diff(RawTextComparator.DEFAULT, before, after);
            }
            Subsequence<RawText> piece = new Subsequence<>(before, start.before(), next.before());
            Subsequence<RawText> changed = new Subsequence<>(after, start.after(), next.after());
            EditList edits = algorithm.diff(COMPARATOR, piece, changed);
            Subsequence.toBase(edits, piece, changed).forEach(edit -> append(all, edit));
        }
        return all;
    }

    /** Lines that change one after the other are one change. */
    private static void append(EditList all, Edit edit) {
        Edit last = all.isEmpty() ? null : all.get(all.size() - 1);
        if (last != null && last.getEndA() == edit.getBeginA() && last.getEndB() == edit.getBeginB()) {
            all.set(all.size() - 1, new Edit(last.getBeginA(), edit.getEndA(), last.getBeginB(), edit.getEndB()));
        } else {
            all.add(edit);
        }
    }

    /** The first lines that edits touch, where the line above is as it was. */
    private List<Start> starts() {
        List<Start> starts = new ArrayList<>();
        String content = file.before().content();
        int offset = 0;
        int line = 0;
        int added = 0;
        int last = -2;
        for (dev.deftchisel.change.Edit edit : file.takenEdits()) {
            line += lineEnds(content, offset, edit.range().start());
            if (line > last + 1) {
                starts.add(new Start(line, line + added));
            }
            int taken = lineEnds(content, edit.range().start(), edit.range().end());
            added += lineEnds(edit.replacement(), 0, edit.replacement().length()) - taken;
            line += taken;
            last = line;
            offset = edit.range().end();
        }
        return starts;
    }

    private static int lineEnds(String text, int start, int end) {
        int count = 0;
        for (int at = text.indexOf('\n', start); at >= 0 && at < end; at = text.indexOf('\n', at + 1)) {
            count++;
        }
        return count;
    }
}
