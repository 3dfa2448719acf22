package dev.deftchisel.signature.plan;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** What the uses of a variable need of its type: members that are asked of it, and what it is given to. */
public final class NeededType {

    private final Analysis analysis;
    private final AttributedFile code;
    private final Element variable;

    /**
     * @param analysis in which all uses were looked at
     * @param code     the file of the uses
     * @param variable whose type may be a more general one
     */
    public NeededType(Analysis analysis, AttributedFile code, Element variable) {
        this.analysis = analysis;
        this.code = code;
        this.variable = variable;
    }

    /** Whether another type would do at every use. */
    public boolean isEnough(TypeElement candidate) {
        return uses().stream().allMatch(use -> isEnough(candidate, use));
    }

    /** Whether anything is needed of it at all. */
    public boolean isUsed() {
        return !uses().isEmpty();
    }

    private List<Binding> uses() {
        return analysis.uses(code.key(variable)).stream().filter(use -> use.role() != Role.DECLARATION
                && use.role() != Role.DOC).toList();
    }

    private boolean isEnough(TypeElement candidate, Binding use) {
        Optional<TreePath> name = use.file().equals(code.file().path()) ? code.expression(use.range())
                : Optional.empty();
        return name.filter(path -> isEnough(candidate, path)).isPresent();
    }

    private boolean isEnough(TypeElement candidate, TreePath name) {
        TreePath outer = TreePaths.outer(name);
        Tree tree = outer.getLeaf();
        if (tree instanceof MemberSelectTree) {
            return code.element(outer).filter(ExecutableElement.class::isInstance)
                    .filter(member -> has(candidate, (ExecutableElement) member)).isPresent();
        } else if (tree instanceof BinaryTree comparison) {
            return comparison.getLeftOperand().getKind() == Tree.Kind.NULL_LITERAL
                    || comparison.getRightOperand().getKind() == Tree.Kind.NULL_LITERAL;
        } else if (tree instanceof InstanceOfTree || tree instanceof TypeCastTree) {
            return true;
        } else if (tree instanceof EnhancedForLoopTree) {
            return code.isKind(candidate.asType(), code.types().erasure(code.elements()
                    .getTypeElement("java.lang.Iterable").asType()));
        } else if (tree instanceof AssignmentTree given && TreePaths.inner(given.getVariable()) == name.getLeaf()) {
            return true;
        }
        Optional<TypeMirror> target = TargetType.ofConversion(name, code);
        return target.filter(type -> code.isKind(candidate.asType(), code.types().erasure(type))).isPresent();
    }

    /** Whether a type has a method, or one that it overrides (JLS 15.12.4.4). */
    private boolean has(TypeElement candidate, ExecutableElement member) {
        TypeElement owner = (TypeElement) member.getEnclosingElement();
        return code.isKind(candidate.asType(), code.types().erasure(owner.asType()))
                || ElementFilter.methodsIn(code.elements().getAllMembers(candidate)).stream()
                .anyMatch(other -> other.getSimpleName().equals(member.getSimpleName())
                        && code.elements().overrides(member, other, owner)
                        && code.descriptor(other.getReturnType()).equals(code.descriptor(member.getReturnType())));
    }
}
