package dev.deftchisel.declare.inference;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/** What a {@code switch} chooses from, as its labels tell (JLS 14.11.1). */
public final class SwitchSelector {

    private SwitchSelector() {
    }

    /** The enum that has all constants of the labels, or what the first label is. */
    static Optional<TypeMirror> of(AttributedFile code, TreePath choice) {
        List<? extends CaseTree> cases = TreePaths.cases(choice.getLeaf());
        List<? extends ExpressionTree> labels = cases.stream().flatMap(one -> one.getExpressions().stream()).toList();
        if (labels.isEmpty()) {
            return Optional.empty();
        } else if (!labels.stream().allMatch(IdentifierTree.class::isInstance)) {
            return LikelyTargetTypes.known(code.type(new TreePath(new TreePath(choice, cases.get(0)), labels.get(0))));
        }
        Set<String> names = labels.stream().map(Object::toString).collect(Collectors.toSet());
        return new NameHints(code).near(choice).stream()
                .flatMap(type -> Stream.concat(Stream.of(type), type.getEnclosedElements().stream()))
                .filter(type -> type.getKind() == ElementKind.ENUM && constants(type).containsAll(names))
                .findFirst().map(Element::asType);
    }

    /** The names that are labels where the value of a variable is chosen from. */
    public static Set<String> labels(AttributedFile code, Element variable) {
        Set<String> names = new LinkedHashSet<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitSwitch(SwitchTree tree, Void unused) {
                take(tree);
                return super.visitSwitch(tree, null);
            }

            @Override
            public Void visitSwitchExpression(SwitchExpressionTree tree, Void unused) {
                take(tree);
                return super.visitSwitchExpression(tree, null);
            }

            private void take(Tree choice) {
                ExpressionTree chosen = TreePaths.chosenFrom(choice);
                TreePath path = new TreePath(getCurrentPath(), chosen);
                TreePath bare = chosen instanceof ParenthesizedTree around ? new TreePath(path, around.getExpression())
                        : path;
                if (code.element(bare).filter(variable::equals).isPresent()) {
                    TreePaths.cases(choice).stream().flatMap(one -> one.getExpressions().stream())
                            .filter(IdentifierTree.class::isInstance)
                            .forEach(label -> names.add(label.toString()));
                }
            }
        }.scan(new TreePath(code.unit()), null);
        return names;
    }

    private static Set<String> constants(Element type) {
        return ((TypeElement) type).getEnclosedElements().stream()
                .filter(member -> member.getKind() == ElementKind.ENUM_CONSTANT)
                .map(member -> member.getSimpleName().toString())
                .collect(Collectors.toSet());
    }
}
