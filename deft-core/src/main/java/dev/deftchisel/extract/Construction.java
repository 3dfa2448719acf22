package dev.deftchisel.extract;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.util.Optional;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Whether an object can be used by others, or by its own methods, before all its fields have their values (JLS 12.5): a
 * value that a field keeps from the start would be missing then.
 */
final class Construction {

    private final Code code;
    private final TreePath owner;

    /** @param owner the class */
    Construction(Code code, TreePath owner) {
        this.code = code;
        this.owner = owner;
    }

    /** Where the object gets about too early, or may; empty when it does not. */
    Optional<Reason> early() {
        TypeElement type = (TypeElement) code.element(owner).orElseThrow();
        boolean isOfObject = type.getKind() == ElementKind.ENUM
                || type.getSuperclass().toString().equals("java.lang.Object");
        if (!isOfObject) {
            return reason(owner.getLeaf(), "the constructor of the superclass may call methods before a field has its value");
        }
        return ((ClassTree) owner.getLeaf()).getMembers().stream()
                .filter(member -> code.find(member).isPresent())
                .map(member -> new TreePath(owner, member))
                .filter(this::runsEarly)
                .map(this::escape)
                .flatMap(Optional::stream)
                .findFirst();
    }

    private boolean runsEarly(TreePath member) {
        boolean isStatic = member.getLeaf() instanceof BlockTree block ? block.isStatic()
                : code.element(member).filter(element -> element.getModifiers().contains(Modifier.STATIC)).isPresent();
        return !isStatic && (member.getLeaf() instanceof BlockTree || member.getLeaf() instanceof VariableTree
                || member.getLeaf() instanceof MethodTree method && method.getReturnType() == null);
    }

    /** Where the code of a member calls a method of the object, or hands it to somebody. */
    private Optional<Reason> escape(TreePath member) {
        Tree[] found = {null};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                boolean isThis = tree.getName().contentEquals("this") && !isOnlyHead(getCurrentPath());
                boolean isMethod = code.element(getCurrentPath())
                        .filter(element -> element.getKind() == ElementKind.METHOD && !element.getModifiers().contains(Modifier.STATIC))
                        .isPresent();
                note(isThis || isMethod, tree);
                return null;
            }

            @Override
            public Void visitNewClass(NewClassTree tree, Void unused) {
                note(code.dependsOnThis(getCurrentPath()) || tree.getClassBody() != null, tree);
                return super.visitNewClass(tree, null);
            }

            private void note(boolean isEscape, Tree tree) {
                if (isEscape && found[0] == null && code.find(tree).isPresent()) {
                    found[0] = tree;
                }
            }
        }.scan(member, null);
        return found[0] == null ? Optional.empty()
                : reason(found[0], "the object is used here before a field of it has its value");
    }

    /** Whether {@code this} only says whose field, or calls another constructor. */
    private boolean isOnlyHead(TreePath path) {
        Tree parent = path.getParentPath().getLeaf();
        boolean isField = parent instanceof MemberSelectTree && code.element(path.getParentPath())
                .filter(element -> element.getKind().isField()).isPresent();
        return isField || parent instanceof MethodInvocationTree call && Code.callsConstructor(call);
    }

    private Optional<Reason> reason(Tree tree, String sentence) {
        Range range = code.range(tree);
        return Optional.of(Reason.at(code.file().path(), new Range(range.start(), range.start()), sentence));
    }
}
