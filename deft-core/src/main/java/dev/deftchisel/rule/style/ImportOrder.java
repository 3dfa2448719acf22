package dev.deftchisel.rule.style;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Imports that are not grouped, ordered or put together as {@code .editorconfig} says (JLS 7.5 takes them in any
 * order).
 */
public final class ImportOrder implements Rule {

    private static final String GROUPS = "deft_imports";
    private static final String WILDCARDS_FROM = "deft_wildcards_from";

    @Override
    public RuleDescription about() {
        return RuleDescription.of("import-order", Tag.STYLE, "The imports are in another order than the project wants",
                Effect.SAME_CLASSES)
                .because("Looked for where .editorconfig says 'deft_imports', a list of groups such as 'java, javax, "
                        + "*, static':"
                        + " beginnings of packages, '*' for all others, 'static'. 'deft_wildcards_from = 5' writes "
                        + "one wildcard"
                        + " for five or more types of a package, and single imports for fewer.")
                .example("""
                        package harbour;

                        import static java.util.Map.entry;
                        import java.util.Map;
                        import org.w3c.dom.Document; // the plan of the harbour
                        import java.util.List;

                        class Berths {
                            List<Document> plans;
                            Map<String, Integer> depths = Map.ofEntries(entry("east", 7));
                        }
                        """, """
                        package harbour;

                        import java.util.List;
                        import java.util.Map;

                        import org.w3c.dom.Document; // the plan of the harbour

                        import static java.util.Map.entry;

                        class Berths {
                            List<Document> plans;
                            Map<String, Integer> depths = Map.ofEntries(entry("east", 7));
                        }
                        """)
                .silentOn("""
                        package harbour;

                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            Map<String, List<String>> names;
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.COMPILATION_UNIT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        CompilationUnitTree unit = (CompilationUnitTree) path.getLeaf();
        Optional<String> said = context.setting(GROUPS);
        if (said.isEmpty() || unit.getImports().isEmpty() || context.hasErrors()) {
            return;
        }
        AttributedFile code = context.code();
        List<ImportLine> lines = lines(unit, code);
        List<ImportLine> joined = context.setting(WILDCARDS_FROM).filter(number -> number.matches("[1-9]\\d{0,3}"))
                .map(number -> new Wildcards(Integer.parseInt(number)).apply(lines, context)).orElse(lines);
        List<List<ImportLine>> groups = ImportGroups.of(said.get()).arrange(joined);
        String end = Layout.of(code.file()).lineEnd();
        Range block = new Range(lines.get(0).there().orElseThrow().start(), lines.get(lines.size() - 1).there()
                .orElseThrow().end());
        if (!text(groups, code, end).equals(code.text(block))) {
            context.report(block, "the imports are not grouped and ordered as '" + said.get() + "'",
                    Fix.of("put the imports in order", edits -> edits.replaceImports(block, to -> {
                        String before = "";
                        for (List<ImportLine> group : groups) {
                            for (ImportLine line : group) {
                                to.write(before);
                                line.there().ifPresentOrElse(to::carry, () -> to.write(line.text()));
                                before = end;
                            }
                            before = end + end;
                        }
                    })));
        }
    }

    private static String text(List<List<ImportLine>> groups, AttributedFile code, String end) {
        List<String> texts = groups.stream().map(group -> String.join(end, group.stream()
                .map(line -> line.there().map(code::text).orElseGet(line::text)).toList())).toList();
        return String.join(end + end, texts);
    }

    /**
     * The imports with the comments ahead of them, those of the first one but for it, and after them on the same line.
     */
    private static List<ImportLine> lines(CompilationUnitTree unit, AttributedFile code) {
        List<ImportLine> lines = new ArrayList<>();
        for (ImportTree tree : unit.getImports()) {
            Range own = code.range(tree);
            Tokens tokens = code.tokens();
            int start = own.start();
            int last = tokens.at(own.start());
            for (int i = last - 1; !lines.isEmpty() && i >= 0 && tokens.kind(i).isTrivia()
                    && tokens.start(i) >= lines.get(lines.size() - 1).there().orElseThrow().end(); i--) {
                start = tokens.kind(i).isComment() ? tokens.start(i) : start;
            }
            lines.add(new ImportLine(tree.getQualifiedIdentifier().toString(), tree.isStatic(), Optional.of(
                    new Range(start, end(own, code)))));
        }
        return lines;
    }

    private static int end(Range own, AttributedFile code) {
        Tokens tokens = code.tokens();
        int end = own.end();
        for (int i = tokens.at(own.end() - 1) + 1; i < tokens.count() && tokens.kind(i).isTrivia(); i++) {
            boolean isSameLine = code.file().lines().line(tokens.start(i)) == code.file().lines().line(own.end());
            if (!isSameLine || !tokens.kind(i).isComment() && tokens.text(i).contains("\n")) {
                break;
            }
            end = tokens.kind(i).isComment() ? tokens.end(i) : end;
        }
        return end;
    }
}
