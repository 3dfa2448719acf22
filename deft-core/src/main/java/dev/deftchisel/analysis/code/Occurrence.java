package dev.deftchisel.analysis.code;

import com.sun.source.util.TreePath;
import javax.lang.model.element.VariableElement;

/**
 * A place where a local variable, parameter or pattern binding stands.
 *
 * @param variable which
 * @param path     the name, or the declaration
 * @param offset   of the name or declaration in the text
 * @param access   what happens to it
 */
public record Occurrence(VariableElement variable, TreePath path, int offset, Access access) {

    /** What happens to a variable. */
    public enum Access {
        /** It is declared, with a first value where it has one. */
        DECLARED,
        /** Its value is needed. */
        READ,
        /** It gets another value. */
        WRITTEN,
        /** It gets another value that depends on the one it has. */
        CHANGED
    }

    /** Whether the value that it has makes a difference. */
    public boolean isRead() {
        return access == Access.READ || access == Access.CHANGED;
    }

    /** Whether it gets another value. */
    public boolean isWritten() {
        return access == Access.WRITTEN || access == Access.CHANGED;
    }
}
