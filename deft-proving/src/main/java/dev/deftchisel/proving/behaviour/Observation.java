package dev.deftchisel.proving.behaviour;

import java.lang.reflect.Array;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What a call could be seen to do.
 *
 * @param arguments before it, for people
 * @param result    what came back, or the exception
 * @param printed   on the way
 * @param calls     of functions that it was given, in order
 * @param after     what became of the arguments
 */
record Observation(String arguments, String result, String printed, List<String> calls, String after) {

    private static final int MOST_DEPTH = 3;

    /** How it looks in a message. */
    String shown() {
        return result + (printed.isEmpty() ? "" : ", printed " + printed.strip())
                + (calls.isEmpty() ? "" : ", called " + calls) + ", then " + after;
    }

    /**
     * A value with all that can be asked of it: numbers to the bit, functions by what they do, objects that were told
     * by their place.
     */
    static String render(Object value, Object[] told) {
        return render(value, told, 0);
    }

    private static String render(Object value, Object[] told, int depth) {
        if (value == null) {
            return "null";
        } else if (depth > MOST_DEPTH) {
            return "...";
        }
        Optional<String> same = IntStream.range(0, told.length)
                .filter(i -> told[i] == value && !(value instanceof Boolean)
                && !(value instanceof Character)).mapToObj(i -> "#" + i).findFirst();
        String suffix = depth == 0 ? same.orElse("") : "";
        if (value instanceof Double number) {
            return Double.toString(number) + "d" + (number == 0 ? Long.toHexString(Double.doubleToRawLongBits(number))
                    : "");
        } else if (value instanceof Number || value instanceof Character || value instanceof Boolean) {
            return value.getClass().getSimpleName() + " " + value
                    + (value instanceof Integer i && i > 127 ? suffix : "");
        } else if (value instanceof CharSequence) {
            return "\"" + value + "\"" + (value instanceof String ? suffix : "");
        } else if (value.getClass().isArray()) {
            return IntStream.range(0, Array.getLength(value))
                    .mapToObj(i -> render(Array.get(value, i), told, depth + 1))
                    .collect(Collectors.joining(",", "[", "]"));
        } else if (value instanceof Collection<?> all) {
            return all.stream().map(one -> render(one, told, depth + 1)).collect(Collectors.joining(",", "(", ")"));
        } else if (value instanceof Map<?, ?> || value instanceof Optional<?> || value instanceof Enum<?>
                || value instanceof Throwable) {
            return value.getClass().getSimpleName() + (value instanceof Throwable ? "" : " " + value);
        }
        return same.orElseGet(() -> function(value, told, depth));
    }

    /** What a function gives for some values. */
    private static String function(Object value, Object[] told, int depth) {
        Optional<Method> method = Arrays.stream(value.getClass().getInterfaces())
                .filter(type -> type.getName().startsWith("java.util.function.") || type == Runnable.class)
                .flatMap(type -> Arrays.stream(type.getMethods()))
                .filter(one -> Modifier.isAbstract(one.getModifiers())).findFirst();
        if (method.isEmpty() || java.lang.reflect.Proxy.isProxyClass(value.getClass())) {
            return value.getClass().isSynthetic() || value.getClass().isAnonymousClass() ? "object" : value.getClass()
                    .getSimpleName();
        }
        StringBuilder results = new StringBuilder(method.get().getName());
        ArgumentValues values = new ArgumentValues(new java.util.ArrayList<>());
        for (int i = 0; i < 5; i++) {
            int number = i;
            Object[] arguments = Arrays.stream(method.get().getParameterTypes())
                    .map(type -> type == Object.class && number % 2 == 1 ? "t".repeat(number)
                            : values.value(type, number)).toArray();
            try {
                results.append(' ').append(render(method.get().invoke(value, arguments), told, depth + 1));
            } catch (java.lang.reflect.InvocationTargetException thrown) {
                results.append(' ').append(thrown.getCause().getClass().getSimpleName());
            } catch (ReflectiveOperationException impossible) {
                results.append(" ?");
            }
        }
        return results.toString();
    }
}
