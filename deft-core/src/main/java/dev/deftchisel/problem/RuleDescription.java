package dev.deftchisel.problem;

import java.util.Set;

/**
 * What a rule says of itself. Made step by step:
 * <pre>{@code
 * RuleDescription.of("self-assignment", Tag.SUSPICIOUS, "A variable is assigned to itself", Effect.OTHER)
 *         .because("The assignment does nothing; something else was meant on one of its sides.")
 *         .example(source, fixed)
 *         .silentOn(harmless);
 * }</pre>
 *
 * @param id        in kebab-case, unique among rules; also its name in configuration and suppressions
 * @param tag       what sort of problem
 * @param title     what is reported, as a short sentence without a full stop
 * @param why       why it matters, one or two sentences
 * @param example   explained and tested with this
 * @param severity  how much it matters unless the configuration says otherwise
 * @param level     the language level from which it is looked for, at least 8
 * @param effect    what its first fix does to the program
 * @param alsoNamed further words by which {@code @SuppressWarnings} means this rule, such as those of the compiler
 */
public record RuleDescription(
        String id, Tag tag, String title, String why, Example example, Severity severity, int level, Effect effect,
        Set<String> alsoNamed) {

    private static final int LOWEST_LEVEL = 8;

    /** Copies the set. */
    public RuleDescription {
        alsoNamed = Set.copyOf(alsoNamed);
    }

    /**
     * A rule of the severity that is usual for its tag, for all levels.
     *
     * @param effect what its first fix does to the program; what is claimed here is tried in the proving ground
     */
    public static RuleDescription of(String id, Tag tag, String title, Effect effect) {
        return new RuleDescription(id, tag, title, "", Example.NONE, tag.usual(), LOWEST_LEVEL, effect, Set.of());
    }

    /** The same, with its reason. */
    public RuleDescription because(String reason) {
        return new RuleDescription(id, tag, title, reason, example, severity, level, effect, alsoNamed);
    }

    /** The same, with its example. */
    public RuleDescription example(String before, String after) {
        return new RuleDescription(id, tag, title, why, new Example(before, after, example.silent(), example.file()),
                severity, level, effect,
                alsoNamed);
    }

    /** The same, with code about which nothing is to be said. */
    public RuleDescription silentOn(String silent) {
        return new RuleDescription(id, tag, title, why,
                new Example(example.before(), example.after(), silent, example.file()), severity, level,
                effect, alsoNamed);
    }

    /** The same, whose example stands in a certain file. */
    public RuleDescription inFile(String file) {
        return new RuleDescription(id, tag, title, why,
                new Example(example.before(), example.after(), example.silent(), file), severity, level,
                effect, alsoNamed);
    }

    /** The same, of another severity. */
    public RuleDescription weighing(Severity other) {
        return new RuleDescription(id, tag, title, why, example, other, level, effect, alsoNamed);
    }

    /** The same, from a language level on. */
    public RuleDescription from(int lowestLevel) {
        return new RuleDescription(id, tag, title, why, example, severity, lowestLevel, effect, alsoNamed);
    }

    /** The same, which is also suppressed by these words. */
    public RuleDescription alsoNamed(String... words) {
        return new RuleDescription(id, tag, title, why, example, severity, level, effect, Set.of(words));
    }
}
