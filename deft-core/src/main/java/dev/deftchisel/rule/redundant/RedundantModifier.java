package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Modifiers that a declaration has anyway where it stands (JLS 8.5.1, 8.9, 8.10, 9.1.1, 9.3, 9.4, 9.5). */
public final class RedundantModifier implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-modifier", Tag.REDUNDANT, "A modifier says what is so anyway",
                Effect.SAME_CLASSES)
                .because("Members of interfaces are public, their fields static and final; what a place implies need "
                        + "not be said.")
                .example("""
                        interface Berth {
                            public static final int LONGEST = 400;

                            public abstract int length();

                            public default int free() {
                                return LONGEST - length();
                            }

                            public static enum Side { PORT, STARBOARD }
                        }

                        enum Tide {
                            HIGH, LOW;

                            private Tide() {
                            }
                        }
                        """, """
                        interface Berth {
                            int LONGEST = 400;

                            int length();

                            default int free() {
                                return LONGEST - length();
                            }

                            enum Side { PORT, STARBOARD }
                        }

                        enum Tide {
                            HIGH, LOW;

                            Tide() {
                            }
                        }
                        """)
                .silentOn("""
                        abstract class Berth {
                            public static final int LONGEST = 400;

                            public abstract int length();

                            private Berth() {
                            }

                            static class Side {
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD, Tree.Kind.VARIABLE, Tree.Kind.CLASS, Tree.Kind.INTERFACE, Tree.Kind.ENUM,
                Tree.Kind.RECORD,
                Tree.Kind.ANNOTATION_TYPE);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        Tree tree = path.getLeaf();
        Tree around = path.getParentPath().getLeaf();
        boolean isInInterface = around.getKind() == Tree.Kind.INTERFACE
                || around.getKind() == Tree.Kind.ANNOTATION_TYPE;
        if (tree instanceof MethodTree method) {
            boolean isEnumConstructor = around.getKind() == Tree.Kind.ENUM && method.getReturnType() == null;
            boolean isAbstract = method.getBody() == null;
            report(method.getModifiers(), isInInterface ? isAbstract ? Set.of("public", "abstract") : Set.of("public")
                    : isEnumConstructor ? Set.of("private") : Set.of(), context);
        } else if (tree instanceof VariableTree variable) {
            report(variable.getModifiers(), isInInterface ? Set.of("public", "static", "final") : Set.of(), context);
        } else if (tree instanceof ClassTree type) {
            Set<String> implied = new HashSet<>(isInInterface ? Set.of("public", "static") : Set.of());
            if (tree.getKind() != Tree.Kind.CLASS && !(around instanceof CompilationUnitTree)) {
                implied.add("static");
            }
            if (tree.getKind() == Tree.Kind.RECORD) {
                implied.add("final");
            } else if (tree.getKind() == Tree.Kind.INTERFACE || tree.getKind() == Tree.Kind.ANNOTATION_TYPE) {
                implied.add("abstract");
            }
            report(type.getModifiers(), implied, context);
        }
    }

    private static void report(ModifiersTree modifiers, Set<String> implied, RuleContext context) {
        Optional<Range> place = context.code().find(modifiers);
        if (implied.isEmpty() || place.isEmpty()) {
            return;
        }
        Tokens tokens = context.code().tokens();
        List<Range> idle = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (int i = tokens.code(tokens.at(place.get().start())); i < tokens.count() && tokens.start(i) < place.get()
                .end();
                i = tokens.code(i + 1)) {
            if (implied.contains(tokens.text(i)) && !isInAnnotation(tokens.range(i), modifiers, context)) {
                idle.add(tokens.range(i));
                words.add(tokens.text(i));
            }
        }
        if (!idle.isEmpty()) {
            context.report(new Range(idle.get(0).start(), idle.get(idle.size() - 1).end()),
                    "'" + String.join(" ", words) + "' is so anyway",
                    Fix.of("remove '" + String.join(" ", words) + "'",
                            edits -> idle.forEach(word -> edits.cut(withBlank(word, tokens)))));
        }
    }

    private static boolean isInAnnotation(Range word, ModifiersTree modifiers, RuleContext context) {
        return modifiers.getAnnotations().stream()
                .anyMatch(annotation -> context.code().range(annotation).encloses(word));
    }

    private static Range withBlank(Range word, Tokens tokens) {
        int next = tokens.at(word.end());
        return tokens.kind(next) == TokenKind.WHITE_SPACE ? new Range(word.start(), tokens.end(next)) : word;
    }
}
