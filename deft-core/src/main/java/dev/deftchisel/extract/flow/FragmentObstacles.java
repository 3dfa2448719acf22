package dev.deftchisel.extract.flow;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/** What keeps code from being the body of a method of its own, whatever the method is called. */
public final class FragmentObstacles {

    private FragmentObstacles() {
    }

    /**
     * The first one; empty when nothing is in the way.
     *
     * @param mayBeRecord whether several values may come out as a record
     */
    public static Optional<Reason> first(AttributedFile code, Fragment fragment, Flow flow, Exits exits,
            boolean mayBeRecord) {
        Path file = code.file().path();
        if (exits.objection().isPresent()) {
            return exits.objection();
        }
        boolean hasOutput = exits.kind() != Exits.Kind.RETURNED;
        List<Flow.Variable> outputs = flow.outputs();
        Optional<String> noRecord = Results.objection(code, flow, exits);
        if (hasOutput && outputs.size() > 1 && !(mayBeRecord && noRecord.isEmpty())) {
            return Optional.of(Reason.at(file, code.range(outputs.get(1).first().path().getLeaf()), "'"
                    + outputs.get(0).name() + "' and '" + outputs.get(1).name()
                    + "' are both needed afterwards, and a method returns one value"
                    + noRecord.map(why -> mayBeRecord ? "; a record cannot be made of them: " + why : "")
                            .orElse("; results can be made a record")));
        } else if (fragment.isExpression() && !outputs.isEmpty()) {
            return Optional.of(Reason.at(file, code.range(outputs.get(0).first().path().getLeaf()), "'"
                    + outputs.get(0).name() + "' gets a value within the expression that is needed afterwards"));
        }
        return flow.variables().stream()
                .flatMap(variable -> obstacle(code, variable).stream())
                .findFirst()
                .or(() -> otherObstacle(code, fragment));
    }

    private static Optional<Reason> obstacle(AttributedFile code, Flow.Variable variable) {
        if (variable.isOutput() && variable.isDeclaredOnlyInside()) {
            return Optional.of(Reason.at(code.file().path(), code.range(variable.first().path().getLeaf()),
                    "'" + variable.name() + "' is declared by a pattern here and used after it"));
        }
        return variable.readAfterFailure().map(read -> Reason.at(code.file().path(), code.range(read.path().getLeaf()),
                "'" + variable.name() + "' is read here once the 'try' has failed, and may have got a value by then"));
    }

    /** Statements that cannot stand in a method of their own. */
    private static Optional<Reason> otherObstacle(AttributedFile code, Fragment fragment) {
        List<Reason> found = new ArrayList<>();
        for (TreePath part : fragment.parts()) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitMethodInvocation(MethodInvocationTree tree, Void unused) {
                    if (TreePaths.callsConstructor(tree) && !isInClass(part)) {
                        note(tree, "the call of another constructor must stay in the constructor (JLS 8.8.7.1)");
                    }
                    return super.visitMethodInvocation(tree, null);
                }

                @Override
                public Void visitAssignment(AssignmentTree tree, Void unused) {
                    ExpressionTree target = tree.getVariable();
                    Optional<Element> field = code.element(new TreePath(getCurrentPath(), target))
                            .filter(element -> element.getKind().isField() && element.getModifiers()
                                    .contains(Modifier.FINAL));
                    field.filter(element -> !isInClass(part)).ifPresent(element -> note(tree,
                            "the final field '" + element.getSimpleName() + "' gets its value here (JLS 8.3.1.2)"));
                    return super.visitAssignment(tree, null);
                }

                @Override
                public Void visitIdentifier(IdentifierTree tree, Void unused) {
                    code.element(getCurrentPath())
                            .filter(element -> isDeclaredAround(code, fragment, element))
                            .ifPresent(element -> note(tree, "'" + element.getSimpleName()
                                    + "' is a class of this body, which no other method sees"));
                    return null;
                }

                /** Whether it happens in a class that is declared in the fragment, and goes along. */
                private boolean isInClass(TreePath part) {
                    return TreePaths.leadsThrough(getCurrentPath(), part.getLeaf(),
                            tree -> tree instanceof ClassTree);
                }

                /** What the compiler adds has no place, and is in nobody's way. */
                private void note(Tree tree, String sentence) {
                    code.find(tree).ifPresent(range -> found.add(Reason.at(code.file().path(), range, sentence)));
                }
            }.scan(part, null);
        }
        return found.stream().findFirst();
    }

    /** Whether a class is declared in the body around a fragment, but not in the fragment. */
    private static boolean isDeclaredAround(AttributedFile code, Fragment fragment, Element element) {
        boolean isType = element.getKind().isClass() || element.getKind().isInterface();
        Range member = code.range(fragment.member().getLeaf());
        return isType && element.getKind() != ElementKind.TYPE_PARAMETER
                && code.key(element) instanceof SymbolKey.LocalType local && member.contains(local.offset())
                && !fragment.contains(local.offset());
    }
}
