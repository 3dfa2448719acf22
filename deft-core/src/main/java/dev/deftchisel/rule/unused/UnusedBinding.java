package dev.deftchisel.rule.unused;

import com.sun.source.tree.BindingPatternTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;

/** Variables of a type test that nobody reads (JLS 14.30.1). */
public final class UnusedBinding implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-binding", Tag.UNUSED, "The variable of a type test is not used",
                Effect.SAME_BEHAVIOUR)
                .because("The test says the same without it.")
                .example("""
                        class Log {
                            boolean isText(Object line) {
                                return line instanceof String text;
                            }
                        }
                        """, """
                        class Log {
                            boolean isText(Object line) {
                                return line instanceof String;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            boolean isLong(Object line) {
                                return line instanceof String text && text.length() > 80;
                            }
                        }
                        """)
                .from(16);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.INSTANCE_OF);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        if (((InstanceOfTree) path.getLeaf()).getPattern() instanceof BindingPatternTree pattern) {
            VariableTree variable = pattern.getVariable();
            TreePath declared = new TreePath(new TreePath(path, pattern), variable);
            boolean isPlain = !DeclarationAnnotations.are(declared, variable.getModifiers(), context.code());
            context.code().element(declared)
                    .filter(element -> isPlain && context.names().uses(element).isEmpty()
                            && !context.names().isUnknown(variable.getName().toString()))
                    .ifPresent(element -> context.report(context.code().name(variable),
                            "'" + variable.getName() + "' is not used", Fix.of("test the type only", edits ->
                                    edits.replace(pattern, to -> to.carry(context.code().range(variable.getType()))))));
        }
    }
}
