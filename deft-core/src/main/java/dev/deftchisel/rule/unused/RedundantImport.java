package dev.deftchisel.rule.unused;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.HashSet;
import java.util.Set;

/** Imports of what can be named without them: of {@code java.lang}, of the same package, and doubles (JLS 7.3, 7.5). */
public final class RedundantImport implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-import", Tag.REDUNDANT, "A name can be used without its import",
                Effect.SAME_CLASSES)
                .because("Types of java.lang and of the same package need no import, and no type needs two.")
                .example("""
                        package harbour;

                        import java.lang.Integer;
                        import java.util.List;
                        import java.util.List;

                        class Berths {
                            List<Integer> lengths;
                        }
                        """, """
                        package harbour;

                        import java.util.List;

                        class Berths {
                            List<Integer> lengths;
                        }
                        """)
                .silentOn("""
                        package harbour;

                        import java.lang.annotation.Documented;
                        import java.util.Map.Entry;

                        @Documented
                        @interface Tide {
                            Class<?> type() default Entry.class;
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
        String own = unit.getPackageName() == null ? "" : unit.getPackageName().toString();
        Set<String> seen = new HashSet<>();
        for (ImportTree line : unit.getImports()) {
            String what = line.getQualifiedIdentifier().toString();
            String why = !seen.add((line.isStatic() ? "static " : "") + what) ? "is there twice"
                    : line.isStatic() ? "" : isKnown(line, own, unit, context);
            if (!why.isEmpty()) {
                context.report(line, "the import of '" + what + "' " + why,
                        Fix.of("remove the import", edits -> edits.removeImport(context.code().range(line))));
            }
        }
    }

    private static String isKnown(ImportTree line, String own, CompilationUnitTree unit, RuleContext context) {
        if (!(line.getQualifiedIdentifier() instanceof MemberSelectTree imported)) {
            return "";
        }
        String home = imported.getExpression().toString();
        if (home.equals(own) && !imported.getIdentifier().contentEquals("*")) {
            // an import also wins over what other imports bring on demand, but so does the package itself (JLS 6.4.1)
            return "is one of the same package";
        }
        if (!home.equals("java.lang")) {
            return "";
        }
        // an import on demand of something else with the name would be in doubt, or the package's own type would win
        boolean isAlone = unit.getImports().stream()
                .allMatch(other -> other.isStatic() || !other.toString().contains("*"))
                && context.code().elements().getTypeElement((own.isEmpty() ? "" : own + ".") + imported.getIdentifier())
                == null;
        return isAlone || imported.getIdentifier().contentEquals("*") ? "is not needed for java.lang" : "";
    }
}
