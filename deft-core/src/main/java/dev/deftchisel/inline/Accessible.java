package dev.deftchisel.inline;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Code;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** Whether what a method uses may be used at a call as well (JLS 6.6). */
final class Accessible {

    private final Code code;
    private final TypeElement here;

    /** @param here the class around the call */
    Accessible(Code code, TypeElement here) {
        this.code = code;
        this.here = here;
    }

    /** The first thing that may not, in words; empty when all may. */
    Optional<String> firstHidden(Callee callee) {
        String[] found = {null};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                note(getCurrentPath());
                return null;
            }

            @Override
            public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
                note(getCurrentPath());
                return super.visitMemberSelect(tree, null);
            }

            @Override
            public Void visitNewClass(NewClassTree tree, Void unused) {
                if (tree.getClassBody() == null) {
                    note(getCurrentPath());
                }
                return super.visitNewClass(tree, null);
            }

            private void note(TreePath path) {
                if (found[0] == null && callee.code().find(path.getLeaf()).isPresent()) {
                    callee.code().element(path).filter(element -> !isSeen(element)).ifPresent(element -> found[0] = words(element));
                }
            }
        }.scan(callee.body(), null);
        return Optional.ofNullable(found[0]);
    }

    private static String words(Element element) {
        String name = element.getKind() == ElementKind.CONSTRUCTOR ? "a constructor" : "'" + element.getSimpleName() + "'";
        return name + ", which " + element.getEnclosingElement().getSimpleName() + " keeps to itself";
    }

    private boolean isSeen(Element element) {
        boolean isMember = element.getEnclosingElement() instanceof TypeElement
                && (element.getKind().isField() || element.getKind() == ElementKind.METHOD || element.getKind() == ElementKind.CONSTRUCTOR
                        || element instanceof TypeElement);
        boolean isTopLevel = element instanceof TypeElement && element.getEnclosingElement().getKind() == ElementKind.PACKAGE;
        if (!isMember && !isTopLevel || element.getModifiers().contains(Modifier.PUBLIC)) {
            return true;
        } else if (element.getModifiers().contains(Modifier.PRIVATE)) {
            return outermost(element).equals(outermost(here));
        }
        boolean isNear = code.elements().getPackageOf(element).equals(code.elements().getPackageOf(here));
        return isNear || element.getModifiers().contains(Modifier.PROTECTED) && isInherited(element);
    }

    private boolean isInherited(Element member) {
        for (Element at = here; at instanceof TypeElement type; at = at.getEnclosingElement()) {
            if (code.types().isSubtype(code.types().erasure(type.asType()), code.types().erasure(member.getEnclosingElement().asType()))) {
                return true;
            }
        }
        return false;
    }

    private static Element outermost(Element element) {
        Element at = element;
        while (at.getEnclosingElement() != null && at.getEnclosingElement().getKind() != ElementKind.PACKAGE) {
            at = at.getEnclosingElement();
        }
        return at;
    }
}
