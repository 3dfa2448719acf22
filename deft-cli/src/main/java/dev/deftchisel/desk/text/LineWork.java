package dev.deftchisel.desk.text;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;

/** What is done to whole lines: those of each caret, from the first to the last that its selection touches. */
public final class LineWork {

    private static final String COMMENT = "//";

    private final Typing typing;

    /** @param typing how the file is laid out */
    public LineWork(Typing typing) {
        this.typing = typing;
    }

    /** Lines that are worked on together; from 1, both inclusive. */
    private record Block(int first, int last) {
    }

    private static Block block(Draft draft, Caret caret) {
        int first = draft.lines().line(caret.range().start());
        int last = draft.lines().line(caret.range().end());
        // a selection that ends before the first character of a line does not mean that line
        boolean endsBefore = last > first && draft.lines().rangeOf(last).start() == caret.range().end();
        return new Block(first, endsBefore ? last - 1 : last);
    }

    /** The lines of a caret with the end of the last one. */
    static Range whole(Draft draft, Caret caret) {
        return whole(draft, block(draft, caret));
    }

    private static Range whole(Draft draft, Block block) {
        int end = block.last() < draft.lines().count() ? draft.lines().rangeOf(block.last() + 1).start()
                : draft.content().length();
        return new Range(draft.lines().rangeOf(block.first()).start(), end);
    }

    private static List<Block> blocks(Draft draft) {
        List<Block> apart = new ArrayList<>();
        for (Caret caret : draft.carets()) {
            Block block = block(draft, caret);
            Block before = apart.isEmpty() ? null : apart.get(apart.size() - 1);
            if (before != null && block.first() <= before.last() + 1) {
                apart.set(apart.size() - 1, new Block(before.first(), Math.max(before.last(), block.last())));
            } else {
                apart.add(block);
            }
        }
        return apart;
    }

    /** Changes places with the line before. */
    public Draft up(Draft draft) {
        List<Block> blocks = blocks(draft);
        return blocks.get(0).first() == 1 ? draft : moved(draft, blocks, -1);
    }

    /** Changes places with the line after. */
    public Draft down(Draft draft) {
        List<Block> blocks = blocks(draft);
        return blocks.get(blocks.size() - 1).last() == draft.lines().count() ? draft : moved(draft, blocks, 1);
    }

    private Draft moved(Draft draft, List<Block> blocks, int by) {
        LineMap lines = draft.lines();
        int[] order = IntStream.rangeClosed(1, lines.count()).toArray();
        for (Block block : blocks) {
            int first = block.first() - 1;
            int last = block.last() - 1;
            if (by < 0) {
                int line = order[first - 1];
                System.arraycopy(order, first, order, first - 1, last - first + 1);
                order[last] = line;
            } else {
                int line = order[last + 1];
                System.arraycopy(order, first, order, first + 1, last - first + 1);
                order[first] = line;
            }
        }
        // line ends stay where they are, so that the last line need not have one
        StringBuilder text = new StringBuilder();
        int[] starts = new int[lines.count() + 1];
        for (int i = 0; i < order.length; i++) {
            starts[order[i]] = text.length();
            text.append(lines.text(order[i])).append(draft.content(), lines.rangeOf(i + 1)
                    .end(), whole(draft, new Block(i + 1, i + 1))
                    .end());
        }
        Function<Integer, Integer> offset = before -> {
            int line = lines.line(before);
            return Math.min(text.length(), starts[line] + before - lines.rangeOf(line).start());
        };
        return renewed(draft, text.toString(), offset);
    }

    private static Draft renewed(Draft draft, String text, Function<Integer, Integer> offset) {
        List<Caret> carets = new ArrayList<>();
        Caret latest = draft.caret();
        for (Caret caret : draft.carets()) {
            Caret moved = new Caret(offset.apply(caret.anchor()), offset.apply(caret.head()), -1);
            latest = caret.equals(draft.caret()) ? moved : latest;
            carets.add(moved);
        }
        return Draft.of(text, carets, latest);
    }

    /** The same lines once more, before these. */
    public Draft duplicate(Draft draft) {
        return edited(draft, block -> {
            String text = draft.text(whole(draft, block));
            boolean isEnded = text.endsWith("\n") || text.endsWith("\r");
            return new Draft.Replaced(new Range(whole(draft, block).start(), whole(draft, block).start()),
                    isEnded ? text : text + typing.lineEnd(), 0, 0);
        });
    }

    /** Away with them. */
    public Draft delete(Draft draft) {
        Draft without = edited(draft, block -> {
            Range range = whole(draft, block);
            boolean isLast = range.end() == draft.content().length() && block.last() == draft.lines().count();
            int from = isLast && block.first() > 1 ? draft.lines().rangeOf(block.first() - 1).end() : range.start();
            return Draft.Replaced.of(new Range(from, range.end()), "");
        });
        return without.moving(caret -> Caret.at(caret.head()));
    }

    /** Puts the next line after this one, with one blank between; all lines of a selection into one. */
    public Draft join(Draft draft) {
        LineMap lines = draft.lines();
        return edited(draft, block -> {
            int last = Math.min(lines.count(), Math.max(block.last(), block.first() + 1));
            StringBuilder joined = new StringBuilder(lines.text(block.first()).stripTrailing());
            for (int line = block.first() + 1; line <= last; line++) {
                String next = lines.text(line).strip();
                boolean isTight = next.isEmpty() || joined.toString().isBlank() || joined.toString().endsWith("(")
                        || next.startsWith(")")
                        || next.startsWith(".") || next.startsWith(";") || next.startsWith(",");
                joined.append(isTight ? "" : " ").append(next);
            }
            return Draft.Replaced.of(new Range(lines.rangeOf(block.first()).start(), lines.rangeOf(last).end()),
                    joined.toString());
        });
    }

    /** An empty line after, with the carets in it, indented like the line or one step more where a block is opened. */
    public Draft after(Draft draft) {
        Draft ends = draft.moving(caret -> Caret.at(draft.lines().rangeOf(block(draft, caret).last()).end()));
        return typing.enter(ends);
    }

    /** An empty line before, with the carets in it. */
    public Draft before(Draft draft) {
        Draft starts = draft.moving(caret -> Caret.at(draft.lines().rangeOf(block(draft, caret).first()).start()));
        return starts.replacing(caret -> {
            String margin = Typing.margin(starts.lines().text(starts.lines().line(caret.head())));
            return new Draft.Replaced(caret.range(), margin + typing.lineEnd(), margin.length(), margin.length());
        });
    }

    /** Makes comments of the lines, or code again when all of them are comments. */
    public Draft comment(Draft draft) {
        List<Integer> numbers = blocks(draft).stream()
                .flatMap(block -> IntStream.rangeClosed(block.first(), block.last()).boxed())
                .filter(line -> !draft.lines().text(line).isBlank()).toList();
        boolean isOn = !numbers.stream().allMatch(line -> draft.lines().text(line).strip().startsWith(COMMENT));
        int margin = numbers.stream().mapToInt(line -> Typing.margin(draft.lines().text(line)).length()).min()
                .orElse(0);
        return perLine(draft, numbers, line -> {
            int own = Typing.margin(line).length();
            if (isOn) {
                return line.substring(0, margin) + COMMENT + " " + line.substring(margin);
            }
            String rest = line.substring(own + COMMENT.length());
            return line.substring(0, own) + (rest.startsWith(" ") ? rest.substring(1) : rest);
        });
    }

    /** One step to the right. */
    public Draft in(Draft draft) {
        return perLine(draft, touched(draft), line -> line.isBlank() ? line : typing.indent() + line);
    }

    /** One step to the left, as far as there are blanks. */
    public Draft out(Draft draft) {
        return perLine(draft, touched(draft), line -> {
            int most = line.startsWith("\t") ? 1 : Math.min(typing.indent().length(), Typing.margin(line).length());
            return line.substring(most);
        });
    }

    private static List<Integer> touched(Draft draft) {
        return blocks(draft).stream().flatMap(block -> IntStream.rangeClosed(block.first(), block.last()).boxed())
                .toList();
    }

    /** Changes the margin of some lines; what is after it keeps its carets. */
    private static Draft perLine(Draft draft, List<Integer> numbers, Function<String, String> change) {
        Set<Integer> changed = new HashSet<>(numbers);
        StringBuilder text = new StringBuilder();
        LineMap lines = draft.lines();
        int[] ends = new int[lines.count() + 1];
        for (int line = 1; line <= lines.count(); line++) {
            String before = lines.text(line);
            text.append(changed.contains(line) ? change.apply(before) : before);
            ends[line] = text.length();
            text.append(draft.content(), lines.rangeOf(line).end(), whole(draft, new Block(line, line)).end());
        }
        return renewed(draft, text.toString(), before -> {
            int line = lines.line(before);
            int start = line == 1 ? 0 : ends[line - 1] + whole(draft, new Block(line - 1, line - 1))
                    .end() - lines.rangeOf(line - 1).end();
            return Math.max(start, ends[line] - (lines.rangeOf(line)
                    .end() - Math.min(before, lines.rangeOf(line).end())));
        });
    }

    /** Replaces something in each block of lines; every caret moves along. */
    private static Draft edited(Draft draft, Function<Block, Draft.Replaced> change) {
        StringBuilder text = new StringBuilder();
        List<Draft.Replaced> all = blocks(draft).stream().map(change).toList();
        int at = 0;
        for (Draft.Replaced one : all) {
            int start = Math.max(at, one.range().start());
            text.append(draft.content(), at, start).append(one.text());
            at = Math.max(start, one.range().end());
        }
        text.append(draft.content(), at, draft.content().length());
        return renewed(draft, text.toString(), before -> moved(before, all));
    }

    private static int moved(int offset, List<Draft.Replaced> all) {
        int shift = 0;
        for (Draft.Replaced one : all) {
            Range range = one.range();
            if (offset >= range.end()) {
                shift += one.text().length() - range.length();
            } else if (offset > range.start()) {
                return range.start() + shift + Math.min(offset - range.start(), one.text().length());
            }
        }
        return offset + shift;
    }
}
