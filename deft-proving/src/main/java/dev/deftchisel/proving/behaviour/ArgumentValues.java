package dev.deftchisel.proving.behaviour;

import java.lang.reflect.Array;
import java.lang.reflect.Constructor;
import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Proxy;
import java.lang.reflect.Type;
import java.lang.reflect.TypeVariable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Values for parameters, the same for the same number in whatever class loader. */
final class ArgumentValues {

    private static final int MOST_DEPTH = 2;
    private static final Map<Class<?>, List<Object>> PLAIN = Map.of(
            int.class, List.of(0, 1, -1, 3, Integer.MAX_VALUE, Integer.MIN_VALUE, 2),
            long.class, List.of(0L, 1L, -1L, 1L << 40, Long.MIN_VALUE, Long.MAX_VALUE),
            double.class, List.of(0.0, -0.0, 1.0, Double.NaN, 3.5, Double.POSITIVE_INFINITY, -1.5),
            float.class, List.of(0f, -0f, 1f, Float.NaN, 3.5f, Float.NEGATIVE_INFINITY),
            boolean.class, List.of(true, false),
            byte.class, List.of((byte) 0, Byte.MAX_VALUE, Byte.MIN_VALUE),
            short.class, List.of((short) 0, Short.MAX_VALUE, (short) -1),
            char.class, List.of('a', 'b', '0', Character.MAX_VALUE));
    private static final List<Class<?>> BOXES = List.of(Integer.class, Long.class, Double.class, Float.class,
            Boolean.class, Byte.class,
            Short.class, Character.class);
    private static final List<Class<?>> PRIMITIVES = List.of(int.class, long.class, double.class, float.class,
            boolean.class, byte.class,
            short.class, char.class);
    private static final int OF_OBJECT = 8;
    private static final int OF_TEXT = 5;

    private final List<String> record;

    /** @param record to which functions note their calls */
    ArgumentValues(List<String> record) {
        this.record = record;
    }

    /** How many values there are of a type. */
    static int count(Class<?> type) {
        if (type.isPrimitive()) {
            return PLAIN.getOrDefault(type, List.of(0)).size();
        }
        if (BOXES.contains(type)) {
            return PLAIN.get(PRIMITIVES.get(BOXES.indexOf(type))).size() + 3;
        }
        if (type == String.class || type == CharSequence.class) {
            return OF_TEXT;
        }
        return type.isArray() ? 5 : OF_OBJECT;
    }

    /** One of them; null among them for whatever is no primitive. */
    Object value(Type type, int number) {
        return value(type, number, 0);
    }

    private Object value(Type generic, int number, int depth) {
        Class<?> type = raw(generic);
        int variant = Math.floorMod(number, count(type));
        if (type.isPrimitive()) {
            return PLAIN.getOrDefault(type, List.of(0)).get(variant);
        } else if (variant == 0) {
            return null;
        } else if (BOXES.contains(type)) {
            return box(type, variant - 1);
        } else if (type == String.class || type == CharSequence.class) {
            return new String(new String[] {"", "a", "abc",
                    "harbour 12"}[variant - 1]); // deft: accept redundant-new-string (not the literal)
        } else if (type == Object.class || type == Number.class || type == Comparable.class) {
            return object(type, variant);
        } else if (type.isArray()) {
            return array(type, variant, depth);
        } else if (List.class == type || java.util.Collection.class == type || Iterable.class == type) {
            return new ArrayList<>(elements(generic, variant, depth));
        } else if (java.util.Set.class == type) {
            return new LinkedHashSet<>(elements(generic, variant, depth));
        } else if (Map.class == type) {
            Map<Object, Object> map = new LinkedHashMap<>();
            elements(generic, variant, depth).forEach(key -> map.put(key, 1));
            return map;
        } else if (type == Optional.class) {
            return variant % 2 == 0 ? Optional.empty()
                    : Optional.ofNullable(value(argument(generic, 0), variant, depth + 1));
        } else if (type == StringBuilder.class) {
            return new StringBuilder("b".repeat(variant % 3));
        } else if (type.isInterface()) {
            return function(type, generic, variant, depth);
        } else if (type.isEnum()) {
            Object[] constants = type.getEnumConstants();
            return constants.length == 0 ? null : constants[variant % constants.length];
        }
        return depth < MOST_DEPTH ? made(type, variant, depth) : null;
    }

    private static Class<?> raw(Type type) {
        if (type instanceof Class<?> plain) {
            return plain;
        }
        if (type instanceof ParameterizedType generic) {
            return (Class<?>) generic.getRawType();
        }
        return type instanceof java.lang.reflect.GenericArrayType array
                ? Array.newInstance(raw(array.getGenericComponentType()), 0).getClass() : Object.class;
    }

    private static Type argument(Type generic, int index) {
        return generic instanceof ParameterizedType type && index < type.getActualTypeArguments().length
                ? type.getActualTypeArguments()[index]
                : Object.class;
    }

    private static Object box(Class<?> type, int variant) {
        List<Object> plain = PLAIN.get(PRIMITIVES.get(BOXES.indexOf(type)));
        if (variant < plain.size()) {
            return plain.get(variant);
        }
        // boxes that are equal and not the same
        if (type == Integer.class) {
            return Integer.valueOf(100_000 + 0 * variant);
        }
        return type == Long.class ? Long.valueOf(100_000L) : plain.get(0);
    }

    private static Object object(Class<?> type, int variant) {
        List<Object> all = type == Number.class ? List.of(1, 2.5, 3L, -0.0, 100_000, Double.NaN, 7f)
                : List.of("a", 3, 2.5, new String("abc"), 'c', Boolean.FALSE,
                        100_000); // deft: accept redundant-new-string (not the literal)
        return all.get((variant - 1) % all.size());
    }

    private Object array(Class<?> type, int variant, int depth) {
        int length = variant - 1;
        Object array = Array.newInstance(type.getComponentType(), length);
        for (int i = 0; i < length; i++) {
            Object element = depth < MOST_DEPTH ? value(type.getComponentType(),
                    i + (type.getComponentType().isPrimitive() ? 1 : i), depth + 1) : null;
            if (element != null) {
                Array.set(array, i, element);
            }
        }
        return array;
    }

    private List<Object> elements(Type generic, int variant, int depth) {
        return IntStream.range(0, variant - 1).limit(4)
                .mapToObj(i -> depth < MOST_DEPTH ? value(argument(generic, 0), variant > 5 ? i : i + 1, depth + 1)
                        : null)
                .collect(ArrayList::new, List::add, List::addAll);
    }

    /** An object that notes each call and gives one value after the other. */
    private Object function(Class<?> type, Type generic, int variant, int depth) {
        int[] calls = {0};
        return Proxy.newProxyInstance(type.getClassLoader() == null ? getClass().getClassLoader()
                : type.getClassLoader(), new Class<?>[] {type},
                (proxy, method, arguments) -> {
                    if (method.getDeclaringClass() == Object.class) {
                        if (method.getName().equals("equals")) {
                            return proxy == arguments[0];
                        }
                        return method.getName().equals("hashCode") ? variant : type.getSimpleName() + variant;
                    }
                    record.add(type.getSimpleName() + "." + method.getName() + Arrays.toString(arguments));
                    Type result = method.getGenericReturnType();
                    if (result instanceof TypeVariable<?> variable) {
                        int index = Arrays.asList(type.getTypeParameters()).indexOf(variable);
                        result = index < 0 ? Object.class : argument(generic, index);
                    }
                    return method.getReturnType() == void.class || depth > MOST_DEPTH ? null
                            : value(result, variant + calls[0]++, depth + 1);
                });
    }

    /** An object of a class, by its constructor with the fewest parameters. */
    Object made(Class<?> type, int variant, int depth) {
        if (Modifier.isAbstract(type.getModifiers())) {
            return null;
        }
        Optional<Constructor<?>> fewest = Arrays.stream(type.getDeclaredConstructors())
                .min(java.util.Comparator.comparing(Constructor::getParameterCount));
        try {
            Constructor<?> constructor = fewest.orElseThrow();
            constructor.setAccessible(true);
            Type[] types = constructor.getGenericParameterTypes();
            Object[] arguments = IntStream.range(0, types.length).mapToObj(i -> value(types[i], variant + i, depth + 1))
                    .toArray();
            return constructor.newInstance(arguments);
        } catch (ReflectiveOperationException | RuntimeException | LinkageError impossible) {
            return null;
        }
    }
}
