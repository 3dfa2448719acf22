package dev.deftchisel.rule.condition;

import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Precedence;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** A type test that everything but {@code null} passes (JLS 15.20.2). */
public final class NeedlessTypeTest implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("needless-type-test", Tag.REDUNDANT, "A value is tested for the type it has",
                Effect.SAME_BEHAVIOUR)
                .because("Only null fails the test, so that is what is asked.")
                .example("""
                        class Log {
                            boolean isThere(String line) {
                                return line instanceof CharSequence;
                            }
                        }
                        """, """
                        class Log {
                            boolean isThere(String line) {
                                return line != null;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            boolean isText(Object line) {
                                return line instanceof String;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.INSTANCE_OF);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        InstanceOfTree test = (InstanceOfTree) path.getLeaf();
        AttributedFile code = context.code();
        if (context.isTest() || test.getPattern() != null || test.getType() == null) {
            return;
        }
        Optional<TypeMirror> own = code.type(new TreePath(path, test.getExpression()));
        Optional<TypeMirror> wanted = code.type(new TreePath(path, test.getType()));
        boolean passes = own.isPresent() && wanted.isPresent() && own.get().getKind() != TypeKind.NULL
                && code.isKind(own.get(), wanted.get());
        if (passes) {
            boolean isGrouped = Precedence.needsParentheses(Tree.Kind.NOT_EQUAL_TO, test, path.getParentPath()
                    .getLeaf());
            context.report(test, "everything but null passes this test", Fix.of("ask whether it is null",
                    edits -> edits.replace(test, to -> to.write(isGrouped ? "(" : "")
                            .carry(code.range(test.getExpression())).write(isGrouped ? " != null)" : " != null"))));
        }
    }
}
