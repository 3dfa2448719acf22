package dev.deftchisel.rule.statement;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Jumps;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Set;

/** A group of a {@code switch} that goes on into the next (JLS 14.11.3). */
public final class FallThrough implements Rule {

    @Override
    public About about() {
        return About.of("fall-through", Tag.SUSPICIOUS, "A case goes on into the next one", Effect.OTHER)
                .because("Without a break the statements of the next case run too; say so in a comment where it is meant.")
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
    public void look(TreePath path, Survey survey) {
        List<? extends CaseTree> cases = ((SwitchTree) path.getLeaf()).getCases();
        Code code = survey.code();
        if (isHabit(cases)) {
            return;
        }
        for (int i = 0; i + 1 < cases.size(); i++) {
            List<? extends StatementTree> statements = Code.statements(cases.get(i));
            CaseTree next = cases.get(i + 1);
            boolean falls = !statements.isEmpty() && !Code.statements(next).isEmpty() && !isEnd(Code.statements(next)) && Jumps.canComplete(statements)
                    && !isSaid(code, statements.get(statements.size() - 1), next)
                    && !(isDefault(next) && mayLeave(statements.get(statements.size() - 1)));
            if (falls) {
                StatementTree last = statements.get(statements.size() - 1);
                Range label = new Range(code.range(next).start(), code.range(Code.statements(next).get(0)).start());
                int colon = code.tokens().codeBefore(code.tokens().at(label.end() - 1));
                survey.report(new Range(label.start(), code.tokens().end(colon)), "the case above goes on here",
                        Fix.of("end the case above with a break", edits -> {
                            Layout layout = Layout.of(code.file());
                            edits.insert(code.range(last).end(), layout.lineEnd()
                                    + Layout.indentOf(code.file(), code.range(last).start()) + "break;");
                        }));
            }
        }
    }

    private static boolean isDefault(CaseTree group) {
        return group.getExpressions().isEmpty();
    }

    /** Whether a group ends by leaving under a condition: else it is meant to be like all others. */
    private static boolean mayLeave(StatementTree last) {
        List<? extends StatementTree> inner = Code.statements(last);
        return inner.isEmpty() ? last instanceof IfTree choice && choice.getElseStatement() == null && !Jumps.canComplete(choice.getThenStatement())
                : mayLeave(inner.get(inner.size() - 1));
    }

    /** Whether a group does nothing but to leave. */
    private static boolean isEnd(List<? extends StatementTree> statements) {
        return statements.get(0) instanceof BreakTree;
    }

    /** Whether several groups go on, and more than end: then they are meant to run down. */
    private static boolean isHabit(List<? extends CaseTree> cases) {
        List<? extends CaseTree> own = cases.stream().filter(one -> !Code.statements(one).isEmpty()).toList();
        long falling = own.stream().limit(Math.max(0, own.size() - 1)).filter(one -> Jumps.canComplete(Code.statements(one))).count();
        return falling > 1 && falling > own.size() - falling - 1;
    }

    /** Whether a comment stands between, whatever it says: it was thought of. */
    private static boolean isSaid(Code code, StatementTree last, CaseTree next) {
        int from = last instanceof BlockTree block && !block.getStatements().isEmpty()
                ? code.range(block.getStatements().get(block.getStatements().size() - 1)).end() : code.range(last).end();
        return code.hasComment(new Range(from, code.range(next).start()));
    }
}
