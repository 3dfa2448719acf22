package dev.deftchisel.repair.declaration;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.ResultType;
import dev.deftchisel.repair.name.MeantName;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Classes that do not implement what they inherit (JLS 8.1.1.1). */
public final class MissingImplementation implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("does.not.override.abstract");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> type = site.nearest(ClassTree.class);
        if (type.isEmpty()) {
            return List.of();
        }
        ClassTree tree = (ClassTree) type.get().getLeaf();
        Range range = site.code().range(tree);
        int brace = range.end() - 1;
        List<Fix> fixes = new ArrayList<>();
        wrongArgument(type.get(), site.code()).ifPresent(fixes::add);
        wrongResult(type.get(), site.code()).ifPresent(fixes::add);
        fixes.add(new Fix.Use("implement what is missing", "implement-methods",
                new Place(site.code().file().path(), new Range(brace, brace)), Answers.none()));
        if (tree.getKind() == Tree.Kind.CLASS && !tree.getSimpleName().isEmpty()) {
            fixes.add(Fix.of("make '" + tree.getSimpleName() + "' abstract",
                    edits -> ModifierWords.add(edits, tree, "abstract")));
        }
        return fixes;
    }

    /** {@code implements Comparable<String>} with a method for something else: the type argument is at fault. */
    private static Optional<Fix> wrongArgument(TreePath path, AttributedFile code) {
        ClassTree tree = (ClassTree) path.getLeaf();
        for (Tree above : tree.getImplementsClause()) {
            Optional<TypeElement> type = code.type(new TreePath(path, above))
                    .filter(known -> known instanceof DeclaredType)
                    .map(known -> (TypeElement) ((DeclaredType) known).asElement());
            boolean hasOne = above instanceof ParameterizedTypeTree written && written.getTypeArguments().size() == 1;
            Optional<ExecutableElement> function = hasOne
                    ? type.flatMap(known -> MeantName.function(known.asType(), code)) : Optional.empty();
            Optional<VariableTree> parameter = function.flatMap(method -> tree.getMembers().stream()
                    .filter(member -> member instanceof MethodTree own
                    && own.getName().equals(method.getSimpleName()) && own.getParameters()
                    .size() == method.getParameters().size() && !own.getParameters().isEmpty())
                    .map(member -> (VariableTree) ((MethodTree) member).getParameters().get(0)).findFirst());
            boolean isUsed = function.filter(method -> !method.getParameters().isEmpty() && method.getParameters()
                    .get(0).asType().getKind() == TypeKind.TYPEVAR).isPresent();
            if (parameter.isPresent() && isUsed) {
                Tree argument = ((ParameterizedTypeTree) above).getTypeArguments().get(0);
                String meant = code.text(parameter.get().getType());
                if (!code.text(argument).equals(meant)) {
                    return Optional.of(Fix.of("implement " + type.get().getSimpleName() + "<" + meant + ">",
                            edits -> edits.replace(code.range(argument), meant)));
                }
            }
        }
        return Optional.empty();
    }

    /** A method that would be the missing one if it returned something else. */
    private static Optional<Fix> wrongResult(TreePath path, AttributedFile code) {
        Optional<TypeElement> type = code.element(path).filter(element -> element instanceof TypeElement)
                .map(element -> (TypeElement) element);
        for (Tree member : ((ClassTree) path.getLeaf()).getMembers()) {
            Optional<ExecutableElement> own = member instanceof MethodTree
                    ? code.element(new TreePath(path, member)).map(element -> (ExecutableElement) element)
                    : Optional.empty();
            Optional<ExecutableElement> above = own.isEmpty() || type.isEmpty() ? Optional.empty()
                    : WrongOverride.above(own.get(), type.get(), code)
                    .filter(other -> other.getModifiers().contains(Modifier.ABSTRACT));
            if (above.isPresent()) {
                TypeMirror result = ((ExecutableType) code.types().asMemberOf((DeclaredType) type.get().asType(),
                        above.get())).getReturnType();
                Tree written = ((MethodTree) member).getReturnType();
                // one that returns a kind of what is asked for is there (JLS 8.4.5)
                if (written != null && !code.isKind(own.get().getReturnType(), result)) {
                    String what = result.getKind() == TypeKind.VOID ? "nothing" : Conversion.shown(result);
                    return Optional.of(Fix.of("let '" + own.get().getSimpleName() + "' return " + what, edits -> {
                        ResultType.change(edits, new TreePath(path, member), result);
                        if (result.getKind() == TypeKind.VOID) {
                            ResultType.drop(edits, new TreePath(path, member));
                        }
                    }));
                }
            }
        }
        return Optional.empty();
    }
}
