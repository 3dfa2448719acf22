package dev.deftchisel.analysis.code;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Where code uses the current object of a class around it, said or implied (JLS 15.8.3, 15.8.4, 6.5.6.1, 15.12.1).
 */
public final class ObjectUses {

    private final AttributedFile code;
    private final TypeElement type;
    private final List<Use> found = new ArrayList<>();

    private ObjectUses(AttributedFile code, TypeElement type) {
        this.code = code;
        this.type = type;
    }

    /** How the object is used. */
    public enum Form {
        /** {@code this}, {@code Tariff.this}. */
        SAID,
        /** A member by its simple name. */
        IMPLIED,
        /** {@code super}, or an inner class is created: no variable could stand for the object. */
        BOUND
    }

    /**
     * One use.
     *
     * @param path  the name, or what creates something
     * @param range of it
     */
    public record Use(TreePath path, Range range, Form form) {
    }

    /**
     * The uses, in the order in which they stand.
     *
     * @param body within the class
     * @param type the class
     */
    public static List<Use> of(AttributedFile code, TreePath body, TypeElement type) {
        ObjectUses uses = new ObjectUses(code, type);
        uses.new Scanner().scan(body, null);
        return List.copyOf(uses.found);
    }

    private void add(TreePath path, Form form) {
        found.add(new Use(path, code.range(path.getLeaf()), form));
    }

    /** The class whose member a simple name is: the innermost one that has it. */
    private Optional<TypeElement> owner(TreePath path, Element member) {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof ClassTree && code.element(at).orElse(null) instanceof TypeElement around
                    && code.isKind(code.types().erasure(around.asType()),
                            code.types().erasure(member.getEnclosingElement().asType()))) {
                return Optional.of(around);
            }
        }
        return Optional.empty();
    }

    private boolean isInnermost(TreePath path) {
        return code.enclosingType(path).filter(type::equals).isPresent();
    }

    private final class Scanner extends TreePathScanner<Void, Void> {

        @Override
        public Void visitIdentifier(IdentifierTree tree, Void unused) {
            TreePath path = getCurrentPath();
            boolean isWord = tree.getName().contentEquals("this") || tree.getName().contentEquals("super");
            if (isWord && isInnermost(path)) {
                add(path, tree.getName().contentEquals("this") ? Form.SAID : Form.BOUND);
            } else if (!isWord) {
                code.element(path).filter(element -> (element.getKind() == ElementKind.FIELD
                        || element.getKind() == ElementKind.METHOD)
                        && !element.getModifiers().contains(Modifier.STATIC))
                        .flatMap(element -> owner(path, element)).filter(type::equals)
                        .ifPresent(own -> add(path, Form.IMPLIED));
            }
            return null;
        }

        @Override
        public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
            boolean isThis = tree.getIdentifier().contentEquals("this");
            if (isThis || tree.getIdentifier().contentEquals("super")) {
                code.element(new TreePath(getCurrentPath(), tree.getExpression())).filter(type::equals)
                        .ifPresent(own -> add(getCurrentPath(), isThis ? Form.SAID : Form.BOUND));
                return null;
            }
            return super.visitMemberSelect(tree, null);
        }

        @Override
        public Void visitNewClass(NewClassTree tree, Void unused) {
            creation(tree.getEnclosingExpression() == null ? tree.getIdentifier() : null);
            return super.visitNewClass(tree, null);
        }

        @Override
        public Void visitMemberReference(MemberReferenceTree tree, Void unused) {
            creation(tree.getMode() == MemberReferenceTree.ReferenceMode.NEW ? tree.getQualifierExpression() : null);
            return super.visitMemberReference(tree, null);
        }

        /** An inner class is created for the object around (JLS 15.9.2). */
        private void creation(Tree name) {
            if (name != null && code.element(new TreePath(getCurrentPath(), name)).orElse(null)
                    instanceof TypeElement made && made.getEnclosingElement() instanceof TypeElement
                    && made.getKind() == ElementKind.CLASS && !made.getModifiers().contains(Modifier.STATIC)
                    && owner(getCurrentPath(), made).filter(type::equals).isPresent()) {
                add(getCurrentPath(), Form.BOUND);
            }
        }
    }
}
