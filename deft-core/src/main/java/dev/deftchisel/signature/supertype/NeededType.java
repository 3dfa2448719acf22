package dev.deftchisel.signature.supertype;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.SymbolKey;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** What the uses of something need of its type: members that are asked of it, and what it is given to. */
public final class NeededType {

    private final Analysis analysis;
    private final TypedDeclaration declared;
    private final Set<SymbolKey> retyped;

    /**
     * @param analysis in which all uses were looked at
     * @param declared whose type may be a more general one
     * @param retyped  variables that get the same type, so that it may be given to them
     */
    public NeededType(Analysis analysis, TypedDeclaration declared, Set<SymbolKey> retyped) {
        this.analysis = analysis;
        this.declared = declared;
        this.retyped = Set.copyOf(retyped);
    }

    /** Whether another type would do at every use. */
    public boolean isEnough(TypeElement candidate) {
        return more(candidate).isEmpty();
    }

    /** The first use that needs more than another type has. */
    public Optional<Binding> more(TypeElement candidate) {
        return uses().filter(use -> !isEnough(candidate, use)).findFirst();
    }

    /** Whether anything is needed of it at all. */
    public boolean isUsed() {
        return uses().findAny().isPresent();
    }

    private Stream<Binding> uses() {
        return analysis.uses(declared.key()).stream().filter(use -> use.role().isUse());
    }

    private boolean isEnough(TypeElement candidate, Binding use) {
        Optional<AttributedFile> code = analysis.code(use.file());
        Optional<TypeElement> known = code.map(file -> file.elements()
                .getTypeElement(candidate.getQualifiedName()));
        return known.isPresent() && value(code.get(), use).filter(path -> isEnough(code.get(), known.get(), path))
                .isPresent();
    }

    /** The call, or the variable with what it is selected from. */
    private Optional<TreePath> value(AttributedFile code, Binding use) {
        Optional<TreePath> call = declared.isResult() ? code.call(use) : Optional.empty();
        return call.or(() -> code.around(use.range()).stream()
                .filter(path -> code.range(path.getLeaf()).end() == use.range().end()
                        && (path.getLeaf() instanceof MemberSelectTree || path.getLeaf() instanceof MemberReferenceTree
                                || code.range(path.getLeaf()).equals(use.range()))).findFirst());
    }

    private boolean isEnough(AttributedFile code, TypeElement candidate, TreePath value) {
        if (value.getLeaf() instanceof MemberReferenceTree) {
            Optional<TypeMirror> result = code.type(value).flatMap(type -> Functions.of(code, type))
                    .map(ExecutableType::getReturnType);
            return result.filter(type -> type.getKind() == TypeKind.VOID || isKind(code, candidate, type)).isPresent();
        }
        TreePath outer = TreePaths.outer(value);
        Tree tree = outer.getLeaf();
        if (tree instanceof MemberSelectTree || tree instanceof MemberReferenceTree) {
            return code.element(outer).filter(ExecutableElement.class::isInstance)
                    .filter(member -> has(code, candidate, (ExecutableElement) member)).isPresent();
        } else if (tree instanceof BinaryTree operation) {
            return isComparable(code, outer, operation, value);
        } else if (tree instanceof InstanceOfTree || tree instanceof TypeCastTree || tree instanceof SynchronizedTree
                || tree instanceof ExpressionStatementTree) {
            return true;
        } else if (tree instanceof EnhancedForLoopTree) {
            return isKind(code, candidate, code.elements().getTypeElement("java.lang.Iterable").asType());
        } else if (tree instanceof AssignmentTree given && (TreePaths.inner(given.getVariable()) == value.getLeaf()
                || isRetyped(code, new TreePath(outer, given.getVariable())))
                || tree instanceof VariableTree && isRetyped(code, outer)) {
            return true;
        }
        return TargetType.ofConversion(value, code).filter(type -> isKind(code, candidate, type)).isPresent();
    }

    private boolean isRetyped(AttributedFile code, TreePath variable) {
        return code.element(variable).map(code::key).filter(retyped::contains).isPresent();
    }

    /** Whether it stands beside {@code null} or another object, or a text that it is put together with. */
    private static boolean isComparable(AttributedFile code, TreePath path, BinaryTree operation, TreePath value) {
        Optional<TypeMirror> type = code.type(new TreePath(path, TreePaths.otherOperand(operation, value.getLeaf())));
        return switch (operation.getKind()) {
            case EQUAL_TO, NOT_EQUAL_TO -> type.filter(one -> !one.getKind().isPrimitive()).isPresent();
            case PLUS -> type.filter(one -> NamedTypes.is(one, "java.lang.String")).isPresent();
            default -> false;
        };
    }

    private static boolean isKind(AttributedFile code, TypeElement candidate, TypeMirror type) {
        return code.isKind(code.types().erasure(candidate.asType()), code.types().erasure(type));
    }

    /** Whether a type has a method, or one that it overrides (JLS 15.12.4.4). */
    private static boolean has(AttributedFile code, TypeElement candidate, ExecutableElement member) {
        TypeElement owner = (TypeElement) member.getEnclosingElement();
        return code.isKind(code.types().erasure(candidate.asType()), code.types().erasure(owner.asType()))
                || ElementFilter.methodsIn(code.elements().getAllMembers(candidate)).stream()
                .anyMatch(other -> other.getSimpleName().equals(member.getSimpleName())
                        && code.elements().overrides(member, other, owner)
                        && code.descriptor(other.getReturnType()).equals(code.descriptor(member.getReturnType())));
    }
}
