package dev.deftchisel.signature.written;

import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/**
 * A list in parentheses, such as of parameters or arguments, cut at its commas. Each slot has the comments that stand
 * between its commas; the white space before a slot belongs to its place, whatever comes to stand there.
 */
public final class ListSlots {

    private final SourceFile file;
    private final Range inner;
    private final List<Range> slots = new ArrayList<>();
    private final List<String> gaps = new ArrayList<>();
    private final String end;

    /**
     * @param inner    what stands between the parentheses
     * @param elements of the list, in order
     */
    public ListSlots(SourceFile file, Range inner, List<Range> elements) {
        this.file = file;
        this.inner = inner;
        int from = inner.start();
        for (int i = 0; i < elements.size(); i++) {
            int to = i + 1 < elements.size() ? comma(elements.get(i).end()) : inner.end();
            Range slot = trimmed(from, to);
            gaps.add(file.content().substring(from, slot.start()));
            slots.add(slot);
            from = to + 1;
        }
        this.end = elements.isEmpty() ? "" : file.content().substring(slots.get(slots.size() - 1).end(), inner.end());
    }

    private int comma(int from) {
        Tokens tokens = file.tokens();
        return tokens.start(tokens.code(tokens.at(from)));
    }

    private Range trimmed(int from, int to) {
        String content = file.content();
        int start = from;
        int stop = to;
        while (start < stop && Character.isWhitespace(content.charAt(start))) {
            start++;
        }
        while (stop > start && Character.isWhitespace(content.charAt(stop - 1))) {
            stop--;
        }
        return new Range(start, stop);
    }

    /** What stands between the parentheses. */
    public Range inner() {
        return inner;
    }

    /** An element with the comments around it. */
    public Range slot(int index) {
        return slots.get(index);
    }

    /**
     * Something in a list.
     *
     * @param code    writes it
     * @param comment to the end of its line, which must come after the comma; may be empty
     */
    public record Item(Consumer<NewCode> code, Range comment) {

        /** Without such a comment. */
        public static Item of(Consumer<NewCode> code) {
            return new Item(code, new Range(0, 0));
        }
    }

    /** An element as it stands, in which other pieces may be written. */
    public Item item(int index, NestedEdits edits) {
        Range comment = comment(index);
        Range slot = slots.get(index);
        Range code = comment.length() == 0 ? slot : trimmed(slot.start(), comment.start());
        return new Item(text -> edits.carry(text, code), comment);
    }

    /** The comment to the end of a line with which a slot ends; empty where it does not. */
    public Range comment(int index) {
        Tokens tokens = file.tokens();
        int last = slots.get(index).length() == 0 ? -1 : tokens.at(slots.get(index).end() - 1);
        return last >= 0 && tokens.kind(last) == TokenKind.LINE_COMMENT ? tokens.range(last) : new Range(0, 0);
    }

    /** Writes a list in the way that this one is laid out. */
    public void write(NewCode text, List<Item> items) {
        boolean needsLine = false;
        for (int i = 0; i < items.size(); i++) {
            String gap = gap(i);
            text.write(needsLine && !gap.contains("\n") ? line() : gap);
            items.get(i).code().accept(text);
            text.write(i + 1 < items.size() ? "," : "");
            needsLine = items.get(i).comment().length() > 0;
            if (needsLine) {
                text.write(" ").from(file).carry(items.get(i).comment());
            }
        }
        text.write(items.isEmpty() ? "" : needsLine && !end.contains("\n") ? line() : end);
    }

    /** A new line, one step further than the list begins. */
    private String line() {
        Layout layout = Layout.of(file);
        return layout.lineEnd() + Layout.indentOf(file, inner.start()) + layout.unit() + layout.unit();
    }

    private String gap(int index) {
        if (index < gaps.size()) {
            return index > 0 && gaps.get(index).isEmpty() && gaps.size() == 1 ? " " : gaps.get(index);
        }
        return index == 0 ? "" : gaps.size() > 1 ? gaps.get(gaps.size() - 1) : " ";
    }
}
