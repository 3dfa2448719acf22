package dev.deftchisel.rule.statement;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** A group of a {@code switch} that goes on into the next (JLS 14.11.3). */
public final class FallThrough implements Rule {

    private static final Pattern FALLS = Pattern.compile("(//|\\*)[^\n]*\\bfall", Pattern.CASE_INSENSITIVE);
    /** Methods so called end in an exception. */
    private static final Pattern NEVER_ENDS =
            Pattern.compile("throw|fail|abort|report|error|exit|unexpected|illegal|grumble",
            Pattern.CASE_INSENSITIVE);
    private static final int FEW = 3;

    @Override
    public RuleDescription about() {
        return RuleDescription.of("fall-through", Tag.SUSPICIOUS, "A case goes on into the next one", Effect.OTHER)
                .because("Without a break the statements of the next case run too; say so in a comment where it is "
                        + "meant.")
                .example("""
                        class Tides {
                            int hours(int phase) {
                                int hours = 0;
                                switch (phase) {
                                    case 1:
                                        hours = 6;
                                    case 2:
                                        hours = 12;
                                        break;
                                    default:
                                        hours = 0;
                                }
                                return hours;
                            }
                        }
                        """, """
                        class Tides {
                            int hours(int phase) {
                                int hours = 0;
                                switch (phase) {
                                    case 1:
                                        hours = 6;
                                        break;
                                    case 2:
                                        hours = 12;
                                        break;
                                    default:
                                        hours = 0;
                                }
                                return hours;
                            }
                        }
                        """)
                .silentOn("""
                        class Tides {
                            int hours(int phase) {
                                int hours = 0;
                                switch (phase) {
                                    case 0:
                                    case 1:
                                        hours = 6;
                                        // and six more
                                    case 2:
                                        return hours + 6;
                                    case 3:
                                        switch (hours) {
                                            case 0:
                                                return 3;
                                            default:
                                                throw new IllegalStateException();
                                        }
                                    case 4:
                                        hours = 1;
                                    case 5:
                                        break;
                                    default:
                                        hours = 0;
                                }
                                return hours;
                            }
                        }
                        """)
                .alsoNamed("fallthrough");
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.SWITCH);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        List<? extends CaseTree> cases = ((SwitchTree) path.getLeaf()).getCases();
        AttributedFile code = context.code();
        if (isHabit(cases)) {
            return;
        }
        for (int i = 0; i + 1 < cases.size(); i++) {
            List<? extends StatementTree> statements = TreePaths.statements(cases.get(i));
            CaseTree next = cases.get(i + 1);
            boolean falls = !statements.isEmpty() && !TreePaths.statements(next).isEmpty()
                    && !isEnd(TreePaths.statements(next)) && Jumps.canComplete(statements)
                    && isMistake(code, cases, i) && !isSaid(code, cases.get(i), next);
            if (falls) {
                StatementTree last = statements.get(statements.size() - 1);
                Range label = new Range(code.range(next).start(), code.range(TreePaths.statements(next).get(0))
                        .start());
                int colon = code.tokens().codeBefore(code.tokens().at(label.end() - 1));
                context.report(new Range(label.start(), code.tokens().end(colon)), "the case above goes on here",
                        Fix.of("end the case above with a break", edits -> {
                            Layout layout = Layout.of(code.file());
                            edits.insert(code.range(last).end(), layout.lineEnd()
                                    + Layout.indentOf(code.file(), code.range(last).start()) + "break;");
                        }));
            }
        }
    }

    /**
     * What a group has just assigned is overwritten in the next one; or it alone goes on, with a call, among many that
     * end.
     */
    private static boolean isMistake(AttributedFile code, List<? extends CaseTree> cases, int index) {
        List<? extends StatementTree> statements = TreePaths.statements(cases.get(index));
        StatementTree last = last(statements.get(statements.size() - 1));
        if (!(last instanceof ExpressionStatementTree whole)) {
            return false;
        }
        if (whole.getExpression() instanceof AssignmentTree assignment) {
            // a state that is entered by falling into it
            boolean isEntered = cases.get(index + 1).getExpressions().stream()
                    .anyMatch(label -> code.reads(assignment.getExpression()).endsWith(code.reads(label)));
            return !isEntered && isOverwritten(code, assignment, TreePaths.statements(cases.get(index + 1)));
        }
        List<? extends CaseTree> own = cases.stream().filter(one -> !TreePaths.statements(one).isEmpty()).toList();
        long falling = own.stream().limit(own.size() - 1).filter(FallThrough::goesOn).count();
        return goesOn(cases.get(index)) && whole.getExpression() instanceof MethodInvocationTree && falling == 1
                && isRepeated(cases.get(index), cases.get(index + 1))
                && own.size() - falling > FEW && !cases.get(index + 1).getExpressions().isEmpty();
    }

    /** Whether both groups make the same call, each in its way, so that it is made twice. */
    private static boolean isRepeated(CaseTree group, CaseTree next) {
        List<String> own = TreePaths.statements(group).stream().flatMap(statement -> calls(statement).stream())
                .toList();
        return TreePaths.statements(next).stream().flatMap(statement -> calls(statement).stream())
                .anyMatch(own::contains);
    }

    private static List<String> calls(StatementTree statement) {
        List<? extends StatementTree> inner = TreePaths.statements(statement);
        if (!inner.isEmpty()) {
            return inner.stream().flatMap(one -> calls(one).stream()).toList();
        }
        return statement instanceof ExpressionStatementTree whole
                && whole.getExpression() instanceof MethodInvocationTree call ? List.of(Calls.name(call)) : List.of();
    }

    private static boolean goesOn(CaseTree group) {
        List<? extends StatementTree> statements = TreePaths.statements(group);
        boolean fails = last(statements.get(statements.size() - 1)) instanceof ExpressionStatementTree whole
                && whole.getExpression() instanceof MethodInvocationTree call && NEVER_ENDS.matcher(Calls.name(call))
                .find();
        return Jumps.canComplete(statements) && !fails;
    }

    private static boolean isOverwritten(AttributedFile code, AssignmentTree assignment,
            List<? extends StatementTree> next) {
        String target = code.reads(assignment.getVariable());
        for (StatementTree statement : next) {
            boolean isSame = last(statement) instanceof ExpressionStatementTree whole
                    && whole.getExpression() instanceof AssignmentTree other
                    && code.reads(other.getVariable()).equals(target) && !code.reads(other.getExpression())
                    .contains(target);
            if (isSame || code.reads(statement).contains(target)) {
                return isSame;
            }
        }
        return false;
    }

    private static StatementTree last(StatementTree statement) {
        List<? extends StatementTree> inner = TreePaths.statements(statement);
        return inner.isEmpty() ? statement : last(inner.get(inner.size() - 1));
    }

    /** Whether a group does nothing but to leave. */
    private static boolean isEnd(List<? extends StatementTree> statements) {
        return statements.get(0) instanceof BreakTree;
    }

    /** Whether several groups go on, and more than end: then they are meant to run down. */
    private static boolean isHabit(List<? extends CaseTree> cases) {
        List<? extends CaseTree> own = cases.stream().filter(one -> !TreePaths.statements(one).isEmpty()).toList();
        long falling = own.stream().limit(Math.max(0, own.size() - 1))
                .filter(one -> Jumps.canComplete(TreePaths.statements(one))).count();
        return falling > 1 && falling > own.size() - falling - 1;
    }

    /** Whether a comment stands between, whatever it says, or one in the group says that it falls. */
    private static boolean isSaid(AttributedFile code, CaseTree group, CaseTree next) {
        List<? extends StatementTree> statements = TreePaths.statements(group);
        StatementTree last = last(statements.get(statements.size() - 1));
        return code.hasComment(new Range(code.range(last).end(), code.range(next).start()))
                || FALLS.matcher(code.text(code.range(group))).find();
    }
}
