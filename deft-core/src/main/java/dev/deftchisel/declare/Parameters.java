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
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
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

    /** None, for a reason. */
    static Parameters refused(String objection) {
        return new Parameters(List.of(), Optional.of(objection));
    }

    /** Those of a method that will override it. */
    static Parameters of(ExecutableElement below, Types types) {
        List<One> all = new ArrayList<>();
        for (VariableElement parameter : below.getParameters()) {
            Optional<String> text = types.member(parameter.asType());
            if (text.isEmpty()) {
                return refused("a type of the method that overrides it has no name that could be written");
            }
            all.add(new One(parameter.asType(), text.get(), parameter.getSimpleName().toString()));
        }
        return new Parameters(all, Optional.empty());
    }

    /** Those of some types, named after these. */
    static Parameters named(List<? extends TypeMirror> given, Types types) {
        List<One> all = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (TypeMirror type : given) {
            Optional<String> text = types.member(type);
            if (text.isEmpty()) {
                return refused("a type of the function has no name that could be written");
            }
            String name = NewName.free(taken, NameProposals.ofType(type));
            taken.add(name);
            all.add(new One(type, text.get(), name));
        }
        return new Parameters(all, Optional.empty());
    }

    /**
     * Those that several calls ask for, the one that is meant first: each takes what all calls with as many arguments hand over,
     * where one of them hands over the most general.
     */
    static Parameters of(List<Missing> calls, Types types) {
        Missing first = calls.get(0);
        Parameters own = of(first.code(), first.path().getParentPath(), first.arguments(), types);
        if (own.objection().isPresent()) {
            return own;
        }
        List<Missing> others = calls.stream().skip(1).filter(call -> call.arguments().size() == first.arguments().size()).toList();
        List<One> all = new ArrayList<>();
        for (int i = 0; i < own.all().size(); i++) {
            One one = own.all().get(i);
            List<TypeMirror> handed = new ArrayList<>(List.of(one.type()));
            for (Missing call : others) {
                types.of(call.code(), new TreePath(call.call().orElseThrow(), call.arguments().get(i))).ifPresent(handed::add);
            }
            TypeMirror type = new General(first.code()).of(handed);
            all.add(new One(type, types.member(type).orElse(one.text()), one.name()));
        }
        return new Parameters(all, Optional.empty());
    }

    /** The same, written elsewhere. */
    Parameters in(Types types) {
        return as(all.stream().map(One::type).toList(), types);
    }

    /** The same of other types, in order. */
    Parameters as(List<TypeMirror> others, Types types) {
        List<One> changed = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            changed.add(new One(others.get(i), types.member(others.get(i)).orElse(all.get(i).text()), all.get(i).name()));
        }
        return new Parameters(changed, objection);
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
