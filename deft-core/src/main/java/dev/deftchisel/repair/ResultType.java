package dev.deftchisel.repair;

import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.NamedTypes;
import dev.deftchisel.problem.FixEdits;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Gives a method another result (JLS 8.4.5). */
final class ResultType {

    private ResultType() {
    }

    /**
     * Writes the type, and tells that the method is known by it (JVMS 4.3.3).
     *
     * @param method the path to its declaration
     */
    static void change(FixEdits edits, TreePath method, TypeMirror result) {
        Code code = edits.code();
        String written = result.getKind() == TypeKind.VOID ? "void" : edits.types().write(result).orElse(NamedTypes.shown(result));
        edits.replace(code.range(((MethodTree) method.getLeaf()).getReturnType()), written);
        code.element(method).filter(element -> element instanceof ExecutableElement).ifPresent(element -> {
            StringBuilder descriptor = new StringBuilder("(");
            ((ExecutableElement) element).getParameters().forEach(parameter -> descriptor.append(code.descriptor(parameter.asType())));
            edits.redescribe(code.key(element), descriptor.append(")").append(code.descriptor(result)).toString());
        });
    }
}
