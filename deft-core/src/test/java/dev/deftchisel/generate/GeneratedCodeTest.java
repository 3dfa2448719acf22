package dev.deftchisel.generate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.IOException;
import java.lang.reflect.Array;
import java.lang.reflect.Constructor;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Generated code is compiled, run over random objects, and held to what {@link Object} and {@link Comparator} promise.
 */
class GeneratedCodeTest {

    private static final String STATE = """
                boolean free; byte tiny; short small; char sign; int depth; long days;
                float width; double length; String name; Side side; Integer boxed; Object any;
                int[] marks; double[] sizes; String[] words; String[][] labels; int[][] grid; float[][][] deep;
                java.util.List<String> guests; java.util.Map<String, Integer> dues;
            """;
    private static final String SIDE = "enum Side { NORTH, SOUTH }\n";

    @TempDir
    private Path folder;

    /** Generates at the type that starts with some text, one thing after the other, and compiles. */
    private URLClassLoader made(String source, String at, String operation, Answers answers) throws IOException {
        Path root = folder.toRealPath();
        Path file = root.resolve("Berth.java");
        if (!source.isEmpty()) {
            Files.writeString(file, source);
        }
        OpenRequest request = new OpenRequest(root, true, List.of(root), List.of(), Optional.of(17), Optional.empty(),
                Set.of());
        try (Chisel chisel = Chisel.open(request, Monitor.SILENT)) {
            int offset = Files.readString(file).indexOf(at) + at.length();
            Outcome outcome = chisel.preview(new Place(file, new Range(offset, offset)), operation, answers);
            assertTrue(outcome instanceof Outcome.Preview, outcome.toString());
            chisel.apply((Outcome.Preview) outcome);
            assertTrue(chisel.preview(new Place(file, new Range(offset, offset)), operation, answers)
                    instanceof Outcome.Refusal,
                    "doing it twice changes nothing");
        }
        Path classes = Files.createDirectories(root.resolve("classes"));
        int errors = ToolProvider.getSystemJavaCompiler()
                .run(null, null, null, "-Xlint:all", "-Xlint:-serial", "-Werror",
                "-d", classes.toString(), file.toString());
        assertEquals(0, errors, Files.readString(file));
        return new URLClassLoader(new URL[] {classes.toUri().toURL()});
    }

    private static Object random(Class<?> type, Random random) {
        if (type.isArray()) {
            if (random.nextInt(4) == 0) {
                return null;
            }
            Object array = Array.newInstance(type.getComponentType(), random.nextInt(2));
            for (int i = 0; i < Array.getLength(array); i++) {
                Array.set(array, i, random(type.getComponentType(), random));
            }
            return array;
        } else if (type.isEnum()) {
            return random.nextInt(3) == 0 ? null : type.getEnumConstants()[random.nextInt(2)];
        }
        int few = random.nextInt(2);
        return switch (type.getSimpleName()) {
            case "boolean" -> few == 0;
            case "byte" -> (byte) few;
            case "short" -> (short) few;
            case "char" -> (char) ('a' + few);
            case "int" -> few;
            case "long" -> (long) few;
            case "float" -> new float[] {0f, -0f, Float.NaN, 1f}[random.nextInt(4)];
            case "double" -> new double[] {0, -0.0, Double.NaN, 1}[random.nextInt(4)];
            case "List" -> few == 0 ? null : List.of("a");
            case "Map" -> few == 0 ? null : Map.of("a", 1);
            case "Integer" -> few == 0 ? null : Integer.valueOf(1000);
            default -> few == 0 ? null : new String("a");
        };
    }

    /** Objects whose state often agrees in all but one field. */
    private static List<Object> objects(Class<?> type, int count) throws ReflectiveOperationException {
        List<Object> objects = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Constructor<?> constructor = type.getDeclaredConstructor();
            constructor.setAccessible(true);
            Object object = constructor.newInstance();
            Random special = new Random(i);
            List<Field> fields = new ArrayList<>();
            for (Class<?> at = type; at != Object.class; at = at.getSuperclass()) {
                fields.addAll(List.of(at.getDeclaredFields()));
            }
            int other = special.nextInt(fields.size() + 3);
            for (int f = 0; f < fields.size(); f++) {
                Field field = fields.get(f);
                field.setAccessible(true);
                if (!Modifier.isStatic(field.getModifiers())) {
                    field.set(object, random(field.getType(), f == other ? special : new Random(7)));
                }
            }
            objects.add(object);
        }
        return objects;
    }

    /** The contract of {@link Object#equals} and {@link Object#hashCode}. */
    private static int pairsThatAreEqual(List<Object> objects) {
        int equal = 0;
        for (Object one : objects) {
            assertEquals(one, one, "reflexive");
            assertFalse(one.equals(null), "nothing is equal to null");
            assertFalse(one.equals("text"));
            for (Object other : objects) {
                boolean areEqual = one.equals(other);
                assertEquals(areEqual, other.equals(one), "symmetric");
                assertEquals(areEqual, one.equals(other), "consistent");
                assertTrue(!areEqual || one.hashCode() == other.hashCode(), "hash codes agree");
                equal += areEqual && one != other ? 1 : 0;
                for (Object third : areEqual ? objects : List.of()) {
                    assertTrue(!other.equals(third) || one.equals(third), "transitive");
                }
            }
        }
        return equal;
    }

    @ParameterizedTest
    @ValueSource(strings = {"instances", "sealed", "class", "asked"})
    void equalityKeepsItsContract(String among) throws Exception {
        String source = SIDE + "class Berth {\n" + STATE + "}\nclass Quay extends Berth { }\n";
        try (URLClassLoader loader = made(source, "class Berth", "generate-equality", Answers.of("among", among))) {
            List<Object> objects = objects(loader.loadClass("Berth"), 60);
            objects.addAll(objects(loader.loadClass("Quay"), 30));
            int equal = pairsThatAreEqual(objects);
            assertTrue(equal > 10 && equal < objects.size() * objects.size() / 2, "some are equal, and some are not: "
                    + equal);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"class", "asked"})
    void aSubclassThatAddsToItKeepsTheContract(String among) throws Exception {
        String source = SIDE + "class Berth { int depth; String name; }\nclass Quay extends Berth { Side side; double "
                + "length; }\n";
        made(source, "class Berth", "generate-equality", Answers.of("among", among)).close();
        try (URLClassLoader loader = made("", "class Quay", "generate-equality", Answers.none())) {
            List<Object> objects = objects(loader.loadClass("Berth"), 40);
            objects.addAll(objects(loader.loadClass("Quay"), 40));
            assertTrue(pairsThatAreEqual(objects) > 10);
        }
    }

    @Test
    void equalityOfARecordGoesByTheContentOfArrays() throws Exception {
        String source = "record Berth(int[] marks, double length) { Berth() { this(new int[] {3}, 0); } }\n";
        try (URLClassLoader loader = made(source, "record Berth", "generate-equality", Answers.none())) {
            Constructor<?> constructor = loader.loadClass("Berth").getDeclaredConstructor();
            constructor.setAccessible(true);
            assertEquals(constructor.newInstance(), constructor.newInstance());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"sum", "format", "joiner", "builder"})
    void theTextTellsWhatIsInArrays(String shape) throws Exception {
        String source = "class Berth { String name = \"N1\"; int[] marks = {1, 2}; String[][] labels = {{\"a\"}, "
                + "null}; }\n";
        try (URLClassLoader loader = made(source, "class Berth", "generate-text-form", Answers.of("shape", shape))) {
            Constructor<?> constructor = loader.loadClass("Berth").getDeclaredConstructor();
            constructor.setAccessible(true);
            assertEquals("Berth[name=N1, marks=[1, 2], labels=[[a], null]]", constructor.newInstance().toString());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"first", "last"})
    void anOrderingIsTotalOverWhatItGoesBy(String nulls) throws Exception {
        String source = SIDE + "class Berth {\n" + STATE + "}\n";
        List<String> parts = List.of("side", "name", "width", "length", "free", "tiny", "small", "sign", "depth",
                "days", "boxed");
        Answers answers = Answers.of("nulls", nulls).and("members", parts)
                .and("descending", List.of("name", "depth", "length"))
                .and("name", "ORDER");
        try (URLClassLoader loader = made(source, "class Berth", "generate-ordering", answers)) {
            Class<?> type = loader.loadClass("Berth");
            Field constant = type.getDeclaredField("ORDER");
            constant.setAccessible(true);
            @SuppressWarnings("unchecked")
            Comparator<Object> order = (Comparator<Object>) constant.get(null);
            List<Object> objects = objects(type, 60);
            for (Object one : objects) {
                assertEquals(0, order.compare(one, one));
                for (Object other : objects) {
                    assertEquals(Integer.signum(order.compare(one, other)), -Integer.signum(order.compare(other, one)));
                    for (Object third : objects) {
                        assertTrue(order.compare(one, other) > 0 || order.compare(other, third) > 0
                                || order.compare(one, third) <= 0);
                    }
                }
            }
        }
    }

    /**
     * Sets each property of an object and notes what a listener is told; code of its own, since JavaBeans are in
     * another module.
     */
    private static final String LISTENING = """
            class Listening {
                static java.util.List<String> all(Object object, java.util.function.Function<Class<?>, Object> values) throws Exception {
                    java.util.List<String> told = new java.util.ArrayList<>();
                    java.beans.PropertyChangeListener listener = event -> told.add(event.getPropertyName() + ": "
                            + System.identityHashCode(event.getOldValue()) + " to " + System.identityHashCode(event.getNewValue()));
                    Class<?> type = object.getClass();
                    type.getMethod("addPropertyChangeListener", java.beans.PropertyChangeListener.class).invoke(object, listener);
                    for (var property : java.beans.Introspector.getBeanInfo(type, Object.class).getPropertyDescriptors()) {
                        var field = type.getDeclaredField(property.getName());
                        field.setAccessible(true);
                        Object old = field.get(object);
                        Object value = values.apply(field.getType());
                        told.clear();
                        property.getWriteMethod().invoke(object, value);
                        boolean isSame = old != null && old.equals(value);
                        if (told.size() != (isSame ? 0 : 1) || !isSame && !told.get(0).startsWith(property.getName() + ": ")) {
                            throw new AssertionError(property.getName() + ": " + told);
                        }
                    }
                    type.getMethod("removePropertyChangeListener", java.beans.PropertyChangeListener.class).invoke(object, listener);
                    told.clear();
                    type.getMethod("setDays", long.class).invoke(object, 99L);
                    return told;
                }
            }
            """;

    @Test
    void listenersAreToldAndNothingWhenNothingChanges() throws Exception {
        // of a class that can be extended a later compiler warns that its object is passed out before it is made
        String source = SIDE + LISTENING + "public final class Berth {\n" + STATE + "}\n";
        try (URLClassLoader loader = made(source, "class Berth", "generate-notification", Answers.none())) {
            var all = loader.loadClass("Listening").getDeclaredMethod("all", Object.class, Function.class);
            all.setAccessible(true);
            for (int seed = 0; seed < 5; seed++) {
                Random random = new Random(seed);
                Object object = loader.loadClass("Berth").getDeclaredConstructor().newInstance();
                Function<Class<?>, Object> values = type -> random(type, random);
                assertEquals(List.of(), all.invoke(null, object, values), "who has left is told nothing");
            }
        }
    }

    @Test
    void theNaturalOrderIsThatOfTheComparator() throws Exception {
        String source = "record Berth(int depth, String name) { }\n";
        try (URLClassLoader loader = made(source, "record Berth", "generate-ordering", Answers.of("as", "natural")
                .and("members", List.of("depth", "name")))) {
            Constructor<?> constructor = loader.loadClass("Berth").getDeclaredConstructor(int.class, String.class);
            constructor.setAccessible(true);
            @SuppressWarnings("unchecked")
            Comparable<Object> one = (Comparable<Object>) constructor.newInstance(3, "North");
            assertTrue(one.compareTo(constructor.newInstance(4, "East")) < 0);
            assertTrue(one.compareTo(constructor.newInstance(3, "East")) > 0);
            assertEquals(0, one.compareTo(constructor.newInstance(3, "North")));
        }
    }

    @Test
    void accessorsTellWhatTheySet() throws Exception {
        String source = SIDE + "class Berth {\n" + STATE + "}\n";
        try (URLClassLoader loader = made(source, "class Berth", "generate-accessors",
                Answers.of("access", "both").and("names", "fluent").and("copies", "true"))) {
            Class<?> type = loader.loadClass("Berth");
            for (Object object : objects(type, 5)) {
                for (Field field : type.getDeclaredFields()) {
                    Object value = random(field.getType(), new Random(3));
                    var set = type.getDeclaredMethod(field.getName(), field.getType());
                    var get = type.getDeclaredMethod(field.getName());
                    set.setAccessible(true);
                    get.setAccessible(true);
                    assertEquals(object, set.invoke(object, value));
                    Object told = get.invoke(object);
                    assertTrue(Objects.deepEquals(value, told), field.getName());
                    assertTrue(value == null || !field.getType().isArray() || told != value, "arrays are copied");
                }
            }
        }
    }
}
