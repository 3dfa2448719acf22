package dev.deftchisel.repair;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.stream.Collectors;

/** Writes statements as lines of their own. */
public final class StatementLines {

    private StatementLines() {
    }

    /** As the last of a block. */
    public static void atEnd(FixEdits edits, BlockTree block, String statement) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        Range range = code.range(block);
        String own = Layout.indentOf(code.file(), range.start());
        int brace = range.end() - 1;
        String content = code.file().content();
        int from = brace;
        while (from > 0 && Character.isWhitespace(content.charAt(from - 1))) {
            from--;
        }
        Range gap = new Range(from, brace);
        String outer = Layout.indentOf(code.file(), brace);
        boolean isOwnLine = code.text(gap).contains("\n") || code.text(gap).contains("\r");
        String indent = isOwnLine ? outer : own;
        edits.replace(gap, layout.lineEnd() + indent + layout.unit() + statement + layout.lineEnd() + indent);
    }

    /** Before another statement. */
    public static void before(FixEdits edits, Tree statement, String text) {
        AttributedFile code = edits.code();
        int start = code.range(statement).start();
        edits.insert(start, text + Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start));
    }

    /** As the last member of a type. */
    public static void memberAtEnd(FixEdits edits, ClassTree type, List<String> lines) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        Range range = code.range(type);
        String outer = Layout.indentOf(code.file(), range.start());
        String content = code.file().content();
        int brace = range.end() - 1;
        int from = brace;
        while (from > 0 && Character.isWhitespace(content.charAt(from - 1))) {
            from--;
        }
        boolean isFirst = content.charAt(from - 1) == '{';
        String text = lines.stream().map(line -> outer + layout.unit() + line + layout.lineEnd())
                .collect(Collectors.joining());
        edits.replace(new Range(from, brace), layout.lineEnd() + (isFirst ? "" : layout.lineEnd()) + text + outer);
    }
}
