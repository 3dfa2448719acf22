package dev.deftchisel.proving.program;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The process in which programs run, one after the other, each with classes of its own. It is told the folders of
 * classes and resources and answers with what was printed. A program that does not end is ended together with this
 * process.
 */
final class RunnerProcess {

    private static final int MOST_PRINTED = 200_000;
    private static final int PATIENCE_MILLIS = 3_000;

    private RunnerProcess() {
    }

    /** Answers until its input ends. */
    public static void main(String[] arguments) throws IOException {
        InputStream in = System.in;
        PrintStream out = System.out;
        Locale.setDefault(Locale.ROOT);
        DataInputStream asked = new DataInputStream(in);
        DataOutputStream answer = new DataOutputStream(out);
        while (true) {
            String classes;
            try {
                classes = asked.readUTF();
            } catch (EOFException end) {
                return;
            }
            Printed printed = run(Path.of(classes), Path.of(asked.readUTF()));
            byte[] text = printed.text().getBytes(StandardCharsets.UTF_8);
            answer.writeInt(text.length);
            answer.write(text);
            answer.writeUTF(printed.failure());
            answer.flush();
        }
    }

    private static Printed run(Path classes, Path resources) {
        Limited kept = new Limited();
        String failure = "";
        Set<Thread> before = Set.copyOf(Thread.getAllStackTraces().keySet());
        try (URLClassLoader loader = new URLClassLoader(new URL[] {classes.toUri().toURL(), resources.toUri().toURL()},
                ClassLoader.getPlatformClassLoader());
                PrintStream stream = new PrintStream(kept, true, StandardCharsets.UTF_8)) {
            System.setOut(stream);
            Thread.currentThread().setContextClassLoader(loader);
            entry(loader, classes).invoke(null, (Object) new String[0]);
            await(before);
        } catch (InvocationTargetException thrown) {
            failure = thrown.getCause().getClass().getName();
        } catch (ReflectiveOperationException | LinkageError | IOException | RuntimeException other) {
            failure = other.getClass().getName();
        }
        return new Printed(kept.toString(StandardCharsets.UTF_8), failure);
    }

    /** A program ends with the last of its threads that is no daemon (JLS 12.8), not with its main method. */
    private static void await(Set<Thread> before) {
        for (Thread own : Thread.getAllStackTraces().keySet()) {
            try {
                if (!before.contains(own) && !own.isDaemon()) {
                    own.join(PATIENCE_MILLIS);
                }
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    /** The method at which the program starts; its name and that of its class may have been changed. */
    private static Method entry(ClassLoader loader, Path classes) throws IOException, ReflectiveOperationException {
        List<Path> files;
        try (Stream<Path> all = Files.walk(classes)) {
            files = all.filter(path -> path.toString().endsWith(".class")).sorted().toList();
        }
        for (Path file : files) {
            String name = classes.relativize(file).toString();
            Class<?> type = Class.forName(name.substring(0, name.length() - ".class".length()).replace('/', '.'), false,
                    loader);
            for (Method method : type.getDeclaredMethods()) {
                if (Modifier.isPublic(method.getModifiers()) && Modifier.isStatic(method.getModifiers())
                        && method.getReturnType() == void.class && List.of(method.getParameterTypes())
                        .equals(List.of(String[].class))) {
                    return method;
                }
            }
        }
        throw new NoSuchMethodException("main");
    }

    /** More was printed than any of the programs prints. */
    private static final class TooMuch extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    private static final class Limited extends OutputStream {

        private final ByteArrayOutputStream kept = new ByteArrayOutputStream();

        @Override
        public synchronized void write(int b) {
            if (kept.size() > MOST_PRINTED) {
                throw new TooMuch();
            }
            kept.write(b);
        }

        synchronized String toString(java.nio.charset.Charset charset) {
            return kept.toString(charset);
        }
    }
}
