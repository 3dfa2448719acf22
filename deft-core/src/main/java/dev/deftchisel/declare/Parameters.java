package dev.deftchisel.declare;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeMirror;

/**
 * What takes the arguments of a call.
 *
 * @param all       in order
 * @param objection why they cannot be told, when they can't
 */
record Parameters(List<One> all, Optional<String> objection) {

    /**
     * One of them.
     *
     * @param type  as it is handed over
     * @param text  the type as it is written
     * @param name  after the argument
     */
    record One(TypeMirror type, String text, String name) {

        String declared(String before) {
            return before + text + " " + name;
        }
    }

    Parameters {
        all = List.copyOf(all);
    }

    /**
     * The parameters that a call asks for.
     *
     * @param call      with its arguments
     * @param arguments what it hands over
     * @param types     as they are written
     */
    static Parameters of(Code code, TreePath call, List<? extends ExpressionTree> arguments, Types types) {
        List<One> all = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (ExpressionTree argument : arguments) {
            TreePath path = new TreePath(call, argument);
            Optional<TypeMirror> type = types.of(code, path);
            Optional<String> text = type.flatMap(types::member);
            if (text.isEmpty()) {
                return new Parameters(List.of(), Optional.of("the type of '" + code.shown(code.range(argument), 40)
                        + "' is not known; declare what it needs first, or give it a type"));
            }
            String name = NewName.free(taken, NameProposals.elsewhere(code).of(path).get(0));
            taken.add(name);
            all.add(new One(type.get(), text.get(), name));
        }
        return new Parameters(all, Optional.empty());
    }

    /** Those of a function, named after their types. */
    static Parameters of(ExecutableType function, Types types) {
        List<One> all = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (TypeMirror type : function.getParameterTypes()) {
            Optional<String> text = types.member(type);
            if (text.isEmpty()) {
                return new Parameters(List.of(), Optional.of("a type of the function has no name that could be written"));
            }
            String name = NewName.free(taken, NameProposals.ofType(type));
            taken.add(name);
            all.add(new One(type, text.get(), name));
        }
        return new Parameters(all, Optional.empty());
    }

    /**
     * As they stand between parentheses.
     *
     * @param before what stands before each type
     */
    String declared(String before) {
        return all.stream().map(one -> one.declared(before)).collect(Collectors.joining(", "));
    }
}
