package dev.deftchisel.member;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Tokens;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/**
 * What stands between the braces of a type.
 *
 * @param code  its file
 * @param owner the type
 */
public record TypeBody(AttributedFile code, TreePath owner) {

    private ClassTree tree() {
        return (ClassTree) owner.getLeaf();
    }

    /** The members in the text; the components of a record stand before its body (JLS 8.10.1). */
    public List<Tree> members() {
        return tree().getMembers().stream().filter(member -> code.find(member).isPresent() && !isComponent(member))
                .map(member -> (Tree) member).toList();
    }

    private boolean isComponent(Tree member) {
        return member instanceof VariableTree && code.element(owner)
                .filter(type -> type.getKind() == ElementKind.RECORD).isPresent()
                && code.element(new TreePath(owner, member))
                .filter(field -> !field.getModifiers().contains(Modifier.STATIC)).isPresent();
    }

    /** The last of the members at the start that are of a sort. */
    public Optional<Tree> lastAtStart(Predicate<Tree> belongs) {
        return members().stream().takeWhile(belongs).reduce((one, other) -> other);
    }

    /** After the brace that opens it. */
    public int opening() {
        Tokens tokens = code.tokens();
        int limit = members().stream().findFirst().map(member -> code.range(member).start())
                .orElse(code.range(tree()).end());
        int brace = tokens.codeBefore(tokens.at(limit - 1));
        while (!tokens.is(brace, '{')) {
            brace = tokens.codeBefore(brace - 1);
        }
        return tokens.end(brace);
    }
}
