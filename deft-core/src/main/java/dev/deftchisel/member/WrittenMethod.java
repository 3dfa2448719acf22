package dev.deftchisel.member;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Range;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * A method or constructor with a body, as it is written.
 *
 * @param path its declaration
 */
public record WrittenMethod(AttributedFile code, TreePath path) {

    /** The one in whose head a place is, up to the brace of its body. */
    public static Optional<WrittenMethod> atHead(AttributedFile code, Range place) {
        return code.around(place).stream()
                .filter(path -> path.getLeaf() instanceof MethodTree && path.getParentPath()
                        .getLeaf() instanceof ClassTree)
                .findFirst()
                .filter(path -> ((MethodTree) path.getLeaf()).getBody() != null)
                .map(path -> new WrittenMethod(code, path))
                .filter(method -> code.find(method.tree().getBody()).filter(body -> place.end() <= body.start() + 1)
                        .isPresent());
    }

    /** Its declaration. */
    public MethodTree tree() {
        return (MethodTree) path.getLeaf();
    }

    /** Of some of its parameters those that are meant by default: the one at a place, or all. */
    public List<String> meant(Collection<String> names, Range place) {
        List<String> at = tree().getParameters().stream()
                .filter(parameter -> code.range(parameter).encloses(place))
                .map(parameter -> parameter.getName().toString())
                .filter(names::contains).toList();
        return at.isEmpty() ? List.copyOf(names) : at;
    }

    /** The statements of the body, without the call of the constructor above that the compiler adds (JLS 8.8.7). */
    public List<? extends StatementTree> statements() {
        return tree().getBody().getStatements().stream().filter(one -> code.find(one).isPresent()).toList();
    }
}
