package dev.deftchisel.guard.retyped;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import javax.lang.model.element.ExecutableElement;

/**
 * A variable that gets another type.
 *
 * @param from     its erased type before (JVMS 4.3.2)
 * @param to       and afterwards
 * @param isPacked whether what was passed becomes an element of an array (JLS 15.12.4.2)
 */
record Retyped(String from, String to, boolean isPacked) {

    /**
     * Whether a reference (JLS 15.13.2) would pass something else for the method that it stands for, when it gets a
     * value of the other type: an array, or another box of a number.
     */
    boolean passesAnother(AttributedFile code, TreePath reference) {
        return isPacked || isNumber() && code.element(reference).filter(ExecutableElement.class::isInstance)
                .map(ExecutableElement.class::cast).filter(method -> !method.isVarArgs() && method.getParameters()
                        .stream().allMatch(parameter -> parameter.asType().getKind().isPrimitive())).isEmpty();
    }

    /** Whether both are primitive types. */
    boolean isNumber() {
        return from.length() == 1 && to.length() == 1;
    }
}
