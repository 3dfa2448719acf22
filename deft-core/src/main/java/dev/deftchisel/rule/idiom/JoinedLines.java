package dev.deftchisel.rule.idiom;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Text of several lines that is joined from strings (JLS 3.10.6). */
public final class JoinedLines implements Rule {

    private static final int LEAST_LINES = 3;

    @Override
    public RuleDescription about() {
        return RuleDescription.of("joined-lines", Tag.IDIOM, "Text of several lines is joined from strings",
                Effect.SAME_CLASSES)
                .because("A text block shows it as it is.")
                .example("""
                        class Log {
                            String head = "berth\\n"
                                    + "  \\"Tern\\"\\n"
                                    + "done\\n";
                        }
                        """, """
                        class Log {
                            String head = \"""
                                    berth
                                      "Tern"
                                    done
                                    \""";
                        }
                        """)
                .silentOn("""
                        class Log {
                            String head = "berth\\n" + "Tern";
                            String all = "berth\\n" + head + "done\\n" + "Tern\\n";
                        }
                        """)
                .from(15);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.PLUS, Tree.Kind.STRING_LITERAL);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        boolean isInner = TreePaths.outer(path).getLeaf().getKind() == Tree.Kind.PLUS;
        Range all = code.range(path.getLeaf());
        // the compiler may have joined neighbouring literals already, so it is the tokens that tell
        List<String> literals = isInner ? List.of() : literals(all, code.tokens());
        long lines = literals.stream().filter(JoinedLines::isEnded).count();
        boolean isText = lines >= LEAST_LINES && literals.subList(0, literals.size() - 1).stream()
                .allMatch(JoinedLines::isEnded);
        Optional<Object> value = isText ? Constants.value(code, path) : Optional.empty();
        if (value.isPresent()) {
            String indent = Layout.indentOf(code.file(), all.start()) + Layout.of(code.file()).unit().repeat(2);
            String block = block((String) value.get(), literals, indent, Layout.of(code.file()).lineEnd());
            if (reads(block).equals(value.get())) {
                context.report(new Range(all.start(), all.start() + literals.get(0).length()),
                        "these lines could be one text block",
                        Fix.of("write a text block", edits -> edits.replace(all, block)));
            }
        }
    }

    private static boolean isEnded(String literal) {
        return literal.endsWith("\\n\"") && !literal.endsWith("\\\\n\"");
    }

    /** The literals that are joined; none when there is anything else. */
    private static List<String> literals(Range range, Tokens tokens) {
        List<String> found = new ArrayList<>();
        for (int i = tokens.at(range.start()); i < tokens.count() && tokens.start(i) < range.end(); i++) {
            if (tokens.kind(i) == TokenKind.STRING) {
                found.add(tokens.text(i));
            } else if (tokens.kind(i) != TokenKind.WHITE_SPACE && !tokens.is(i, '+')) {
                return List.of();
            }
        }
        return found;
    }

    /** The block; each line in the escapes that it had, but for quotes, and its own end of line. */
    private static String block(String value, List<String> literals, String indent, String lineEnd) {
        StringBuilder text = new StringBuilder("\"\"\"" + lineEnd);
        for (String literal : literals) {
            String inside = literal.substring(1, literal.length() - 1).replace("\\\"", "\"");
            boolean ends = inside.endsWith("\\n");
            String line = (ends ? inside.substring(0, inside.length() - 2) : inside).replace("\"\"\"", "\\\"\"\"");
            for (String part : line.split("\\\\n", -1)) {
                text.append(part.isEmpty() ? "" : indent).append(part.replaceAll(" $", "\\\\s")).append(lineEnd);
            }
        }
        return value.endsWith("\n") ? text.append(indent).append("\"\"\"").toString()
                : text.delete(text.length() - lineEnd.length(), text.length()).append("\"\"\"").toString();
    }

    /** What a text block is for the compiler (JLS 3.10.6). */
    private static String reads(String block) {
        try {
            String content = block.substring(3, block.length() - 3);
            return content.substring(content.indexOf('\n') + 1).replace("\r\n", "\n").stripIndent().translateEscapes();
        } catch (IllegalArgumentException notAnEscape) {
            return "";
        }
    }
}
