package dev.deftchisel.rule.equality;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeKind;

/** Arrays compared, hashed or printed as objects (JLS 10.7). */
public final class ArrayAsObject implements Rule {

    private static final Map<String, String> BY_CONTENT = Map.of("equals", "equals", "hashCode", "hashCode", "toString",
            "toString");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("array-as-object", Tag.SUSPICIOUS,
                "An array is compared, hashed or printed as an object", Effect.OTHER)
                .because("Arrays have these methods from Object: they know nothing of the elements.")
                .example("""
                        class Berths {
                            String names(String[] names, int[][] depths, String[] others) {
                                return names.equals(others) + names.toString() + "" + depths.hashCode() + others;
                            }
                        }
                        """, """
                        import java.util.Arrays;

                        class Berths {
                            String names(String[] names, int[][] depths, String[] others) {
                                return Arrays.equals(names, others) + Arrays.toString(names) + "" + Arrays.deepHashCode(depths) + Arrays.toString(others);
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.Arrays;

                        class Berths {
                            String names(String[] names, char[] letters) {
                                return Arrays.toString(names) + names.length + String.valueOf(letters) + names.getClass();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION, Tree.Kind.PLUS);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        if (path.getLeaf() instanceof BinaryTree sum) {
            boolean isText = code.type(path).filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent();
            Stream.of(sum.getLeftOperand(), sum.getRightOperand())
                    .filter(operand -> isText && isArray(new TreePath(path, operand), code))
                    .forEach(operand -> context.report(operand, "only the address of the array would be joined",
                            Fix.of("join its content", edits -> write(edits, new TreePath(path, operand), operand,
                                    "toString",
                                    List.of()))));
            return;
        }
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        String method = BY_CONTENT.get(Calls.name(call));
        Optional<TreePath> receiver = Calls.receiver(path).filter(array -> isArray(array, code));
        boolean isWhole = method != null && receiver.isPresent() && call.getArguments()
                .size() == (method.equals("equals") ? 1 : 0)
                && call.getArguments().stream().allMatch(other -> isArray(new TreePath(path, other), code));
        // the address of an array that was just made is asked for as such
        boolean isNew = receiver.filter(array -> TreePaths.inner(array).getLeaf() instanceof NewArrayTree made
                && made.getInitializers() == null).isPresent();
        if (isWhole && !isNew) {
            context.report(call, "'" + method + "' of an array knows nothing of its elements", Fix.of("use its content",
                    edits -> write(edits, path, (ExpressionTree) receiver.get().getLeaf(), method,
                            call.getArguments())));
        }
    }

    private static boolean isArray(TreePath path, AttributedFile code) {
        return code.type(path).filter(type -> type.getKind() == TypeKind.ARRAY).isPresent();
    }

    private static void write(
            FixEdits edits, TreePath whole, ExpressionTree array, String method,
            List<? extends ExpressionTree> others) {
        AttributedFile code = edits.code();
        TreePath path = array == whole.getLeaf() ? whole : Calls.receiver(whole).orElseThrow();
        boolean isDeep = ((ArrayType) code.type(path).orElseThrow()).getComponentType().getKind() == TypeKind.ARRAY;
        String arrays = edits.types().name(code.elements().getTypeElement("java.util.Arrays"));
        String name = isDeep ? "deep" + Character.toUpperCase(method.charAt(0)) + method.substring(1) : method;
        edits.replace(whole.getLeaf(), to -> {
            to.write(arrays + "." + name + "(").carry(code.range(array));
            others.forEach(other -> to.write(", ").carry(code.range(other)));
            to.write(")");
        });
    }
}
