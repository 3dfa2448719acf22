package dev.deftchisel.repair.name;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;

/** Two declarations of one name in a scope (JLS 6.4, 8.3, 8.4.2, 14.4.2). */
public final class TwiceDeclared implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("already.defined", "already.defined.in.clinit", "name.clash.same.erasure");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.around().stream()
                .filter(path -> path.getLeaf() instanceof VariableTree || path.getLeaf() instanceof MethodTree)
                .findFirst();
        if (found.isEmpty()) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        if (found.get().getLeaf() instanceof VariableTree variable) {
            String name = variable.getName().toString();
            if (found.get().getParentPath().getLeaf() instanceof BlockTree && variable.getInitializer() != null) {
                fixes.add(Fix.of("assign to the '" + name + "' that is there", edits -> edits.replace(
                        new Range(code.range(variable).start(), code.name(variable).start()), "")));
            }
            beforeSwitch(found.get(), name, code).ifPresent(fixes::add);
            String other = free(name, code);
            TreePath scope = found.get().getParentPath();
            fixes.add(Fix.of("call it '" + other + "'", edits -> {
                int start = code.name(variable).start();
                edits.replace(new Range(start, start + name.length()), other);
                Optional<Element> element = code.element(found.get());
                code.occurrences(scope).stream()
                        .filter(place -> element.filter(place.variable()::equals).isPresent()
                                && place.path().getLeaf() instanceof IdentifierTree)
                        .forEach(place -> edits.replace(code.range(place.path().getLeaf()), other));
            }));
        }
        if (found.get().getLeaf() instanceof MethodTree method && site.id().equals("name.clash.same.erasure")) {
            // the two are there for different things, so that it is the name that has to give way
            String other = described(method, code);
            fixes.add(Fix.of("call it '" + other + "'", edits -> edits.replace(code.name(method), other)));
        }
        fixes.add(Fix.of("remove it", edits -> edits
                .remove(Layout.withDocumentation(code.file(), code.range(found.get().getLeaf())))));
        return fixes;
    }

    /** {@code int dues} in two branches of a switch, all of whose statements are one scope (JLS 6.3). */
    private static Optional<Fix> beforeSwitch(TreePath path, String name, AttributedFile code) {
        TreePath choice = path.getParentPath().getParentPath();
        if (!(path.getParentPath().getLeaf() instanceof CaseTree) || !(choice.getLeaf() instanceof SwitchTree)) {
            return Optional.empty();
        }
        List<TreePath> declared = TreePaths.cases(choice.getLeaf()).stream()
                .map(branch -> new TreePath(choice, branch))
                .flatMap(branch -> TreePaths.statements(branch.getLeaf()).stream()
                        .map(statement -> new TreePath(branch, statement)))
                .filter(statement -> statement.getLeaf() instanceof VariableTree variable && variable.getName()
                        .contentEquals(name)).toList();
        return code.element(path)
                .map(element -> Fix.of("declare it before the switch",
                        edits -> OutOfScope.hoist(edits, choice.getLeaf(), declared, element.asType())));
    }

    /** The name with that of the first parameter after it, or else with a number. */
    private static String described(MethodTree method, AttributedFile code) {
        String name = method.getName().toString();
        String parameter = method.getParameters().isEmpty() ? "" : method.getParameters().get(0).getName().toString();
        String described = parameter.length() > 1 ? name + Character.toUpperCase(parameter.charAt(0))
                + parameter.substring(1) : name;
        return code.tokens().names().contains(described) ? free(name, code) : described;
    }

    private static String free(String name, AttributedFile code) {
        Set<String> names = code.tokens().names();
        for (int number = 2; ; number++) {
            if (!names.contains(name + number)) {
                return name + number;
            }
        }
    }
}
