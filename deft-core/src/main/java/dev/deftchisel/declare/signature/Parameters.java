package dev.deftchisel.declare.signature;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.declare.inference.FunctionInference;
import dev.deftchisel.declare.inference.TypeSubstitution;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import java.util.ArrayList;
import java.util.Comparator;
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
public record Parameters(List<One> all, Optional<String> objection) {

    /**
     * One of them.
     *
     * @param type     as it is passed
     * @param text     the type as it is written
     * @param name     after the argument
     * @param isVaried whether it takes any number of arguments, as an array (JLS 8.4.1)
     */
    public record One(TypeMirror type, String text, String name, boolean isVaried) {

        One(TypeMirror type, String text, String name) {
            this(type, text, name, false);
        }

        String declared(String before) {
            return before + (isVaried ? text.replaceFirst("\\[]$", "...") : text) + " " + name;
        }
    }

    public Parameters {
        all = List.copyOf(all);
    }

    /**
     * The parameters that a call asks for.
     *
     * @param call      with its arguments
     * @param arguments what it passes
     * @param types     as they are written
     */
    public static Parameters of(AttributedFile code, TreePath call, List<? extends ExpressionTree> arguments,
            UseTypes types) {
        List<One> all = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (ExpressionTree argument : arguments) {
            TreePath path = new TreePath(call, argument);
            Optional<TypeMirror> type = types.of(code, path);
            Optional<String> text = type.flatMap(types::member);
            if (text.isEmpty()) {
                return unknown(code, path);
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

    /** Those of a method that will override it, which sees its type in some way. */
    static Parameters of(ExecutableElement below, TypeSubstitution view, UseTypes types) {
        List<One> all = new ArrayList<>();
        for (VariableElement parameter : below.getParameters()) {
            TypeMirror type = view.declared(parameter.asType());
            Optional<String> text = types.member(type);
            if (text.isEmpty()) {
                return refused("a type of the method that overrides it has no name that could be written");
            }
            all.add(new One(type, text.get(), parameter.getSimpleName().toString()));
        }
        return new Parameters(all, Optional.empty());
    }

    /** Those of some types, named after these. */
    static Parameters named(List<? extends TypeMirror> given, UseTypes types) {
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
     * Those that several calls ask for, the one that is meant first: each takes what all calls pass, where one of
     * them passes the most general. Where calls differ in number, the last one takes what is alike at their ends;
     * if nothing is, the calls with other numbers of arguments are left to another method.
     */
    static Parameters of(List<UnresolvedName> calls, UseTypes types) {
        int fewest = calls.stream().mapToInt(call -> call.arguments().size()).min().orElse(0);
        if (calls.stream().anyMatch(call -> call.arguments().size() != fewest)) {
            List<TypeSubstitution> views = TypeSubstitution.all(calls);
            for (int i = 0; i <= fewest; i++) {
                Optional<TypeMirror> common = ArgumentTypes.from(calls, views, i, types).common();
                Optional<TypeMirror> array = common.map(calls.get(0).code().types()::getArrayType);
                Optional<String> text = array.flatMap(types::member);
                if (text.isPresent()) {
                    return of(calls, i, types).varied(array.get(), text.get(), longest(calls));
                }
            }
        }
        int number = calls.get(0).arguments().size();
        return of(calls.stream().filter(call -> call.arguments().size() == number).toList(), number, types);
    }

    private static UnresolvedName longest(List<UnresolvedName> calls) {
        return calls.stream().max(Comparator.comparing(call -> call.arguments().size())).orElseThrow();
    }

    /** The same with one more that takes any number. */
    private Parameters varied(TypeMirror array, String text, UnresolvedName call) {
        if (objection.isPresent()) {
            return this;
        }
        TreePath argument = new TreePath(call.call().orElseThrow(), call.arguments().get(all.size()));
        String name = NameProposals.many(NameProposals.elsewhere(call.code()).of(argument).get(0));
        List<One> more = new ArrayList<>(all);
        more.add(new One(array, text, NewName.free(all.stream().map(One::name).collect(Collectors.toSet()), name),
                true));
        return new Parameters(more, Optional.empty());
    }

    /** So many of the first. */
    private static Parameters of(List<UnresolvedName> calls, int number, UseTypes types) {
        UnresolvedName first = calls.get(0);
        List<TypeSubstitution> views = TypeSubstitution.all(calls);
        List<One> all = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (int i = 0; i < number; i++) {
            TreePath argument = new TreePath(first.call().orElseThrow(), first.arguments().get(i));
            Optional<TypeMirror> type = ArgumentTypes.of(calls, views, i, types).type();
            Optional<String> text = type.flatMap(types::member);
            if (text.isEmpty()) {
                return unknown(first.code(), argument);
            }
            String name = NewName.free(taken, FunctionInference.isFunction(argument.getLeaf())
                    ? FunctionInference.role(type.get())
                    : NameProposals.elsewhere(first.code()).of(argument).get(0));
            taken.add(name);
            all.add(new One(type.get(), text.get(), name));
        }
        return new Parameters(all, Optional.empty());
    }

    private static Parameters unknown(AttributedFile code, TreePath argument) {
        return refused("the type of '" + code.shown(code.range(argument.getLeaf()), 40)
                + "' is not known; declare what it needs first, or give it a type");
    }

    /** The same, written elsewhere. */
    public Parameters in(UseTypes types) {
        return as(all.stream().map(One::type).toList(), types);
    }

    /** The same of other types, in order. */
    Parameters as(List<TypeMirror> others, UseTypes types) {
        List<One> changed = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            One one = all.get(i);
            changed.add(new One(others.get(i), types.member(others.get(i)).orElse(one.text()), one.name(),
                    one.isVaried()));
        }
        return new Parameters(changed, objection);
    }

    /**
     * As they stand between parentheses.
     *
     * @param before what stands before each type
     */
    public String declared(String before) {
        return all.stream().map(one -> one.declared(before)).collect(Collectors.joining(", "));
    }
}
