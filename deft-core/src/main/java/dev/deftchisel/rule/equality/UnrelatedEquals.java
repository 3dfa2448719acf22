package dev.deftchisel.rule.equality;

import com.sun.source.tree.MethodInvocationTree;
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
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.type.TypeMirror;

/** {@code equals} between types of which no object can be both. */
public final class UnrelatedEquals implements Rule {

    private static final Pattern CLASS_ASKED = Pattern.compile("\\b(instanceof|getClass|isInstance)\\b");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("unrelated-equals", Tag.SUSPICIOUS, "Things of unrelated types are compared",
                Effect.OTHER)
                .because("No object is of both types, so the answer is always no.")
                .example("""
                        class Berth {
                            boolean isSame(String name, Integer number, StringBuilder text) {
                                return name.equals(number) || name.equals(text);
                            }
                        }
                        """, """
                        class Berth {
                            boolean isSame(String name, Integer number, StringBuilder text) {
                                return name.equals(number) || name.equals(text.toString());
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;

                        class Berth {
                            boolean isSame(Object name, CharSequence text, String other, List<String> names, Iterable<String> all) {
                                return name.equals(text) || other.equals(text) || names.equals(all);
                            }

                            boolean equals(String name) {
                                return equals("east") || equals(name);
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
        AttributedFile code = context.code();
        if (context.isTest() || !Calls.isOf(code, path, "java.lang.Object", "equals", 1) || isOpen(path, context)) {
            return;
        }
        Optional<TypeMirror> own = Calls.receiver(path).flatMap(code::type);
        TreePath argument = new TreePath(path, ((MethodInvocationTree) path.getLeaf()).getArguments().get(0));
        Optional<TypeMirror> other = code.type(argument);
        if (own.isEmpty() || other.isEmpty() || !Unrelated.are(own.get(), other.get(), code)) {
            return;
        }
        boolean isText = NamedTypes.is(own.get(), "java.lang.String")
                && (NamedTypes.is(other.get(), "java.lang.StringBuilder")
                        || NamedTypes.is(other.get(), "java.lang.StringBuffer"));
        context.report(path.getLeaf(), "no " + Unrelated.name(own.get(), code) + " equals a "
                + Unrelated.name(other.get(), code), isText
                ? new Fix[] {Fix.of("compare with its text", edits -> edits.replace(argument.getLeaf(),
                        to -> to.carry(code.range(argument.getLeaf())).write(".toString()")))} : new Fix[0]);
    }

    /** Whether the file declares the method, and it does not ask for the class of what it is compared with. */
    private static boolean isOpen(TreePath call, RuleContext context) {
        return Calls.method(context.code(), call).flatMap(context.names()::declaration)
                .filter(method -> !CLASS_ASKED.matcher(context.code().text(method.getLeaf())).find()).isPresent();
    }
}
