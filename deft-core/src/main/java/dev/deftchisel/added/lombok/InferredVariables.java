package dev.deftchisel.added.lombok;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.added.AnnotatedType;
import dev.deftchisel.source.outline.Insertion;
import java.util.ArrayList;
import java.util.List;

/**
 * Local variables declared with {@code val}: final, with the type of their value. The compiler is shown
 * {@code final @val var}, so that the import still means something.
 */
final class InferredVariables {

    private static final String NAME = "lombok.val";
    /** The first language with {@code var} (JLS 14.4, JEP 286). */
    private static final int FIRST = 10;

    private InferredVariables() {
    }

    /** What is to be inserted in the bodies of a type, without those of types in it. */
    static List<Insertion> in(AnnotatedType type) {
        List<Insertion> insertions = new ArrayList<>();
        boolean isImported = type.unit().getImports().stream().map(ImportTree::getQualifiedIdentifier)
                .map(Object::toString)
                .anyMatch(name -> name.equals(NAME) || name.equals("lombok.*"));
        if (type.file().module().level() >= FIRST && (isImported || type.file().content().contains(NAME))) {
            TreeScanner<Void, Void> scanner = new TreeScanner<>() {
                @Override
                public Void visitClass(ClassTree nested, Void unused) {
                    return null;
                }

                @Override
                public Void visitVariable(VariableTree variable, Void unused) {
                    Tree said = variable.getType();
                    if (said != null && (said.toString().equals(NAME) || isImported && said.toString().equals("val"))) {
                        insertions.add(new Insertion(type.range(said).start(), "final @", false));
                        insertions.add(new Insertion(type.range(said).end(), " var", false));
                    }
                    return super.visitVariable(variable, null);
                }
            };
            type.tree().getMembers().stream().filter(member -> !(member instanceof ClassTree))
                    .forEach(member -> scanner.scan(member, null));
        }
        return insertions;
    }
}
