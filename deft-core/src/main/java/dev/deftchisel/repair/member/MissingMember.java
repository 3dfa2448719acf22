package dev.deftchisel.repair.member;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Range;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** A name after a dot, and what stands before it. */
record MissingMember(TreePath path, TreePath object, TypeMirror type, String name, Optional<MethodInvocationTree> call,
        AttributedFile code) {

    Range range() {
        int end = code.range(path.getLeaf()).end();
        return new Range(end - name.length(), end);
    }

    /** From the name to the end of the arguments, if there are any. */
    Range whole() {
        return call.map(tree -> new Range(range().start(), code.range(tree).end())).orElse(range());
    }

    int arguments() {
        return call.map(tree -> tree.getArguments().size()).orElse(0);
    }

    /** The arguments as they are written. */
    String written() {
        return call.filter(tree -> !tree.getArguments().isEmpty()).map(tree -> code.text(new Range(
                code.range(tree.getArguments().get(0)).start(),
                code.range(tree.getArguments().get(tree.getArguments().size() - 1)).end())))
                .orElse("");
    }

    /** The one that a selection or reference names; empty where the type of what stands before the dot is not known. */
    static Optional<MissingMember> of(TreePath path, AttributedFile code) {
        ExpressionTree object = path.getLeaf() instanceof MemberSelectTree select ? select.getExpression()
                : ((MemberReferenceTree) path.getLeaf()).getQualifierExpression();
        String name = path.getLeaf() instanceof MemberSelectTree select ? select.getIdentifier().toString()
                : ((MemberReferenceTree) path.getLeaf()).getName().toString();
        TreePath before = new TreePath(path, object);
        Tree parent = path.getParentPath().getLeaf();
        Optional<MethodInvocationTree> call = parent instanceof MethodInvocationTree tree
                && tree.getMethodSelect() == path.getLeaf()
                ? Optional.of(tree) : Optional.empty();
        return code.type(before).or(() -> code.element(before).filter(element -> element instanceof TypeElement)
                .map(Element::asType))
                .filter(type -> type.getKind() != TypeKind.ERROR && type.getKind() != TypeKind.PACKAGE)
                .map(type -> new MissingMember(path, before, type, name, call, code));
    }

    /** Whether the type has a method of the name. */
    boolean hasMethod() {
        return type instanceof DeclaredType declared && code.elements()
                .getAllMembers((TypeElement) declared.asElement()).stream()
                .anyMatch(member -> member.getKind() == ElementKind.METHOD && member.getSimpleName()
                        .contentEquals(name));
    }
}
