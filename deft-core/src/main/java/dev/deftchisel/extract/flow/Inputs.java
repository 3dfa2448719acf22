package dev.deftchisel.extract.flow;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;

/**
 * What is passed to a new method.
 *
 * @param variables of the body around the fragment, in order
 * @param varied    values of the fragment in whose place its twins have others
 * @param names     the variables that get another name in the method
 */
public record Inputs(List<Flow.Variable> variables, List<Varied> varied, Map<Element, String> names) {

    /**
     * A value that is another in each twin.
     *
     * @param name   of the parameter
     * @param type   as it is written
     * @param places where it stands in the fragment
     */
    public record Varied(String name, String type, List<Range> places) {
    }

    /** Copies the lists. */
    public Inputs {
        variables = List.copyOf(variables);
        varied = List.copyOf(varied);
        names = Map.copyOf(names);
    }

    /** What is passed, in the order of the variables and by their names. */
    Inputs(List<Flow.Variable> variables, List<Varied> varied) {
        this(variables, varied, Map.of());
    }

    /**
     * What keeps a wish from being fulfilled.
     *
     * @param wish names of variables in order, each with a new name after a colon if it is to have one
     */
    public Optional<String> objection(String wish, Set<String> taken, int level) {
        Set<String> given = new HashSet<>();
        for (String part : parts(wish)) {
            String old = part.split(":", 2)[0].strip();
            Optional<Flow.Variable> variable = variables.stream().filter(one -> one.name().equals(old)).findFirst();
            if (variable.isEmpty() || !given.add(old)) {
                return Optional.of("'" + old + "' is not one of the parameters that are left: " + variables.stream()
                        .map(Flow.Variable::name).filter(name -> !given.contains(name))
                        .collect(Collectors.joining(", ")));
            }
            String name = newName(part);
            Optional<String> illegal = new NewName(name, SymbolKind.PARAMETER, level).objection();
            if (illegal.isPresent()) {
                return illegal;
            } else if (!name.equals(old) && (taken.contains(name) || !given.add(name))) {
                return Optional.of("'" + name + "' is a name in this file already; choose another for '" + old + "'");
            } else if (!name.equals(old) && variable.get().isWritten()) {
                return Optional.of("'" + old + "' gets another value in the code; rename it afterwards");
            }
        }
        return Optional.empty();
    }

    /** The same as it is wished: those that are named first, the others after them. */
    public Inputs arranged(String wish) {
        List<Flow.Variable> order = new ArrayList<>();
        Map<Element, String> renamed = new HashMap<>();
        for (String part : parts(wish)) {
            String old = part.split(":", 2)[0].strip();
            variables.stream().filter(one -> one.name().equals(old)).forEach(one -> {
                order.add(one);
                if (!newName(part).equals(old)) {
                    renamed.put(one.element(), newName(part));
                }
            });
        }
        variables.stream().filter(one -> !order.contains(one)).forEach(order::add);
        return new Inputs(order, varied, renamed);
    }

    private static List<String> parts(String wish) {
        return wish.isBlank() ? List.of() : List.of(wish.split(","));
    }

    private static String newName(String part) {
        String[] names = part.split(":", 2);
        return names[names.length - 1].strip();
    }

    /** The same code is passed where the fragment was. */
    public List<Range> arguments(AttributedFile code) {
        List<Range> arguments = new ArrayList<>();
        variables.forEach(input -> arguments.add(code.range(input.first().path().getLeaf())));
        varied.forEach(value -> arguments.add(value.places().get(0)));
        return arguments;
    }

    /** What need not be passed again. */
    public List<DuplicateClaim> alike() {
        return varied.stream()
                .flatMap(value -> value.places().stream().skip(1)
                        .map(place -> new DuplicateClaim(place, value.places().get(0))))
                .toList();
    }
}
