package dev.deftchisel.rule.idiom;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.problem.About;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.Survey;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;

/** A stream that is searched only to know whether something is there (java.util.stream.Stream). */
public final class FoundByFilter implements Rule {

    @Override
    public About about() {
        return About.of("found-by-filter", Tag.IDIOM, "A stream is searched to know whether something is there")
                .because("'anyMatch' asks just this.")
                .example("""
                        import java.util.List;

                        class Berths {
                            boolean isKnown(List<String> names) {
                                return names.stream().filter(name -> name.isEmpty()).findFirst().isPresent();
                            }
                        }
                        """, """
                        import java.util.List;

                        class Berths {
                            boolean isKnown(List<String> names) {
                                return names.stream().anyMatch(name -> name.isEmpty());
                            }
                        }
                        """)
                .silentOn("""
                        import java.util.List;

                        class Berths {
                            boolean isKnown(List<String> names) {
                                return names.stream().filter(name -> name.isEmpty()).findFirst().map(String::length).isPresent();
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, Survey survey) {
        Code code = survey.code();
        if (!Calls.isOf(code, path, "java.util.Optional", "isPresent", 0)) {
            return;
        }
        Optional<TreePath> found = Calls.receiver(path).filter(call ->
                Calls.isOf(code, call, "java.util.stream.Stream", "findFirst", 0)
                        || Calls.isOf(code, call, "java.util.stream.Stream", "findAny", 0));
        Optional<TreePath> filter = found.flatMap(Calls::receiver).filter(call -> Calls.isOf(code, call, "java.util.stream.Stream",
                "filter", 1));
        Optional<TreePath> stream = filter.flatMap(Calls::receiver);
        if (stream.isPresent()) {
            MethodInvocationTree filtered = (MethodInvocationTree) filter.get().getLeaf();
            Range all = code.range(path.getLeaf());
            Range select = code.range(filtered.getMethodSelect());
            Range name = new Range(select.end() - "filter".length(), select.end());
            survey.report(new Range(name.start(), all.end()), "'anyMatch' asks this", Fix.of("use 'anyMatch'", edits -> edits.replace(
                    path.getLeaf(), to -> to.carry(new Range(all.start(), name.start())).write("anyMatch(")
                            .carry(code.range(filtered.getArguments().get(0))).write(")"))));
        }
    }
}
