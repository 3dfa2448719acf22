package dev.deftchisel.desk.text;

import dev.deftchisel.source.Range;

/**
 * The one stretch in which two texts differ.
 *
 * @param start    where it starts in both
 * @param removed  what stood there
 * @param inserted what stands there then
 */
public record TextDifference(int start, String removed, String inserted) {

    /** The smallest stretch between what is the same before and after it. */
    public static TextDifference between(String before, String after) {
        int most = Math.min(before.length(), after.length());
        int start = 0;
        while (start < most && before.charAt(start) == after.charAt(start)) {
            start++;
        }
        int end = 0;
        while (end < most - start && before.charAt(before.length() - 1 - end)
                == after.charAt(after.length() - 1 - end)) {
            end++;
        }
        return new TextDifference(start, before.substring(start, before.length() - end),
                after.substring(start, after.length() - end));
    }

    /** Whether there is no difference. */
    public boolean isEmpty() {
        return removed.isEmpty() && inserted.isEmpty();
    }

    /** Makes one text of the other. */
    public String apply(String before) {
        return before.substring(0, start) + inserted + before.substring(start + removed.length());
    }

    /** Takes that back. */
    public String revert(String after) {
        return after.substring(0, start) + removed + after.substring(start + inserted.length());
    }

    /** Where an offset is afterwards. */
    public int after(int offset) {
        if (offset <= start) {
            return offset;
        }
        return offset >= start + removed.length() ? offset + inserted.length() - removed.length()
                : Math.min(offset, start + inserted.length());
    }

    /** Where a stretch of the text is afterwards. */
    public Range after(Range range) {
        int from = after(range.start());
        return new Range(from, Math.max(from, after(range.end())));
    }
}
