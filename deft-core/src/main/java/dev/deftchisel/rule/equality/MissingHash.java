package dev.deftchisel.rule.equality;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/**
 * A class with {@code equals} but without {@code hashCode}, or with one of them for other parameters (Object#hashCode).
 */
public final class MissingHash implements Rule {

    /** {@code return other == this}, which is what {@link Object#hashCode} goes with. */
    private static final Pattern IDENTITY = Pattern
            .compile("return \\(?(this == \\w+|\\w+ == this|super\\.equals\\s*\\(.*\\))\\)?;?$");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("missing-hash", Tag.SUSPICIOUS, "A class says what equals it, but not its hash",
                Effect.SAME_BEHAVIOUR)
                .because("Equal objects must have equal hashes, or hash tables lose them.")
                .example("""
                        class Berth {
                            int number;

                            @Override
                            public boolean equals(Object other) {
                                return other instanceof Berth && ((Berth) other).number == number;
                            }
                        }
                        """, """
                        import java.util.Objects;

                        class Berth {
                            int number;

                            @Override
                            public boolean equals(Object other) {
                                if (this == other) {
                                    return true;
                                }
                                if (!(other instanceof Berth that)) {
                                    return false;
                                }
                                return number == that.number;
                            }

                            @Override
                            public int hashCode() {
                                return Objects.hash(number);
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            int number;

                            @Override
                            public boolean equals(Object other) {
                                return other instanceof Berth && ((Berth) other).number == number;
                            }

                            @Override
                            public int hashCode() {
                                return number;
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.CLASS, Tree.Kind.ENUM);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        ClassTree type = (ClassTree) path.getLeaf();
        AttributedFile code = context.code();
        Optional<MethodTree> equals = method(type, path, "equals", "java.lang.Object", code);
        boolean hasHash = type.getMembers().stream().anyMatch(member -> member instanceof MethodTree method
                && method.getName().contentEquals("hashCode") && method.getParameters().isEmpty());
        boolean isIdentity = equals.filter(method -> method.getBody() != null && method.getBody().getStatements()
                .size() == 1
                && (IDENTITY.matcher(code.text(method.getBody().getStatements().get(0))).find()
                // one that only throws says that nothing is to be compared
                || method.getBody().getStatements().get(0) instanceof ThrowTree)).isPresent();
        if (equals.isPresent() && !isIdentity && !hasHash && !inheritsHash(path, code)) {
            context.report(code.name(equals.get()), "the class has no 'hashCode' to go with this",
                    new Fix.Use("generate both from chosen members", "generate-equality",
                            new Place(code.file().path(), code.name(type)), Answers.of("existing", "replace")));
        }
    }

    /** Whether a class above has both, of which this one only looks at more. */
    private static boolean inheritsHash(TreePath path, AttributedFile code) {
        return code.element(path)
                .filter(element -> element instanceof TypeElement type && code.elements().getAllMembers(type).stream()
                        .anyMatch(member -> member.getSimpleName().contentEquals("hashCode")
                                && member instanceof ExecutableElement hash
                                && hash.getParameters().isEmpty()
                                && !NamedTypes.is(member.getEnclosingElement().asType(), "java.lang.Object")))
                .isPresent();
    }

    private static Optional<MethodTree> method(ClassTree type, TreePath path, String name, String parameter,
            AttributedFile code) {
        return type.getMembers().stream()
                .filter(member -> member instanceof MethodTree)
                .map(member -> (MethodTree) member)
                .filter(method -> code.find(method).isPresent())
                .filter(method -> method.getName().contentEquals(name) && method.getParameters().size() == 1
                        && code.type(new TreePath(new TreePath(path, method), method.getParameters().get(0)))
                        .filter(known -> NamedTypes.is(known, parameter)).isPresent())
                .findFirst();
    }
}
