package dev.deftchisel.repair.syntax;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What the parser misses or does not expect (JLS 2.3, 3.10). */
public final class SyntaxErrors implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("expected", "int.number.too.large", "not.stmt", "try.without.catch.finally.or.resource.decls");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        int at = site.error().range().start();
        return switch (site.id()) {
            case "expected" -> missing(site);
            case "int.number.too.large" -> List.of(Fix.of("make it a long", edits -> {
                edits.insert(numberEnd(at, code), "L");
                // who keeps the number in an int must keep a long from then on
                site.nearest(VariableTree.class).map(path -> ((VariableTree) path.getLeaf()).getType())
                        .filter(type -> type != null && code.find(type).isPresent()
                        && code.text(type).equals("int")).ifPresent(type -> edits.replace(code.range(type), "long"));
            }));
            case "not.stmt" -> site.nearest(ExpressionStatementTree.class).map(path -> List.of(
                    Fix.of("remove it", edits -> edits.remove(code.range(path.getLeaf()))))).orElse(List.of());
            case "try.without.catch.finally.or.resource.decls" -> site.nearest(TryTree.class).map(path -> List.of(
                    Fix.of("add a finally", edits -> edits.insert(code.range(path.getLeaf()).end(),
                            " finally {" + Layout.of(code.file()).lineEnd()
                            + Layout.indentOf(code.file(), code.range(path.getLeaf()).start()) + "}"))))
                            .orElse(List.of());
            default -> List.of();
        };
    }

    /** The value of a constant of an interface. Which token the parser wants is in its message only. */
    private static List<Fix> missing(ErrorSite site) {
        AttributedFile code = site.code();
        int end = site.error().range().start();
        Tokens tokens = code.tokens();
        int before = tokens.codeBefore(tokens.at(Math.max(0, end - 1)));
        int at = end > 0 && before >= 0 ? Math.min(end, tokens.end(before)) : end;
        List<Fix> fixes = new ArrayList<>();
        if (site.error().message().matches("'?='? .*") && before > 0) {
            String value = PlaceholderCode.value(tokens.text(tokens.codeBefore(before - 1)));
            fixes.add(Fix.of("give it the value " + value, edits -> edits.insert(at, " = " + value)));
            return fixes;
        }
        return fixes;
    }

    private static int numberEnd(int start, AttributedFile code) {
        String content = code.file().content();
        int end = start;
        while (end < content.length() && (Character.isLetterOrDigit(content.charAt(end))
                || content.charAt(end) == '_')) {
            end++;
        }
        return end;
    }
}
