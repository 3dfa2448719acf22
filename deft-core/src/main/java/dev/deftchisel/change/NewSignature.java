package dev.deftchisel.change;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;

/**
 * What becomes of the parameters and the result of a method.
 *
 * @param descriptor that it gets (JVMS 4.3.3)
 * @param origins    for each parameter that it has then the index of the one that it was, {@link #ADDED} for a new one,
 *                   {@link #OBJECT} for the object that it was called on; empty when nobody said, so that what calls
 *                   pass cannot be followed
 * @param object     what it is called on then
 * @param arity      how many arguments its last parameter takes then; empty when that does not change
 * @param components for each new parameter that is a record of others, the index of the ones that they were, in order
 */
public record NewSignature(String descriptor, Optional<List<Integer>> origins, CalledOn object,
        Optional<Arity> arity, Map<Integer, List<Integer>> components) {

    /** Stands for a parameter that was not there. */
    public static final int ADDED = -1;

    /** Stands for a parameter that gets the object on which the method was called. */
    public static final int OBJECT = -2;

    /** How many arguments a call may pass for the last parameter (JLS 8.4.1). */
    public enum Arity {
        /** One. */
        FIXED,
        /** Any number. */
        VARIABLE;

        /** That of a method or constructor. */
        public static Arity of(ExecutableElement method) {
            return method.isVarArgs() ? VARIABLE : FIXED;
        }
    }

    /** What a method is called on after a change (JLS 15.12.4.1). */
    public sealed interface CalledOn {

        /** What it is called on today: an object, or none. */
        record Same() implements CalledOn {
        }

        /** No object: it becomes static. */
        record Nothing() implements CalledOn {
        }

        /**
         * What was passed for a parameter: it was static.
         *
         * @param index of the parameter today
         */
        record Parameter(int index) implements CalledOn {
        }
    }

    /** Other parameters, and the same object or none. */
    public NewSignature(String descriptor, Optional<List<Integer>> origins) {
        this(descriptor, origins, new CalledOn.Same(), Optional.empty(), Map.of());
    }

    /** Copies the list. */
    public NewSignature {
        origins = origins.map(List::copyOf);
        components = Map.copyOf(components);
    }

    /** Other types, of which nobody says where they were. */
    public static NewSignature of(String descriptor) {
        return new NewSignature(descriptor, Optional.empty());
    }

    /** The parameter that is the object then. */
    public Optional<Integer> objectParameter() {
        return object instanceof CalledOn.Parameter parameter ? Optional.of(parameter.index()) : Optional.empty();
    }

    /** Whether each parameter is where it was, and there is none more and none less. */
    public boolean keepsPositions(int before) {
        return origins.filter(all -> all.equals(IntStream.range(0, before).boxed().toList())).isPresent();
    }

    /** The parameters of a descriptor (JVMS 4.3.3). */
    public static List<String> parameters(String descriptor) {
        List<String> found = new ArrayList<>();
        int at = 1;
        while (descriptor.charAt(at) != ')') {
            int start = at;
            while (descriptor.charAt(at) == '[') {
                at++;
            }
            at = descriptor.charAt(at) == 'L' ? descriptor.indexOf(';', at) + 1 : at + 1;
            found.add(descriptor.substring(start, at));
        }
        return found;
    }

    /** Where the parameters of this one were before another change that came first. */
    NewSignature after(NewSignature first) {
        return new NewSignature(descriptor, origins.flatMap(all -> first.origins.map(earlier -> {
            List<Integer> found = new ArrayList<>();
            all.forEach(index -> found.add(index < 0 ? index : earlier.get(index)));
            return found;
        })), object instanceof CalledOn.Same ? first.object : object, arity.or(first::arity),
                components);
    }
}
