package dev.deftchisel.analysis.code;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import javax.lang.model.element.Modifier;

/**
 * Where there is no {@code this}: static methods, static initialisers, initialisers of static fields, and calls of
 * another constructor (JLS 8.1.3, 8.8.7.1).
 */
public final class StaticContexts {

    private StaticContexts() {
    }

    /** Whether code within this tree has no current object of the class the tree is a member of. */
    public static boolean opens(Tree member) {
        if (member instanceof MethodInvocationTree call) {
            return TreePaths.callsConstructor(call);
        }
        if (member instanceof BlockTree block) {
            return block.isStatic();
        }
        ModifiersTree modifiers;
        if (member instanceof MethodTree method) {
            modifiers = method.getModifiers();
        } else if (member instanceof VariableTree variable) {
            modifiers = variable.getModifiers();
        } else {
            modifiers = null;
        }
        return modifiers != null && modifiers.getFlags().contains(Modifier.STATIC);
    }
}
