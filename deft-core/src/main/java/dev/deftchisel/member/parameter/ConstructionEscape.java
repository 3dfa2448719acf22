package dev.deftchisel.member.parameter;

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
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.source.Range;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Whether an object can be used by others, or by its own methods, before all its fields have their values (JLS 12.5): a
 * value that a field keeps from the start would be missing then.
 */
public final class ConstructionEscape {

    private final AttributedFile code;
    private final TreePath owner;

    /** @param owner the class */
    public ConstructionEscape(AttributedFile code, TreePath owner) {
        this.code = code;
        this.owner = owner;
    }

    /** Where the object gets about too early, or may; empty when it does not. */
    public Optional<Reason> early() {
        return ofSuperclass().or(() -> members()
                .filter(member -> !isStatic(member) && (isInitialiser(member)
                        || member.getLeaf() instanceof MethodTree method && method.getReturnType() == null))
                .flatMap(member -> escape(member).stream())
                .findFirst());
    }

    /** Where initialising the class first runs code that may come back to it (JLS 12.4.2); empty when it runs none. */
    public Optional<Reason> earlyInClass() {
        return members().filter(member -> isStatic(member) && isInitialiser(member))
                .filter(member -> !isEnumConstant(member) || early().isPresent())
                .flatMap(member -> call(member).stream())
                .findFirst();
    }

    private boolean isEnumConstant(TreePath member) {
        return code.element(member).filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT).isPresent();
    }

    /**
     * Where code may run that reads a field before its initialiser has (JLS 12.4.2, 12.5); empty when there is none.
     * What the constructors of the class itself do comes after that.
     */
    public Optional<Reason> before(TreePath field) {
        boolean isStatic = isStatic(field);
        int start = code.range(field.getLeaf()).start();
        return ofSuperclass().or(() -> members()
                .filter(member -> isStatic(member) == isStatic && isInitialiser(member) && code.range(member.getLeaf())
                        .start() < start)
                .flatMap(member -> (isStatic ? call(member) : escape(member)).stream())
                .findFirst());
    }

    /** Whether nobody can tell that the class was initialised (JLS 12.4.1). */
    public boolean isInitialisationSilent() {
        return NamedTypes.is(type().getSuperclass(), "java.lang.Object") && type().getKind() != ElementKind.ENUM
                && members().filter(member -> isStatic(member) && isInitialiser(member))
                .allMatch(this::isQuiet);
    }

    /** Whether an initialiser runs no code that is written in the workspace, and does nothing that can be seen. */
    private boolean isQuiet(TreePath member) {
        if (!(member.getLeaf() instanceof VariableTree variable)) {
            return false;
        }
        boolean makesOwn = Boolean.TRUE.equals(new TreePathScanner<Boolean, Void>() {
            @Override
            public Boolean visitNewClass(NewClassTree tree, Void unused) {
                boolean isOfPlatform = code.element(getCurrentPath())
                        .map(constructor -> String.valueOf(constructor.getEnclosingElement()).startsWith("java."))
                        .orElse(false);
                return !isOfPlatform || tree.getClassBody() != null
                        || Boolean.TRUE.equals(super.visitNewClass(tree, null));
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }.scan(member, null));
        return !makesOwn && (variable.getInitializer() == null
                || code.effects(new TreePath(member, variable.getInitializer())).isPure());
    }

    private TypeElement type() {
        return (TypeElement) code.element(owner).orElseThrow();
    }

    private Optional<Reason> ofSuperclass() {
        TypeElement type = type();
        boolean isOfObject = type.getKind() == ElementKind.ENUM || type.getKind() == ElementKind.INTERFACE
                || NamedTypes.isOneOf(type.getSuperclass(), Set.of("java.lang.Object", "java.lang.Record"));
        return isOfObject ? Optional.empty()
                : reason(owner.getLeaf(), "the constructor of the superclass may call methods before a field has its "
                        + "value");
    }

    private Stream<TreePath> members() {
        return ((ClassTree) owner.getLeaf()).getMembers().stream()
                .filter(member -> code.find(member).isPresent())
                .map(member -> new TreePath(owner, member));
    }

    private static boolean isInitialiser(TreePath member) {
        return member.getLeaf() instanceof BlockTree || member.getLeaf() instanceof VariableTree;
    }

    private boolean isStatic(TreePath member) {
        return member.getLeaf() instanceof BlockTree block ? block.isStatic()
                : code.element(member).filter(element -> element.getModifiers().contains(Modifier.STATIC)).isPresent();
    }

    /** Where the code of a static member calls anything that may come back to the class. */
    private Optional<Reason> call(TreePath member) {
        return isQuiet(member) ? Optional.empty()
                : reason(member.getLeaf(), "the class may be used here before the field has its value");
    }

    /** Where the code of a member calls a method of the object, or passes it to somebody. */
    private Optional<Reason> escape(TreePath member) {
        Tree[] found = {null};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                boolean isThis = tree.getName().contentEquals("this") && !isOnlyHead(getCurrentPath());
                boolean isMethod = code.element(getCurrentPath())
                        .filter(element -> element.getKind() == ElementKind.METHOD && !element.getModifiers()
                                .contains(Modifier.STATIC))
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
        return isField || parent instanceof MethodInvocationTree call && TreePaths.callsConstructor(call);
    }

    private Optional<Reason> reason(Tree tree, String sentence) {
        Range range = code.range(tree);
        return Optional.of(Reason.at(code.file().path(), new Range(range.start(), range.start()), sentence));
    }
}
