package dev.deftchisel.rule.unused;

import com.sun.source.tree.ClassTree;
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
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** Private fields that are never read (JLS 8.3). */
public final class UnusedField implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unused-field", Tag.UNUSED, "A private field is never read", Effect.SAME_BEHAVIOUR)
                .because("Each object carries a value that nobody asks for, or another field is read by mistake.")
                .example("""
                        class Berth {
                            private int length;
                            private int depth = 3;

                            Berth(int length) {
                                this.length = length;
                                this.depth = length;
                            }

                            int length() {
                                return length;
                            }
                        }
                        """, """
                        class Berth {
                            private int length;

                            Berth(int length) {
                                this.length = length;
                            }

                            int length() {
                                return length;
                            }
                        }
                        """)
                .silentOn("""
                        import java.io.Serializable;

                        class Berth implements Serializable {
                            private static final long serialVersionUID = 1L;
                            private int length;
                            @Deprecated
                            private static int depth;
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.VARIABLE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        VariableTree field = (VariableTree) path.getLeaf();
        boolean isOwn = path.getParentPath().getLeaf() instanceof ClassTree && !context.hasErrors()
                && field.getModifiers().getFlags().contains(Modifier.PRIVATE);
        if (!isOwn) {
            return;
        }
        DeclarationUsage.at(path, context)
                .filter(declared -> declared.element().getKind() == ElementKind.FIELD
                        && !isSerialized(declared.element(), context))
                .filter(declared -> declared.isOnlyWritten() && !declared.isReachedOtherwise()
                        && !isComponent(declared.element()))
                .ifPresent(declared -> context.report(context.code().name(field), "'" + declared.name()
                        + "' is never read",
                        declared.isRemovable() && keepsInitializer(field, path, context)
                                ? new Fix[] {Fix.of("remove the field", declared::remove)} : new Fix[0]));
    }

    /** What an initialiser does besides cannot stand alone among members. */
    private static boolean keepsInitializer(VariableTree field, TreePath path, RuleContext context) {
        return field.getInitializer() == null || context.code()
                .effectsInPlace(new TreePath(path, field.getInitializer())).isPure();
    }

    /**
     * Every field of a serializable class that is not transient is part of what is written (Java Object Serialization
     * 1.5).
     */
    private static boolean isSerialized(Element field, RuleContext context) {
        TypeElement serializable = context.code().elements().getTypeElement("java.io.Serializable");
        boolean isWritten = !field.getModifiers().contains(Modifier.STATIC) && !field.getModifiers()
                .contains(Modifier.TRANSIENT);
        return field.getSimpleName().contentEquals("serialVersionUID")
                || isWritten && context.code().isKind(field.getEnclosingElement().asType(), serializable.asType());
    }

    private static boolean isComponent(Element field) {
        return field.getEnclosingElement().getKind() == ElementKind.RECORD && !field.getModifiers()
                .contains(Modifier.STATIC);
    }
}
