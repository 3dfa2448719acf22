package dev.deftchisel.member;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.Tree;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Tokens;
import java.util.List;

/** What stands before the body of a type: its name, and the types above it (JLS 8.1, 9.1). */
public final class SupertypeClause {

    private SupertypeClause() {
    }

    /**
     * Has a type implement one more interface, or an interface extend it.
     *
     * @param type that is above it then, as it is written
     */
    public static Edit implementing(TargetClass target, String type) {
        ClassTree tree = target.tree();
        List<? extends Tree> above = tree.getImplementsClause();
        NewCode text = new NewCode(target.code().file());
        if (!above.isEmpty()) {
            return text.write(", " + type).at(target.code().range(above.get(above.size() - 1)).end());
        }
        Tokens tokens = target.code().tokens();
        int brace = tokens.at(target.body().opening() - 1);
        // a list of permitted types comes last (JLS 8.1.6)
        int behind = tree.getPermitsClause().isEmpty() ? brace
                : tokens.codeBefore(tokens.at(target.code().range(tree.getPermitsClause().get(0)).start()) - 1);
        return text.write((target.type().getKind().isInterface() ? " extends " : " implements ") + type)
                .at(tokens.end(tokens.codeBefore(behind - 1)));
    }
}
