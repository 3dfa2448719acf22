package dev.deftchisel.proving.oracle;

import dev.deftchisel.proving.compiled.CompiledCode;
import java.lang.reflect.Array;
import java.lang.reflect.Field;
import java.lang.reflect.InaccessibleObjectException;
import java.lang.reflect.Modifier;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.objenesis.Objenesis;
import org.objenesis.ObjenesisStd;

/**
 * Objects of classes that got an equality keep the contract of {@link Object#equals} and {@link Object#hashCode}. They
 * are made without a constructor and filled at random; what cannot be loaded or filled so is left out, as are records.
 */
public final class EqualityLaws implements CodeOracle {

    private static final int OBJECTS = 24;

    @Override
    public String name() {
        return "equality keeps its contract";
    }

    @Override
    public Optional<String> objection(CompiledCode before, CompiledCode after, List<Rename> renames) {
        Memory memory = new Memory(after);
        Memory former = new Memory(before);
        return after.classes().entrySet().stream()
                .filter(entry -> !Arrays.equals(entry.getValue(), before.classes().get(entry.getKey())))
                .map(entry -> memory.find(entry.getKey()))
                .flatMap(Optional::stream)
                .filter(EqualityLaws::hasEquality)
                // what was written by hand may do as it likes
                .filter(type -> former.find(type.getName()).filter(EqualityLaws::hasEquality).isEmpty())
                .map(EqualityLaws::broken)
                .flatMap(Optional::stream)
                .findFirst();
    }

    /** Loads classes from memory. */
    private static final class Memory extends ClassLoader {

        private final CompiledCode code;

        Memory(CompiledCode code) {
            super(EqualityLaws.class.getClassLoader());
            this.code = code;
        }

        Optional<Class<?>> find(String name) {
            try {
                return Optional.of(Class.forName(name.replace('/', '.'), false, this));
            } catch (ClassNotFoundException | LinkageError missing) {
                return Optional.empty();
            }
        }

        @Override
        protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
            // the same class may be a library of this program
            byte[] bytes = code.classes().getOrDefault(name, code.classes().get(name.replace('.', '/')));
            Class<?> known = findLoadedClass(name);
            if (known != null) {
                return known;
            }
            return bytes == null ? super.loadClass(name, resolve) : defineClass(name, bytes, 0, bytes.length);
        }
    }

    private static boolean hasEquality(Class<?> type) {
        try {
            type.getDeclaredMethod("equals", Object.class);
            type.getDeclaredMethod("hashCode");
            return !Modifier.isAbstract(type.getModifiers()) && !type.isRecord();
        } catch (NoSuchMethodException | LinkageError none) {
            return false;
        }
    }

    private static Optional<String> broken(Class<?> type) {
        List<Object> objects = new ArrayList<>();
        try {
            Objenesis objenesis = new ObjenesisStd();
            for (int i = 0; i < OBJECTS; i++) {
                Object object = objenesis.newInstance(type);
                fill(object, type, i);
                objects.add(object);
            }
            return law(objects).map(law -> type.getName() + " is not " + law);
        } catch (LinkageError | RuntimeException | IllegalAccessException unknown) {
            // what is in the fields may need more than random values
            return Optional.empty();
        }
    }

    private static void fill(Object object, Class<?> type, int number) throws IllegalAccessException {
        Random special = new Random(number);
        for (Class<?> at = type; at != null && at != Object.class; at = at.getSuperclass()) {
            for (Field field : at.getDeclaredFields()) {
                boolean isSpecial = special.nextInt(3) == 0;
                if (!Modifier.isStatic(field.getModifiers())) {
                    try {
                        field.setAccessible(true);
                        field.set(object, value(field.getType(), isSpecial ? special : new Random(1)));
                    } catch (InaccessibleObjectException ofPlatform) {
                        return;
                    }
                }
            }
        }
    }

    private static Object value(Class<?> type, Random random) {
        int few = random.nextInt(2);
        if (type.isArray()) {
            Object array = Array.newInstance(type.getComponentType(), 1);
            Array.set(array, 0, value(type.getComponentType(), random));
            return few == 0 ? null : array;
        } else if (type.isEnum()) {
            return few == 0 || type.getEnumConstants().length == 0 ? null : type.getEnumConstants()[0];
        }
        return switch (type.getName()) {
            case "boolean" -> few == 0;
            case "byte" -> (byte) few;
            case "short" -> (short) few;
            case "char" -> (char) ('a' + few);
            case "int" -> few;
            case "long" -> (long) few;
            case "float" -> few == 0 ? Float.NaN : -0f;
            case "double" -> few == 0 ? Double.NaN : -0.0;
            case "java.lang.String", "java.lang.Object", "java.lang.CharSequence" -> few == 0 ? null : "a";
            case "java.util.List", "java.util.Collection" -> few == 0 ? null : List.of("a");
            default -> null;
        };
    }

    /** The first law that does not hold. */
    private static Optional<String> law(List<Object> objects) {
        for (Object one : objects) {
            // deft: accept self-equals, equals-null (that is what the laws ask)
            if (!one.equals(one) || one.equals(null)) {
                return Optional.of("reflexive");
            }
            for (Object other : objects) {
                boolean areEqual = one.equals(other);
                if (areEqual != other.equals(one)) {
                    return Optional.of("symmetric");
                } else if (areEqual && one.hashCode() != other.hashCode()) {
                    return Optional.of("of one mind with its hash codes");
                } else if (areEqual && objects.stream().anyMatch(third -> other.equals(third) && !one.equals(third))) {
                    return Optional.of("transitive");
                }
            }
        }
        return Optional.empty();
    }
}
