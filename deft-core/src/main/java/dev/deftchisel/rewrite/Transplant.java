package dev.deftchisel.rewrite;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Range;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Writes the names in a piece of code so that they mean in another class, or another file, what they mean where it
 * stands: members of its object with that object before them, static members with their class, types with an import.
 */
public final class Transplant {

    private final AttributedFile from;
    private final AttributedFile to;
    private final TreePath place;
    private final TypeWriter writer;
    private final Consumer<NewCode> object;
    private final SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
    /** The names of the variables there; looked for when first asked. */
    private Set<String> hiding;

    /**
     * @param from   where the code stands
     * @param to     where it is to stand
     * @param place  in whose place there
     * @param writer of types there
     * @param object writes the object that is {@code this} in the code
     */
    public Transplant(AttributedFile from, AttributedFile to, TreePath place, TypeWriter writer,
            Consumer<NewCode> object) {
        this.from = from;
        this.to = to;
        this.place = place;
        this.writer = writer;
        this.object = object;
    }

    /**
     * The names that are written otherwise.
     *
     * @param isObjectWritten whether {@code object} writes something
     */
    public SortedMap<Range, Consumer<NewCode>> names(List<TreePath> parts, boolean isObjectWritten) {
        for (TreePath part : parts) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitIdentifier(IdentifierTree tree, Void unused) {
                    // what the compiler adds, such as the constructor of an anonymous class, has no place
                    from.find(tree).flatMap(range -> from.element(getCurrentPath()))
                            .ifPresent(element -> name(getCurrentPath(), tree, element, isObjectWritten, part));
                    return null;
                }
            }.scan(part, null);
        }
        return instead;
    }

    private void name(TreePath path, IdentifierTree tree, Element element, boolean isObjectWritten, TreePath part) {
        Range range = from.range(tree);
        boolean isMember = element.getKind().isField() || element.getKind() == ElementKind.METHOD;
        if (tree.getName().contentEquals("this")) {
            if (isObjectWritten && !isWithinClass(path, part, null)) {
                instead.put(range, object);
            } else if (!isObjectWritten && !isSameClass(path)) {
                before(range, text -> text.write(writer.name(from.enclosingType(part).orElseThrow()) + "."));
            }
        } else if (isMember && !element.getModifiers().contains(Modifier.STATIC)) {
            if (isObjectWritten && !isWithinClass(path, part, element)) {
                before(range, text -> {
                    object.accept(text);
                    text.write(".");
                });
            } else if (!isObjectWritten && isHidden(element) && isSameClass(path)) {
                before(range, text -> text.write("this."));
            }
        } else if (isMember && element.getEnclosingElement() instanceof TypeElement owner && !isLabel(path, element)
                && !isWithinClass(path, part, element)
                && (isHidden(element) || !isMemberThere(owner) && !isImportedThere(element))) {
            String name = writer.name(owner);
            before(range, text -> text.write(name + "."));
        } else if (element instanceof TypeElement type) {
            type(range, type);
        }
    }

    /** Whether a variable of the body there bears the name of a field. */
    private boolean isHidden(Element member) {
        if (hiding == null) {
            hiding = new HashSet<>();
            for (TreePath at = place; at != null; at = at.getParentPath()) {
                if (at.getLeaf() instanceof MethodTree || at.getLeaf() instanceof LambdaExpressionTree) {
                    to.occurrences(at).forEach(one -> hiding.add(one.variable().getSimpleName().toString()));
                }
            }
        }
        return member.getKind().isField() && hiding.contains(member.getSimpleName().toString());
    }

    private void before(Range range, Consumer<NewCode> prefix) {
        instead.put(new Range(range.start(), range.start()), prefix);
    }

    private void type(Range range, TypeElement type) {
        boolean isLocal = !type.getEnclosingElement().getKind().isClass() && !type.getEnclosingElement().getKind()
                .isInterface()
                && type.getEnclosingElement().getKind() != ElementKind.PACKAGE;
        if (!isLocal) {
            String name = name(type);
            if (!name.equals(from.text(range))) {
                instead.put(range, text -> text.write(name));
            }
        }
    }

    /** A type of the same file keeps its name where it is a member of a class around. */
    private String name(TypeElement type) {
        boolean isNear = type.getEnclosingElement() instanceof TypeElement owner && isMemberThere(owner);
        if (!isSameFile()) {
            return writer.name(type);
        }
        return type.getEnclosingElement() instanceof TypeElement owner && !isNear && isDeclaredHere(type)
                ? name(owner) + "." + type.getSimpleName() : type.getSimpleName().toString();
    }

    private boolean isDeclaredHere(TypeElement type) {
        return from.file().outline().types().stream()
                .anyMatch(sketch -> from.file().outline().qualifiedName(sketch).contentEquals(type.getQualifiedName()));
    }

    private boolean isSameFile() {
        return from.file().path().equals(to.file().path());
    }

    private boolean isSameClass(TreePath path) {
        return from.enclosingType(path).equals(to.enclosingType(place));
    }

    /** Whether a name stands in a class within the code, and belongs to that. */
    private boolean isWithinClass(TreePath path, TreePath part, Element member) {
        for (TreePath at = path; at.getLeaf() != part.getLeaf(); at = at.getParentPath()) {
            if (at.getLeaf() instanceof ClassTree && (member == null || from.element(at)
                    .filter(type -> type instanceof TypeElement own
                            && isInherited(own, (TypeElement) member.getEnclosingElement()))
                    .isPresent())) {
                return true;
            }
        }
        return false;
    }

    private boolean isInherited(TypeElement type, TypeElement owner) {
        return from.isKind(type.asType(), owner.asType());
    }

    /** Whether a static member of a class, or a type in it, can be named there without it. */
    private boolean isMemberThere(TypeElement owner) {
        for (TreePath at = place; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof ClassTree && to.element(at)
                    .filter(type -> type instanceof TypeElement own && isInherited(own, owner)).isPresent()) {
                return true;
            }
        }
        return false;
    }

    private boolean isImportedThere(Element member) {
        return to.file().outline().imports().stream().anyMatch(line -> line.isStatic() && !line.isOnDemand()
                && line.simpleName().contentEquals(member.getSimpleName())
                && line.name().equals(((TypeElement) member.getEnclosingElement()).getQualifiedName() + "."
                        + member.getSimpleName()));
    }

    /** The constants of an enum are labels by their simple names only (JLS 14.11.1). */
    private static boolean isLabel(TreePath path, Element element) {
        Tree parent = path.getParentPath().getLeaf();
        return element.getKind() == ElementKind.ENUM_CONSTANT
                && (parent instanceof CaseTree || parent.getKind().name().endsWith("CASE_LABEL"));
    }
}
