package dev.deftchisel.repair;

import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import java.util.LinkedHashSet;
import java.util.Set;
import javax.lang.model.element.TypeElement;

/** The types that a file declares, at the top, within others and in methods. */
public final class FileTypes {

    private FileTypes() {
    }

    /** All of them in the order of the text; the set may be added to. */
    public static Set<TypeElement> of(AttributedFile code) {
        Set<TypeElement> types = new LinkedHashSet<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitClass(ClassTree tree, Void unused) {
                code.element(getCurrentPath()).filter(element -> element instanceof TypeElement)
                        .ifPresent(element -> types.add((TypeElement) element));
                return super.visitClass(tree, null);
            }
        }.scan(new TreePath(code.unit()), null);
        return types;
    }
}
