package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;

/** How far the edits of one file move what stands after them; answers in logarithmic time. */
final class Shifts {

    static final Shifts NONE = new Shifts(List.of());

    private final List<Edit> edits;
    /** The sum of what the first {@code i} edits add. */
    private final int[] sums;

    /** @param edits taken ones, in order, not overlapping */
    Shifts(List<Edit> edits) {
        this.edits = edits;
        this.sums = new int[edits.size() + 1];
        for (int i = 0; i < edits.size(); i++) {
            sums[i + 1] = sums[i] + edits.get(i).replacement().length() - edits.get(i).range().length();
        }
    }

    /** The number of edits that start before an offset, or also at it. */
    private int startingBefore(int offset, boolean orAt) {
        int low = 0;
        int high = edits.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            int start = edits.get(middle).range().start();
            if (start < offset || orAt && start == offset) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The edit that replaces a stretch of text around the range. */
    Optional<Edit> replacing(Range range) {
        for (int i = startingBefore(range.start(), true) - 1; i >= 0; i--) {
            Edit edit = edits.get(i);
            if (edit.range().length() > 0) {
                return edit.range().encloses(range) ? Optional.of(edit) : Optional.empty();
            }
            if (edit.range().start() < range.start()) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    /** Where an edit's replacement starts after the change. */
    private int startOf(int edit) {
        return edits.get(edit).range().start() + sums[edit];
    }

    int startOf(Edit edit) {
        return startOf(edits.indexOf(edit));
    }

    /**
     * How far an offset moves by the edits before it.
     *
     * @param insertions whether insertions at the offset itself count
     */
    int upTo(int offset, boolean insertions) {
        int count = startingBefore(offset, false);
        while (insertions && count < edits.size() && edits.get(count).range().end() <= offset
                && edits.get(count).range().start() == offset) {
            count++;
        }
        return sums[count];
    }

    /** Where an offset is afterwards: before what is inserted there, and where code begins that took its place. */
    int after(int offset) {
        int count = startingBefore(offset, false);
        boolean isGone = count > 0 && edits.get(count - 1).kind() == Edit.Kind.CODE
                && edits.get(count - 1).range().end() > offset;
        return isGone ? startOf(count - 1) : offset + sums[count];
    }

    /** The offset before the edits from which an offset after them came, or the start of the edit it lies in. */
    int origin(int after) {
        for (int i = 0; i < edits.size(); i++) {
            int start = edits.get(i).range().start() + sums[i];
            if (after < start) {
                return after - sums[i];
            }
            if (after < start + edits.get(i).replacement().length()) {
                return edits.get(i).range().start();
            }
        }
        return after - sums[edits.size()];
    }
}
