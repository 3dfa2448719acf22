package dev.deftchisel.proving.behaviour;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.lang.reflect.Type;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Calls the methods of two versions of classes with the same arguments and compares what can be seen of it. */
public final class SameBehaviour {

    private static final int MOST_CALLS = 60;
    private static final int MOST_SECONDS = 3;
    private static final int MOST_PATIENT_SECONDS = 10;
    private static final String ENDLESS = "does not end";
    private static final Pattern NUMBERED = Pattern.compile("\\$\\d");

    private final List<URL> classPath;
    private int calls;
    private int methods;

    /** @param classPath what the classes need */
    public SameBehaviour(List<URL> classPath) {
        this.classPath = List.copyOf(classPath);
    }

    /** How many calls were compared so far. */
    public int calls() {
        return calls;
    }

    /** How many methods were called so far. */
    public int methods() {
        return methods;
    }

    /** The methods of one version, and what their calls did. */
    private final class Version {

        private final Map<String, byte[]> classes;
        private final ClassLoader loader;

        Version(Map<String, byte[]> classes) {
            this.classes = classes;
            this.loader = new URLClassLoader(classPath.toArray(URL[]::new), ClassLoader.getPlatformClassLoader()) {
                @Override
                protected Class<?> findClass(String name) throws ClassNotFoundException {
                    byte[] bytes = Version.this.classes.get(name);
                    return bytes == null ? super.findClass(name) : defineClass(name, bytes, 0, bytes.length);
                }
            };
        }

        Map<String, List<Observation>> observed(String type, int seconds) {
            Map<String, List<Observation>> all = new LinkedHashMap<>();
            try {
                for (Method method : Arrays.stream(Class.forName(type, true, loader).getDeclaredMethods())
                        .sorted(Comparator.comparing(Method::toString)).toList()) {
                    boolean isCalled = !method.isSynthetic() && !Modifier.isAbstract(method.getModifiers())
                            && !Modifier.isNative(method.getModifiers())
                            && !method.getName().equals("main");
                    if (isCalled) {
                        method.setAccessible(true);
                        all.put(method.getName() + Arrays.toString(method.getParameterTypes()),
                                observed(method, seconds));
                    }
                }
            } catch (ClassNotFoundException | LinkageError | RuntimeException impossible) {
                return all;
            }
            return all;
        }

        private List<Observation> observed(Method method, int seconds) {
            Type[] types = method.getGenericParameterTypes();
            int most = Math.min(MOST_CALLS, Arrays.stream(method.getParameterTypes()).mapToInt(ArgumentValues::count)
                    .reduce(1, (a, b) -> a * b));
            return IntStream.range(0, Math.max(1, most)).mapToObj(number -> {
                List<String> record = Collections.synchronizedList(new ArrayList<>());
                ArgumentValues values = new ArgumentValues(record);
                int rest = number;
                Object[] arguments = new Object[types.length];
                for (int i = 0; i < types.length; i++) {
                    int count = ArgumentValues.count(method.getParameterTypes()[i]);
                    arguments[i] = values.value(types[i], i == 0 ? rest % count : rest);
                    rest = rest / count + (i == 0 ? 0 : number);
                }
                Object receiver = Modifier.isStatic(method.getModifiers()) ? null
                        : values.made(method.getDeclaringClass(), number, 0);
                return !Modifier.isStatic(method.getModifiers()) && receiver == null
                        ? new Observation("", "no object", "", List.of(), "")
                        : call(method, receiver, arguments, record, seconds);
            }).toList();
        }

        private Observation call(Method method, Object receiver, Object[] arguments, List<String> record, int seconds) {
            String before = Observation.render(arguments, new Object[0]);
            ByteArrayOutputStream printed = new ByteArrayOutputStream();
            PrintStream out = System.out;
            ExecutorService runner = Executors.newSingleThreadExecutor(task -> {
                Thread thread = new Thread(task);
                thread.setDaemon(true);
                return thread;
            });
            try {
                System.setOut(new PrintStream(printed, true, StandardCharsets.UTF_8));
                String result = runner.submit(() -> {
                    try {
                        return Observation.render(method.invoke(receiver, arguments), arguments);
                    } catch (InvocationTargetException thrown) {
                        return "throws " + thrown.getCause().getClass().getName();
                    }
                }).get(seconds, TimeUnit.SECONDS);
                return new Observation(before, result, printed.toString(StandardCharsets.UTF_8), List.copyOf(record),
                        Observation.render(arguments, new Object[0]));
            } catch (TimeoutException endless) {
                return new Observation(before, ENDLESS, "", List.of(), "");
            } catch (ExecutionException | InterruptedException failed) {
                return new Observation(before, "fails: " + failed.getCause(), "", List.of(), "");
            } finally {
                System.setOut(out);
                runner.shutdownNow();
            }
        }
    }

    private static boolean isEndless(List<Observation> observations) {
        return observations.stream().anyMatch(one -> one.shown().contains(ENDLESS));
    }

    /**
     * Compares classes that are in both versions and are not byte for byte the same.
     *
     * @return what differs, one line each
     */
    public List<String> differences(Map<String, byte[]> before, Map<String, byte[]> after) {
        Version old = new Version(before);
        Version now = new Version(after);
        List<String> differences = new ArrayList<>();
        for (String type : before.keySet().stream().sorted().toList()) {
            // classes without a name are numbered, and may be others afterwards
            boolean isChanged = !NUMBERED.matcher(type).find() && after.containsKey(type)
                    && !Arrays.equals(before.get(type), after.get(type));
            if (!isChanged) {
                continue;
            }
            Map<String, List<Observation>> first = old.observed(type, MOST_SECONDS);
            Map<String, List<Observation>> second = now.observed(type, MOST_SECONDS);
            boolean isSlow = first.entrySet().stream()
                    .anyMatch(one -> isEndless(one.getValue())
                            != isEndless(second.getOrDefault(one.getKey(), one.getValue())));
            if (isSlow) {
                // what ends in one version only is given more time in both: the machine may have been busy
                first.putAll(old.observed(type, MOST_PATIENT_SECONDS));
                second.putAll(now.observed(type, MOST_PATIENT_SECONDS));
            }
            first.forEach((method, observations) -> {
                List<Observation> others = second.get(method);
                if (others != null) {
                    methods++;
                    calls += observations.size();
                    IntStream.range(0, Math.min(observations.size(), others.size()))
                            .filter(i -> !observations.get(i).equals(others.get(i))).limit(1)
                            .mapToObj(i -> type + "." + method + " with " + observations.get(i)
                                    .arguments() + ": " + observations.get(i).shown()
                                    + " | now " + others.get(i).shown())
                            .forEach(differences::add);
                }
            });
        }
        return differences;
    }
}
