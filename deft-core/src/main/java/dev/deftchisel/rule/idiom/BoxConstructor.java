package dev.deftchisel.rule.idiom;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;

/** A box that is made by its constructor (java.lang.Integer and its like, deprecated since 9). */
public final class BoxConstructor implements Rule {

    private static final Map<String, TypeKind> BOXES = Map.of("java.lang.Integer", TypeKind.INT, "java.lang.Long",
            TypeKind.LONG,
            "java.lang.Short", TypeKind.SHORT, "java.lang.Byte", TypeKind.BYTE, "java.lang.Character", TypeKind.CHAR,
            "java.lang.Boolean", TypeKind.BOOLEAN, "java.lang.Double", TypeKind.DOUBLE, "java.lang.Float",
            TypeKind.FLOAT);

    @Override
    public RuleDescription about() {
        return RuleDescription.of("box-constructor", Tag.IDIOM, "A box is made by its constructor", Effect.OTHER)
                .because("'valueOf' can use boxes that are there already; the constructors are going to be removed. "
                        + "Code that compares boxes by '==' sees the difference.")
                .example("""
                        class Berth {
                            Object number(int number) {
                                return new Integer(number);
                            }
                        }
                        """, """
                        class Berth {
                            Object number(int number) {
                                return Integer.valueOf(number);
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            Object number(double number) {
                                return new Float(number);
                            }
                        }
                        """)
                .alsoNamed("deprecation", "removal");
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.NEW_CLASS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        NewClassTree made = (NewClassTree) path.getLeaf();
        AttributedFile code = context.code();
        Optional<TypeKind> boxed = BOXES.entrySet().stream().filter(box -> Calls.makes(code, path, box.getKey()))
                .map(Map.Entry::getValue).findFirst();
        // a test that makes a box of its own wants one that is equal and not the same
        if (boxed.isEmpty() || context.isTest() || made.getArguments().size() != 1 || path.getParentPath()
                .getLeaf() instanceof ExpressionStatementTree) {
            return;
        }
        ExpressionTree value = made.getArguments().get(0);
        boolean fits = code.type(new TreePath(path, value))
                .filter(type -> type.getKind() == boxed.get() || NamedTypes.is(type, "java.lang.String")).isPresent();
        if (fits) {
            context.report(made, "'valueOf' can use a box that is there",
                    Fix.of("use 'valueOf'", edits -> edits.replace(made,
                    to -> to.carry(code.range(made.getIdentifier())).write(".valueOf(").carry(code.range(value))
                    .write(")"))));
        }
    }
}
