package dev.deftchisel.rule.equality;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeMirror;

/** A collection or map that is asked for what it cannot hold. */
public final class UnrelatedElement implements Rule {

    private static final Map<String, String> ASKING = Map.of(
            "contains", "java.util.Collection", "remove", "java.util.Collection", "indexOf", "java.util.List",
            "lastIndexOf", "java.util.List", "containsKey", "java.util.Map", "get", "java.util.Map",
            "containsValue", "java.util.Map");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unrelated-element", Tag.SUSPICIOUS, "A collection is asked for what it cannot hold",
                Effect.OTHER)
                .because("No element is of the type of what is asked for, so it is never found.")
                .example("""
                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            boolean isKnown(List<String> names, Map<Integer, String> byNumber, StringBuilder name, String number) {
                                return names.contains(name) || byNumber.get(number) != null;
                            }
                        }
                        """, """
                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            boolean isKnown(List<String> names, Map<Integer, String> byNumber, StringBuilder name, String number) {
                                return names.contains(name) || byNumber.get(number) != null;
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;
                        import java.util.Map;

                        class Berths {
                            boolean isKnown(List<Integer> numbers, Map<Long, String> byNumber, Object name, long number) {
                                return numbers.contains(name) || byNumber.get(number) != null || numbers.remove(3) > 2;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
        String owner = ASKING.get(Calls.name(call));
        AttributedFile code = context.code();
        if (owner == null || context.isTest() || !Calls.isOf(code, path, owner, Calls.name(call), 1)
                || takesNumber(path, code)) {
            return;
        }
        int index = Calls.name(call).equals("containsValue") ? 1 : 0;
        Optional<TypeMirror> held = Calls.receiver(path).flatMap(code::type)
                .flatMap(type -> Supertypes.as(type, code.elements().getTypeElement(owner), code.types()))
                .filter(seen -> seen.getTypeArguments().size() > index)
                .map(seen -> seen.getTypeArguments().get(index));
        Optional<TypeMirror> asked = code.type(new TreePath(path, call.getArguments().get(0)));
        if (held.isPresent() && asked.isPresent() && Unrelated.are(held.get(), asked.get(), code)) {
            context.report(call.getArguments().get(0), "no " + Unrelated.name(held.get(), code) + " equals a "
                    + Unrelated.name(asked.get(), code));
        }
    }

    /** {@code remove(int)} asks for a place. */
    private static boolean takesNumber(TreePath call, AttributedFile code) {
        return Calls.method(code, call).filter(method -> method.getParameters().get(0).asType().getKind().isPrimitive())
                .isPresent();
    }
}
