package dev.deftchisel.rule.style;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.util.Set;

/** A file that is not in the folder which its package names, where most compilers look for it (JLS 7.2.1). */
public final class PackageFolder implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("package-folder", Tag.STYLE, "A file is not in the folder of its package",
                Effect.OTHER)
                .because("Where the file is looked for by its package, it is not found. Files that lie in no folder "
                        + "at all are left alone.")
                .example("""
                        package harbour.quais;

                        class Quay {
                        }
                        """, """
                        package harbour.quays;

                        class Quay {
                        }
                        """)
                .silentOn("""
                        package harbour.quays;

                        class Quay {
                        }
                        """)
                .inFile("harbour/quays/Quay.java")
                .weighing(Severity.WARNING);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.COMPILATION_UNIT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        SourceFile file = context.code().file();
        String declared = file.header().packageName();
        Range clause = file.outline().packageRange();
        String folder = file.root().packageOf(file.path().getParent());
        boolean isOther = !folder.isEmpty() && !declared.isEmpty() && !folder.equals(declared);
        // the root was guessed, and too high
        boolean isBelow = folder.endsWith("." + declared);
        if (isOther && !isBelow && file.root().kind() == SourceRoot.Kind.SOURCE && folder.matches("[\\p{L}\\d_$.]+")) {
            Place place = new Place(file.path(), new Range(clause.end(), clause.end()));
            context.report(clause, "this is the package " + declared + " in the folder of " + folder,
                    new Fix.Use("call it '" + folder + "'", "rename", place, Answers.of("name", folder)),
                    new Fix.Use("move the file to the folder of " + declared, "move-to-package-folder", place,
                            Answers.none()));
        }
    }
}
