package dev.deftchisel.extract.method;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.extract.flow.Fragment;
import dev.deftchisel.operation.Reason;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Where a new method is declared: after the member that its code was in, or after the member of the class around.
 *
 * @param member  after which it comes
 * @param isOuter whether it is a class further out than that of the code
 */
record MethodHome(TreePath member, boolean isOuter) {

    static MethodHome here(Fragment fragment) {
        return new MethodHome(fragment.member(), false);
    }

    /** Empty when there is no class around that of the code. */
    static Optional<MethodHome> outer(Fragment fragment) {
        for (TreePath at = fragment.member().getParentPath(); at.getParentPath() != null; at = at.getParentPath()) {
            if (at.getParentPath().getLeaf() instanceof ClassTree) {
                return Optional.of(new MethodHome(at, true));
            }
        }
        return Optional.empty();
    }

    /** The class that declares it. */
    TreePath owner() {
        return member.getParentPath();
    }

    /** What the code needs that is only there in its own class; empty when there is nothing. */
    static Optional<Reason> objection(AttributedFile code, Fragment fragment) {
        TreePath inner = fragment.member().getParentPath();
        TypeElement type = (TypeElement) code.element(inner).orElseThrow();
        int start = code.range(inner.getLeaf()).start();
        Tree[] found = {null};
        for (TreePath part : fragment.parts()) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitIdentifier(IdentifierTree tree, Void unused) {
                    boolean isObject = tree.getName().contentEquals("this") || tree.getName().contentEquals("super");
                    boolean isOwn = code.element(getCurrentPath())
                            .filter(element -> isOfObject(element) || isTypeParameter(element)
                            || isCaptured(element)).isPresent();
                    if (found[0] == null && (isObject || isOwn) && code.find(tree).isPresent()) {
                        found[0] = tree;
                    }
                    return null;
                }

                private boolean isOfObject(Element element) {
                    return (element.getKind().isField() || element.getKind() == ElementKind.METHOD)
                            && !element.getModifiers().contains(Modifier.STATIC)
                            && element.getEnclosingElement() instanceof TypeElement owner
                            && code.isKind(type.asType(), owner.asType());
                }

                private boolean isTypeParameter(Element element) {
                    return element.getKind() == ElementKind.TYPE_PARAMETER
                            && type.equals(element.getEnclosingElement());
                }

                private boolean isCaptured(Element element) {
                    return code.key(element) instanceof SymbolKey.Local local && local.offset() < start;
                }
            }.scan(part, null);
        }
        return found[0] == null ? Optional.empty() : Optional.of(Reason.at(code.file().path(), code.range(found[0]),
                "this is not there in the class around; the method must stay in this one"));
    }
}
