package dev.deftchisel.declare;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * A name in an expression that nobody declares.
 *
 * @param code     the file
 * @param path     the name, or what ends with it: {@code berth.dues}
 * @param name     itself
 * @param range    of the name
 * @param isInside whether there is an object of the class around (JLS 8.1.3)
 */
record Missing(Code code, TreePath path, String name, Range range, boolean isInside) {

    /** The one that an offset touches; empty when all is declared there. */
    static Optional<Missing> at(Analysis analysis, Code code, int offset) {
        return analysis.at(code.file().path(), offset).stream()
                .filter(binding -> binding.isNamed() && binding.key() instanceof SymbolKey.Unknown)
                .flatMap(binding -> code.around(binding.range()).stream()
                        .filter(path -> path.getLeaf() instanceof IdentifierTree && code.range(path.getLeaf()).equals(binding.range())
                                || path.getLeaf() instanceof MemberSelectTree && code.range(path.getLeaf()).end() == binding.range().end())
                        .map(path -> new Missing(code, path, code.text(binding.range()), binding.range(),
                                analysis.enclosing(code.file().path(), binding.range().start()).stream().limit(1).noneMatch(Analysis.Enclosing::isStatic))))
                .findFirst();
    }

    /** Other uses of the same name in the file, of the same type and of the same sort: calls or not. */
    List<Missing> others(Analysis analysis) {
        return analysis.unresolved(name).stream()
                .filter(binding -> binding.file().equals(code.file().path()) && !binding.range().equals(range))
                .flatMap(binding -> at(analysis, code, binding.range().start()).stream())
                .filter(other -> other.call().isPresent() == call().isPresent() && other.owner().equals(owner()))
                .toList();
    }

    /** The call, where it is the name of a method. */
    Optional<TreePath> call() {
        TreePath parent = path.getParentPath();
        return parent.getLeaf() instanceof MethodInvocationTree call && call.getMethodSelect() == path.getLeaf()
                ? Optional.of(parent) : Optional.empty();
    }

    /** What it is selected from. */
    Optional<TreePath> object() {
        return path.getLeaf() instanceof MemberSelectTree select ? Optional.of(new TreePath(path, select.getExpression())) : Optional.empty();
    }

    /** Whether it is selected from a type, not from an object. */
    private boolean isOfType() {
        return object().flatMap(code::element).filter(element -> element instanceof TypeElement).isPresent();
    }

    /** The type that must declare it: that of the object, or the one around. */
    Optional<TypeElement> owner() {
        Optional<TreePath> object = object();
        if (object.isEmpty()) {
            return code.enclosingType(path);
        }
        Optional<TypeMirror> type = isOfType() ? object.flatMap(code::element).map(element -> element.asType()) : object.flatMap(code::type);
        return type.filter(one -> one instanceof DeclaredType)
                .map(one -> ((DeclaredType) one).asElement())
                .filter(element -> element instanceof TypeElement)
                .map(element -> (TypeElement) element);
    }

    /** Whether there is no object that it could belong to. */
    boolean isStatic() {
        return isOfType() || object().isEmpty() && !isInside;
    }

    /** The method around it; empty in an initialiser or a lambda's class. */
    Optional<TreePath> method() {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }

    /** The expression that stands for its value: the call, or the name. */
    TreePath value() {
        return call().orElse(path);
    }
}
