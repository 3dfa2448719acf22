package dev.deftchisel.workspace;

import dev.deftchisel.jdk.Jdk;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Which Java a module is written in, as its build says.
 *
 * @param level   the language level, for instance 17
 * @param api     the platform's API that the code may use
 * @param options of the compiler that decide what it accepts: {@code --enable-preview}, {@code --add-exports} and the
 *                like, each with its value in one word; and {@code -A}, which its annotation processors are given
 */
public record JavaLevel(int level, Api api, List<String> options) {

    /** The lowest level that is understood by all compilers deft runs with. */
    private static final int LOWEST = 8;
    private static final String PREVIEW = "--enable-preview";
    private static final String FOR_PROCESSORS = "-A";

    /** Whose API there is. */
    public enum Api {
        /** That of the level, as with {@code --release} (JEP 247). */
        LEVEL,
        /** That of the JDK which compiles, as with {@code -source}. */
        COMPILER
    }

    /** Copies the list. */
    public JavaLevel {
        options = List.copyOf(options);
    }

    /** Language and API of a level. */
    public static JavaLevel of(int level) {
        return new JavaLevel(level, Api.LEVEL, List.of());
    }

    /** What the running JDK reads. */
    public static JavaLevel running() {
        return of(Runtime.version().feature());
    }

    /**
     * Whether the code uses what is only proposed so far, which nothing but the JDK of just this level reads (JEP 12).
     */
    public boolean isPreview() {
        return options.contains(PREVIEW);
    }

    /** Whether the compiler of a JDK of this feature release reads the code. */
    public boolean isReadBy(int feature) {
        return isPreview() ? feature == level : feature >= level;
    }

    /** The newest of some JDKs that reads the code. */
    public Optional<Jdk> fitting(List<Jdk> jdks) {
        return jdks.stream().filter(jdk -> isReadBy(jdk.feature())).max(Comparator.comparingInt(Jdk::feature));
    }

    /** What the running compiler is told so that it parses the code as its language. */
    public List<String> parserOptions() {
        int feature = Runtime.version().feature();
        List<String> all = new ArrayList<>(List.of("-source",
                String.valueOf(Math.max(LOWEST, Math.min(level, feature)))));
        if (isPreview() && level == feature) {
            all.add(PREVIEW);
        }
        return all;
    }

    /** The same for a run that need not know which API there is at an older level. */
    public List<String> quickOptions() {
        return new JavaLevel(level, Api.COMPILER, options).compilerOptions();
    }

    /** What the running compiler is told so that it analyses the code as its build does. */
    public List<String> compilerOptions() {
        int feature = Runtime.version().feature();
        boolean opensPlatform = options.stream().anyMatch(option -> option.startsWith("--add-exports"));
        List<String> all = new ArrayList<>();
        if (api == Api.LEVEL && level < feature && !opensPlatform) {
            all.addAll(List.of("--release", String.valueOf(Math.max(LOWEST, level))));
        } else {
            all.addAll(parserOptions());
        }
        options.stream().filter(option -> !option.equals(PREVIEW) && !option.startsWith(FOR_PROCESSORS))
                .forEach(all::add);
        return all;
    }

    /** What annotation processors are told. */
    public List<String> processorOptions() {
        return options.stream().filter(option -> option.startsWith(FOR_PROCESSORS)).toList();
    }

    /**
     * Those of some arguments of the compiler that count.
     *
     * @param arguments as a build gives them; the value of one may be the next word
     */
    public static List<String> options(List<String> arguments) {
        List<String> options = new ArrayList<>();
        for (int i = 0; i < arguments.size(); i++) {
            String word = arguments.get(i);
            if (word.equals(PREVIEW) || word.startsWith(FOR_PROCESSORS)
                    || word.matches("--add-(exports|modules|reads)=.+")) {
                options.add(word);
            } else if (word.matches("--add-(exports|modules|reads)") && i + 1 < arguments.size()) {
                options.add(word + "=" + arguments.get(i + 1));
            }
        }
        return options.stream().distinct().toList();
    }
}
