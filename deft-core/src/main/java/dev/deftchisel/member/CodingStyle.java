package dev.deftchisel.member;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import java.util.List;
import javax.lang.model.element.Modifier;

/**
 * What a type does elsewhere, so that new members look like the others.
 *
 * @param hasFinalParameters whether all parameters of its methods are declared {@code final}
 */
public record CodingStyle(boolean hasFinalParameters) {

    public static CodingStyle of(TargetClass target) {
        List<? extends VariableTree> parameters = target.members().stream()
                .filter(member -> member instanceof MethodTree)
                .flatMap(member -> ((MethodTree) member).getParameters().stream())
                .filter(parameter -> target.code().find(parameter).isPresent())
                .toList();
        return new CodingStyle(!parameters.isEmpty() && parameters.stream()
                .allMatch(parameter -> parameter.getModifiers().getFlags().contains(Modifier.FINAL)));
    }

    /** What stands before the type of a parameter. */
    public String parameter() {
        return hasFinalParameters ? "final " : "";
    }
}
