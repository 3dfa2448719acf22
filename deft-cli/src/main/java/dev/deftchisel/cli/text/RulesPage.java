package dev.deftchisel.cli.text;

import dev.deftchisel.problem.Example;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.Rules;
import java.util.List;
import java.util.Locale;

/**
 * All rules as one page of Markdown, made from what they say of themselves and from their examples, which are tested.
 */
public final class RulesPage {

    private static final String HEAD = """
            # The rules

            Made by `deft rules --page`; each example is a test. `deft problems` finds these, `deft fix` mends them.

            How much a rule matters is said in `.editorconfig`, for one rule or for all of a tag, by folder:

            ```
            [*.java]
            deft_self-assignment = error
            deft_all_idiom = off
            ```

            Severities are `off`, `hint`, `note`, `warning`, `error`. What is meant to be as it is, is accepted in the code by
            `// deft: accept self-assignment (why)`, for its line or the next one, or by `@SuppressWarnings("self-assignment")`.
            Errors of the compiler are problems too; what mends them is listed in [errors.md](errors.md).

            """;

    private RulesPage() {
    }

    public static String of(Rules rules) {
        StringBuilder page = new StringBuilder(HEAD);
        for (Tag tag : Tag.values()) {
            List<RuleDescription> own = rules.abouts().stream().filter(about -> about.tag() == tag).toList();
            if (!own.isEmpty()) {
                page.append("- **").append(tag.word()).append("** (code that ").append(tag.meaning()).append("): ")
                        .append(String.join(", ", own.stream().map(about -> "[" + about.id() + "](#" + about.id() + ")")
                                .toList()))
                        .append('\n');
            }
        }
        rules.abouts().forEach(about -> page.append('\n').append(section(about)));
        return page.toString();
    }

    private static String section(RuleDescription about) {
        String head = "## " + about.id() + "\n\n" + about.title() + ". " + about.why() + "\n\n"
                + capital(about.severity().word()) + ", " + about.tag().word() + ", from Java " + about.level()
                + ".\n\n";
        String file = about.example().file();
        String before = (file.equals(Example.FILE) ? "" : "In `" + file + "`:\n\n") + "```java\n" + about.example()
                .before() + "```\n\n";
        boolean isFixed = !about.example().after().equals(about.example().before());
        String after = isFixed ? "Fixed (" + about.effect().words() + "):\n\n```java\n" + about.example()
                .after() + "```\n\n"
                : "There is no fix that would be right for sure.\n\n";
        return head + before + after + "Not reported:\n\n```java\n" + about.example().silent() + "```\n";
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }
}
