package dev.deftchisel.rule.call;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;

/** A static member that is reached through an object (JLS 15.11.1, 15.12.4.1). */
public final class StaticByInstance implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("static-by-instance", Tag.SUSPICIOUS, "A static member is reached through an object",
                Effect.SAME_BEHAVIOUR)
                .because("The object makes no difference, not even when it is null; the type says what is meant.")
                .example("""
                        class Berth {
                            static int longest = 400;

                            static int count() {
                                return 3;
                            }

                            int free(Berth other) {
                                return other.longest + other.count();
                            }
                        }
                        """, """
                        class Berth {
                            static int longest = 400;

                            static int count() {
                                return 3;
                            }

                            int free(Berth other) {
                                return Berth.longest + Berth.count();
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            static int longest = 400;

                            Berth next() {
                                return this;
                            }

                            int free(int[] lengths) {
                                return Berth.longest + longest + lengths.length;
                            }
                        }
                        """)
                .weighing(Severity.NOTE)
                .alsoNamed("static");
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.MEMBER_SELECT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MemberSelectTree select = (MemberSelectTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath object = new TreePath(path, select.getExpression());
        // who writes 'this' misleads nobody about which object it is
        if (!(object.getLeaf() instanceof IdentifierTree name) || name.getName().contentEquals("this") || name.getName()
                .contentEquals("super")) {
            return;
        }
        Optional<Element> member = code.element(path).filter(element -> element.getModifiers().contains(Modifier.STATIC)
                && (element.getKind() == ElementKind.METHOD || element.getKind().isField()));
        boolean isVariable = code.element(object).filter(element -> element instanceof VariableElement).isPresent();
        if (member.isPresent() && isVariable && member.get().getEnclosingElement() instanceof TypeElement type) {
            context.report(select.getExpression(), "'" + member.get()
                    .getSimpleName() + "' is static: the object makes no difference",
                    Fix.of("name the type", edits -> edits.replace(select.getExpression(),
                            to -> to.write(edits.types().name(type)))));
        }
    }
}
