package dev.deftchisel.inline.call;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/** Whether what a method uses may be used at a call as well (JLS 6.6). */
public final class Accessible {

    private final AttributedFile code;
    private final TypeElement here;

    /** @param here the class around the call */
    public Accessible(AttributedFile code, TypeElement here) {
        this.code = code;
        this.here = here;
    }

    /** What may not, in the order of the method's body, each once. */
    public List<Element> hidden(Callee callee) {
        Set<Element> found = new LinkedHashSet<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                boolean isObject = tree.getName().contentEquals("this") || tree.getName().contentEquals("super");
                if (!isObject) {
                    note(getCurrentPath());
                }
                return null;
            }

            @Override
            public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
                super.visitMemberSelect(tree, null);
                // a member is only as near as the class it is selected from
                TreePath object = new TreePath(getCurrentPath(), tree.getExpression());
                callee.code().type(object).map(code.types()::asElement)
                        .filter(type -> type instanceof TypeElement && !isSeen(type))
                        .ifPresent(found::add);
                note(getCurrentPath());
                return null;
            }

            @Override
            public Void visitNewClass(NewClassTree tree, Void unused) {
                if (tree.getClassBody() == null) {
                    note(getCurrentPath());
                }
                return super.visitNewClass(tree, null);
            }

            private void note(TreePath path) {
                if (callee.code().find(path.getLeaf()).isPresent()) {
                    callee.code().element(path).filter(element -> !isSeen(element)).ifPresent(found::add);
                }
            }
        }.scan(callee.body(), null);
        return List.copyOf(found);
    }

    /** How far it would have to be opened. */
    AccessLevel needed(Element element) {
        return AccessLevel.between(element, here);
    }

    /** For people. */
    static String words(Element element) {
        return element.getKind() == ElementKind.CONSTRUCTOR ? "a constructor" : "'" + element.getSimpleName() + "'";
    }

    private boolean isSeen(Element element) {
        boolean isMember = element.getEnclosingElement() instanceof TypeElement
                && (element.getKind().isField() || element.getKind() == ElementKind.METHOD
                        || element.getKind() == ElementKind.CONSTRUCTOR
                        || element instanceof TypeElement);
        boolean isTopLevel = element instanceof TypeElement && element.getEnclosingElement()
                .getKind() == ElementKind.PACKAGE;
        if (!isMember && !isTopLevel || element.getModifiers().contains(Modifier.PUBLIC)) {
            return true;
        } else if (element.getModifiers().contains(Modifier.PRIVATE)) {
            return needed(element) == AccessLevel.PRIVATE;
        }
        return needed(element) != AccessLevel.PUBLIC || element.getModifiers().contains(Modifier.PROTECTED)
                && isInherited(element);
    }

    private boolean isInherited(Element member) {
        for (Element at = here; at instanceof TypeElement type; at = at.getEnclosingElement()) {
            if (code.isKind(type.asType(), member.getEnclosingElement().asType())) {
                return true;
            }
        }
        return false;
    }
}
