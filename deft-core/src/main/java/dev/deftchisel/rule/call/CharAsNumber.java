package dev.deftchisel.rule.call;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** A character that is taken for a number where text was meant (JLS 5.1.2). */
public final class CharAsNumber implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("char-as-number", Tag.SUSPICIOUS, "A character is taken for a number", Effect.OTHER)
                .because("A builder made with a character is empty and has room for as many as its code.")
                .example("""
                        class Log {
                            String line(int number) {
                                StringBuilder line = new StringBuilder('#');
                                return line.append(number).toString();
                            }
                        }
                        """, """
                        class Log {
                            String line(int number) {
                                StringBuilder line = new StringBuilder("#");
                                return line.append(number).toString();
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            String line(int number) {
                                StringBuilder line = new StringBuilder(16);
                                return line.append('#').append(number).toString();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NEW_CLASS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        NewClassTree made = (NewClassTree) path.getLeaf();
        AttributedFile code = context.code();
        boolean isBuilder = made.getArguments().size() == 1
                && (Calls.makes(code, path, "java.lang.StringBuilder")
                        || Calls.makes(code, path, "java.lang.StringBuffer"));
        if (isBuilder && code.type(new TreePath(path, made.getArguments().get(0)))
                .filter(type -> type.getKind() == TypeKind.CHAR).isPresent()) {
            ExpressionTree argument = made.getArguments().get(0);
            String text = code.text(argument);
            String inside = text.substring(1, text.length() - 1);
            boolean isLiteral = argument.getKind() == Tree.Kind.CHAR_LITERAL;
            context.report(argument, "the character is taken for a capacity",
                    Fix.of("begin with the character", edits ->
                    edits.replace(made, to -> {
                        to.write("new ").carry(code.range(made.getIdentifier())).write("(");
                        if (isLiteral) {
                            to.write("\"" + (inside.equals("\"") ? "\\\"" : inside.equals("\\'") ? "'" : inside)
                                    + "\"");
                        } else {
                            to.write("String.valueOf(").carry(code.range(argument)).write(")");
                        }
                        to.write(")");
                    })));
        }
    }
}
