package dev.deftchisel.rule.redundant;

import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Casts to the type that an expression has anyway (JLS 15.16). */
public final class RedundantCast implements Rule {

    @Override
    public RuleDescription about() {
        return RuleDescription.of("redundant-cast", Tag.REDUNDANT, "A value is cast to the type it has",
                Effect.SAME_CLASSES)
                .because("A cast is a promise that someone had to check; this one says nothing.")
                .example("""
                        class Berth {
                            String name(String text, int number) {
                                Object whole = (Object) text;
                                String plain = (String) text.trim();
                                return plain + whole + (int) number + ((String) text).length();
                            }
                        }
                        """, """
                        class Berth {
                            String name(String text, int number) {
                                Object whole = text;
                                String plain = text.trim();
                                return plain + whole + number + text.length();
                            }
                        }
                        """)
                .silentOn("""
                        class Berth {
                            String name(Object text, int number, char[] letters) {
                                long wide = (long) number * number;
                                Runnable moor = (Runnable) () -> { };
                                return (String) text + (char) number + String.valueOf((Object) letters) + wide + moor;
                            }
                        }
                        """)
                .alsoNamed("cast");
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.TYPE_CAST);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TypeCastTree cast = (TypeCastTree) path.getLeaf();
        AttributedFile code = context.code();
        TreePath inner = TreePaths.inner(new TreePath(path, cast.getExpression()));
        Optional<TypeMirror> from = code.type(inner);
        Optional<TypeMirror> to = code.type(new TreePath(path, cast.getType()));
        boolean isPoly = inner.getLeaf() instanceof LambdaExpressionTree
                || inner.getLeaf() instanceof MemberReferenceTree
                || inner.getLeaf() instanceof ConditionalExpressionTree
                || inner.getLeaf() instanceof SwitchExpressionTree;
        if (isPoly || from.isEmpty() || to.isEmpty() || to.get().getKind() == TypeKind.INTERSECTION) {
            return;
        }
        boolean isSame = code.types().isSameType(from.get(), to.get()) && !isInferred(inner, code);
        if (isSame || widensForNothing(path, inner, from.get(), to.get(), code)) {
            context.report(path.getLeaf(), "this is " + Phrases.article(cast.getType().toString())
                    + " without the cast",
                    Fix.of("remove the cast", edits -> keep(path, cast, edits)));
        }
    }

    /**
     * Whether the call is of a generic method, which could be taken for another type where there is no cast (JLS
     * 15.12).
     */
    private static boolean isInferred(TreePath inner, AttributedFile code) {
        return inner.getLeaf() instanceof NewClassTree made && made.getIdentifier().toString().endsWith("<>")
                || Calls.method(code, inner).filter(method -> !method.getTypeParameters().isEmpty()).isPresent();
    }

    /** Whether a reference is cast to a supertype only to be given to a variable that takes it anyway. */
    private static boolean widensForNothing(TreePath path, TreePath inner, TypeMirror from, TypeMirror to,
            AttributedFile code) {
        boolean isNamed = inner.getLeaf() instanceof IdentifierTree || inner.getLeaf() instanceof MemberSelectTree;
        Optional<TypeMirror> wanted = TargetType.ofVariable(TreePaths.outer(path), code);
        return isNamed && !from.getKind().isPrimitive() && !to.getKind().isPrimitive() && wanted.isPresent()
                && !wanted.get().getKind().isPrimitive()
                && code.types().isSubtype(from, to) && code.types().isSubtype(from, wanted.get());
    }

    private static void keep(TreePath path, TypeCastTree cast, FixEdits edits) {
        boolean isGrouped = path.getParentPath().getLeaf() instanceof ParenthesizedTree
                && TreePaths.inner(cast.getExpression()) instanceof IdentifierTree
                && TreePaths.outer(path).getLeaf() instanceof MemberSelectTree;
        TreePath whole = isGrouped ? path.getParentPath() : path;
        edits.keep(whole, isGrouped ? TreePaths.inner(cast.getExpression()) : cast.getExpression());
    }
}
