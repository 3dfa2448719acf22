package dev.deftchisel.rule.call;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeKind;

/** A call whose result is all that it does. */
public final class IgnoredResult implements Rule {

    private static final Set<String> VALUES = Set.of("java.lang.String", "java.math.BigDecimal", "java.math.BigInteger",
            "java.time.LocalDate", "java.time.LocalTime", "java.time.LocalDateTime", "java.time.Instant",
            "java.time.Duration",
            "java.time.ZonedDateTime", "java.nio.file.Path");
    /** What does something besides, or is called to see whether it fails. */
    private static final Set<String> DOING = Set.of("getChars", "getBytes", "toFile", "toRealPath", "register",
            "intern", "format",
            "formatted", "valueOf", "parse", "of", "from", "ofEpochMilli", "intValueExact", "longValueExact", "charAt",
            "length",
            "hashCode", "codePointAt", "forEach", "chars");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("ignored-result", Tag.SUSPICIOUS,
                "The result of a call is lost, and it does nothing else", Effect.OTHER)
                .because("The object itself never changes: what the call computes is in its result.")
                .example("""
                        class Log {
                            String line(String what) {
                                what.trim();
                                return what;
                            }
                        }
                        """, """
                        class Log {
                            String line(String what) {
                                what = what.trim();
                                return what;
                            }
                        }
                        """)
                .silentOn("""
                        class Log {
                            String line(String what, StringBuilder all) {
                                all.append(what);
                                try {
                                    what.substring(3);
                                } catch (IndexOutOfBoundsException tooShort) {
                                    return "";
                                }
                                return what.trim();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.EXPRESSION_STATEMENT);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        TreePath call = new TreePath(path, ((ExpressionStatementTree) path.getLeaf()).getExpression());
        AttributedFile code = context.code();
        Optional<ExecutableElement> method = Calls.method(code, call);
        if (method.isEmpty() || !isPureValue(method.get()) || isInTry(path)) {
            return;
        }
        Optional<TreePath> receiver = Calls.receiver(call);
        boolean isAssignable = receiver.isPresent() && receiver.get().getLeaf() instanceof IdentifierTree
                && code.element(receiver.get()).filter(element -> !element.getModifiers().contains(Modifier.FINAL)
                        && (element.getKind() == ElementKind.LOCAL_VARIABLE
                                || element.getKind() == ElementKind.PARAMETER)
                        && code.types().isSameType(element.asType(), method.get().getReturnType())).isPresent()
                && !isCaptured(path);
        context.report(call.getLeaf(), "the result of '" + method.get().getSimpleName() + "' is lost", isAssignable
                ? new Fix[] {Fix.of("assign it to '" + receiver.get().getLeaf() + "'", edits ->
                        edits.insert(code.range(path.getLeaf()).start(), receiver.get().getLeaf() + " = "))}
                                : new Fix[0]);
    }

    private static boolean isPureValue(ExecutableElement method) {
        boolean isValue = method.getEnclosingElement() instanceof TypeElement type
                && VALUES.contains(type.getQualifiedName().toString());
        return isValue && !method.getModifiers().contains(Modifier.STATIC) && method.getReturnType()
                .getKind() != TypeKind.VOID
                && !DOING.contains(method.getSimpleName().toString());
    }

    /** Where somebody waits for an exception, that is what the call is for. */
    private static boolean isInTry(TreePath path) {
        return TreePaths.leadsThrough(path, null, tree -> tree instanceof TryTree
                || tree instanceof LambdaExpressionTree);
    }

    private static boolean isCaptured(TreePath path) {
        return TreePaths.leadsThrough(path, null, tree -> tree instanceof LambdaExpressionTree);
    }
}
