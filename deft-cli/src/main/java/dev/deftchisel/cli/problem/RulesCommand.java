package dev.deftchisel.cli.problem;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.cli.console.Palette;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.text.RulesPage;
import dev.deftchisel.problem.Example;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import dev.deftchisel.problem.detection.Rules;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Lists and explains the rules. */
@Command(name = "rules", description = RulesCommand.WHAT)
public final class RulesCommand implements Callable<Integer> {

    public static final String WHAT = "List the rules, or explain one.";

    private final Console console;

    @Parameters(arity = "0..1", paramLabel = "RULE", description = "the one to explain")
    private String rule;

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    @Option(names = "--page", description = "print all rules as one page of Markdown")
    private boolean page;

    @Mixin
    private final CommonOptions common = new CommonOptions();

    public RulesCommand(Console console) {
        this.console = console;
    }

    @Override
    public Integer call() {
        Palette palette = common.dress(console).palette();
        Rules rules = Rules.installed();
        if (page) {
            console.out().print(RulesPage.of(rules));
            return ExitCode.DONE;
        }
        if (rule == null) {
            list(rules, palette);
            return ExitCode.DONE;
        }
        Optional<RuleDescription> about = rules.named(rule);
        if (about.isEmpty()) {
            String near = rules.near(rule).map(id -> ", but '" + id + "'").orElse("");
            console.say("deft: there is no rule '" + rule + "'" + near + "; 'deft rules' lists them");
            return ExitCode.USAGE;
        }
        explain(about.get(), palette);
        return ExitCode.DONE;
    }

    private void list(Rules rules, Palette palette) {
        int width = rules.abouts().stream().mapToInt(about -> about.id().length()).max().orElse(0);
        for (Tag tag : Tag.values()) {
            List<RuleDescription> own = rules.abouts().stream().filter(about -> about.tag() == tag).toList();
            if (!own.isEmpty()) {
                console.out().println(palette.strong(tag.word()) + "  code that " + tag.meaning());
                own.forEach(about -> console.out().println("  " + about.id()
                        + " ".repeat(width - about.id().length() + 2)
                        + palette.quiet("%-8s".formatted(about.severity().word())) + about.title()));
                console.out().println();
            }
        }
        console.out().println(rules.abouts().size()
                + " rules; 'deft rules RULE' explains one, errors of the compiler come on top");
    }

    private void explain(RuleDescription about, Palette palette) {
        console.out().println(palette.strong(about.id()) + "  " + about.title());
        console.out().println(about.why());
        console.out().println();
        console.out().println(palette.strong("found") + (about.example().file().equals(Example.FILE) ? ""
                : "  in " + about.example().file()));
        console.out().println(about.example().before().stripTrailing().indent(4).stripTrailing());
        if (!about.example().after().equals(about.example().before())) {
            console.out().println();
            console.out().println(palette.strong("fixed") + "  " + about.effect().words());
            console.out().println(about.example().after().stripTrailing().indent(4).stripTrailing());
        }
        console.out().println();
        console.out().println(palette.strong("not found"));
        console.out().println(about.example().silent().stripTrailing().indent(4).stripTrailing());
        console.out().println();
        console.out().println(about.severity().word() + ", " + about.tag().word() + ", from Java " + about.level());
        console.out().println("in .editorconfig:  deft_" + about.id() + " = " + about.severity().word());
        console.out().println("in the code:       // deft: accept " + about.id() + "  or  @SuppressWarnings(\""
                + about.id() + "\")");
    }
}
