package dev.deftchisel.rule.condition;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Calls;
import dev.deftchisel.analysis.Code;
import javax.lang.model.type.TypeKind;

/** Numbers that say how much there is. */
final class NeverNegative {

    private NeverNegative() {
    }

    static boolean is(Code code, TreePath path) {
        TreePath number = Code.inner(path);
        boolean isLength = number.getLeaf() instanceof MemberSelectTree select && select.getIdentifier().contentEquals("length")
                && code.type(new TreePath(number, select.getExpression())).filter(type -> type.getKind() == TypeKind.ARRAY).isPresent();
        return isLength || Calls.isOf(code, number, "java.util.Collection", "size", 0)
                || Calls.isOf(code, number, "java.util.Map", "size", 0)
                || Calls.isOf(code, number, "java.lang.CharSequence", "length", 0);
    }
}
