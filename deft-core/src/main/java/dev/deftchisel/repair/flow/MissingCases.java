package dev.deftchisel.repair.flow;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.type.DeclaredType;

/** Switches that do not cover all values (JLS 14.11.1.1). */
public final class MissingCases implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("not.exhaustive", "not.exhaustive.statement");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> choice = site.around().stream().filter(path -> TreePaths.isChoice(path.getLeaf()))
                .findFirst();
        if (choice.isEmpty()) {
            return List.of();
        }
        AttributedFile code = site.code();
        Tree tree = choice.get().getLeaf();
        int start = code.range(tree).start();
        List<Fix> fixes = new ArrayList<>();
        fixes.add(Fix.of("add a default that throws", edits -> {
            Layout layout = Layout.of(code.file());
            int brace = code.range(tree).end() - 1;
            String indent = Layout.indentOf(code.file(), brace);
            List<? extends CaseTree> cases = TreePaths.cases(tree);
            String own = cases.isEmpty() ? indent + layout.unit()
                    : Layout.indentOf(code.file(), code.range(cases.get(0)).start());
            boolean isArrow = cases.isEmpty() || cases.get(0).getCaseKind() == CaseTree.CaseKind.RULE;
            String exception = "throw new IllegalArgumentException(String.valueOf("
                    + code.text(TreePaths.inner(TreePaths.chosenFrom(tree))) + "));";
            int from = code.tokens().end(code.tokens().codeBefore(code.tokens().at(brace) - 1));
            edits.replace(new Range(from, brace), layout.lineEnd() + own + (isArrow ? "default -> " + exception
                    : "default:" + layout.lineEnd() + own + layout.unit() + exception) + layout.lineEnd() + indent);
        }));
        code.type(new TreePath(choice.get(), TreePaths.chosenFrom(tree)))
                .filter(type -> type instanceof DeclaredType declared && declared.asElement()
                        .getKind() == ElementKind.ENUM)
                .ifPresent(type -> fixes.add(0, new Fix.Use("declare the missing cases", "declare-cases",
                        new Place(code.file().path(), new Range(start, start)), Answers.none())));
        return fixes;
    }
}
