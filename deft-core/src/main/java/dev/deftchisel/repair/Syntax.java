package dev.deftchisel.repair;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.TryTree;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.member.StandIn;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What the parser misses or does not expect (JLS 2.3, 3.10). */
public final class Syntax implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("expected", "expected2", "expected3", "expected4", "premature.eof", "unclosed.str.lit", "unclosed.char.lit",
                "empty.char.lit", "int.number.too.large", "not.stmt", "illegal.start.of.expr",
                "try.without.catch.finally.or.resource.decls");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Code code = site.code();
        int at = site.error().range().start();
        return switch (site.id()) {
            case "expected", "expected2", "expected3", "expected4" -> missing(site);
            case "premature.eof" -> List.of(Fix.of("add '}'", edits -> {
                String content = code.file().content();
                int end = content.stripTrailing().length();
                edits.insert(end, Layout.of(code.file()).lineEnd() + "}");
            }));
            case "unclosed.str.lit" -> List.of(Fix.of("close the string", edits -> edits.insert(endOfString(at, code), "\"")));
            case "unclosed.char.lit" -> quotes(at, code);
            case "empty.char.lit" -> List.of(Fix.of("write a string", edits -> edits.replace(new Range(at, at + 2), "\"\"")));
            case "int.number.too.large" -> List.of(Fix.of("make it a long", edits -> edits.insert(numberEnd(at, code), "L")));
            case "not.stmt" -> site.nearest(ExpressionStatementTree.class).map(path -> List.of(
                    Fix.of("remove it", edits -> edits.remove(code.range(path.getLeaf()))))).orElse(List.of());
            case "try.without.catch.finally.or.resource.decls" -> site.nearest(TryTree.class).map(path -> List.of(
                    Fix.of("add a finally", edits -> edits.insert(code.range(path.getLeaf()).end(),
                            " finally {" + Layout.of(code.file()).lineEnd()
                            + Layout.indentOf(code.file(), code.range(path.getLeaf()).start()) + "}")))).orElse(List.of());
            case "illegal.start.of.expr" -> modifier(at, code);
            default -> List.of();
        };
    }

    /** A modifier that a local declaration must not have. */
    private static List<Fix> modifier(int at, Code code) {
        Tokens tokens = code.tokens();
        int token = tokens.at(at);
        boolean isModifier = token >= 0 && Set.of("static", "public", "private", "protected").contains(tokens.text(token));
        return isModifier ? List.of(Fix.of("remove '" + tokens.text(token) + "'",
                edits -> edits.cut(new Range(at, tokens.start(tokens.code(token + 1)))))) : List.of();
    }

    /**
     * The tokens that the parser names, behind the code before the error. Which they are is in its message only, and there
     * as they are written in code; the compiler is asked for it in the root locale (javax.tools.Diagnostic).
     */
    private static List<Fix> missing(ErrorSite site) {
        Code code = site.code();
        int end = site.error().range().start();
        Tokens tokens = code.tokens();
        int before = tokens.codeBefore(tokens.at(Math.max(0, end - 1)));
        int at = end > 0 && before >= 0 ? Math.min(end, tokens.end(before)) : end;
        List<Fix> fixes = new ArrayList<>();
        if (site.error().message().matches("'?='? .*") && before > 0) {
            String value = StandIn.value(tokens.text(tokens.codeBefore(before - 1)));
            fixes.add(Fix.of("give it the value " + value, edits -> edits.insert(at, " = " + value)));
            return fixes;
        }
        for (String token : List.of(";", ")", "}", "]", "(", "{", "->", ":", ",")) {
            if (site.error().message().contains("'" + token + "'")) {
                String text = token.equals("{") ? " {" : token.equals("->") ? " ->" : token;
                fixes.add(Fix.of("add '" + token + "'", edits -> edits.insert(at, text)));
            }
        }
        return fixes;
    }

    /** Behind the text of the line, but before what ends the statement. */
    private static int endOfString(int start, Code code) {
        int line = code.file().lines().line(start);
        String text = code.file().content().substring(start, code.file().lines().rangeOf(line).end()).stripTrailing();
        int end = text.length();
        while (end > 1 && (text.charAt(end - 1) == ';' || text.charAt(end - 1) == ')')) {
            end--;
        }
        return start + end;
    }

    private static List<Fix> quotes(int start, Code code) {
        int line = code.file().lines().line(start);
        String text = code.file().content().substring(start, code.file().lines().rangeOf(line).end());
        int close = text.indexOf('\'', 1);
        return close > 1 ? List.of(Fix.of("write a string", edits -> {
            edits.replace(new Range(start, start + 1), "\"");
            edits.replace(new Range(start + close, start + close + 1), "\"");
        })) : List.of();
    }

    private static int numberEnd(int start, Code code) {
        String content = code.file().content();
        int end = start;
        while (end < content.length() && (Character.isLetterOrDigit(content.charAt(end)) || content.charAt(end) == '_')) {
            end++;
        }
        return end;
    }
}
