package dev.deftchisel.cli.refactoring;

import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.option.ChiselCommand;
import dev.deftchisel.cli.option.CommonOptions;
import dev.deftchisel.cli.option.OutcomeWriter;
import dev.deftchisel.cli.preview.OrderedChoice;
import dev.deftchisel.cli.preview.PreviewLoop;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.source.LineMap;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Model.PositionalParamSpec;
import picocli.CommandLine.ParameterException;

/**
 * The command of one operation, made from its description: the place and, when a name is asked, that come as
 * parameters; every other question is an option.
 */
public final class OperationCommand extends ChiselCommand {

    private final Operation operation;
    private CommandSpec spec;

    public OperationCommand(Operation operation, Console console) {
        super(console);
        this.operation = operation;
    }

    public CommandSpec spec() {
        spec = CommandSpec.forAnnotatedObject(this);
        spec.name(operation.id());
        spec.usageMessage().description(operation.summary() + ".");
        spec.addPositional(PositionalParamSpec.builder().index("0").paramLabel("PLACE").type(String.class)
                .required(true).description("where; see 'deft --help'").build());
        int index = 1;
        for (Question question : operation.questions()) {
            if (question instanceof Question.Name) {
                spec.addPositional(PositionalParamSpec.builder().index(String.valueOf(index++))
                        .paramLabel("NEW-" + question.key().toUpperCase(Locale.ROOT)).type(String.class)
                        .required(true).description(question.label()).build());
            } else {
                spec.addOption(option(question));
            }
        }
        spec.addOption(OptionSpec.builder("--omit").type(List.class).auxiliaryTypes(String.class)
                .paramLabel("PATH[:LINE]").description("leave out what is changed there; repeatable").build());
        spec.addOption(OptionSpec.builder("--apply").type(boolean.class).arity("0")
                .description("write the change").build());
        return spec;
    }

    private static OptionSpec option(Question question) {
        OptionSpec.Builder option = OptionSpec.builder("--" + question.key());
        if (question instanceof Question.Flag) {
            return option.type(boolean.class).arity("0").description(question.label()).build();
        }
        if (question instanceof Question.Choice choice) {
            String values = choice.options().stream().map(Question.Option::key).collect(Collectors.joining("|"));
            return option.type(String.class).paramLabel(values)
                    .description(choice.label() + " (" + choice.defaultAnswer() + ")").build();
        }
        if (question instanceof Question.Members) {
            return option.type(String.class).paramLabel("NAME,...").description(question.label()).build();
        }
        if (question instanceof Question.Placed) {
            return option.type(List.class).auxiliaryTypes(String.class).paramLabel("PATH:LINE=VALUE")
                    .description(question.label() + "; repeatable").build();
        }
        if (question instanceof Question.Proposed) {
            return option.type(String.class).paramLabel("NAME").description(question.label() + " (one is proposed)")
                    .build();
        }
        if (question instanceof Question.Text text && !text.defaultAnswer().isEmpty()) {
            return option.type(String.class).paramLabel("VALUE")
                    .description(question.label() + " (" + text.defaultAnswer() + ")").build();
        }
        return option.type(String.class).paramLabel("VALUE").description(question.label()).build();
    }

    @Override
    protected int run(Chisel chisel, Console console, CommonOptions options) {
        Place place = chisel.place(spec.positionalParameters().get(0).getValue());
        Answers answers = answers();
        boolean apply = Boolean.TRUE.equals(spec.findOption("--apply").getValue());
        boolean asks = console.isTerminal() && !apply && !options.yes() && !options.json();
        Outcome outcome = chisel.preview(place, operation.id(), answers);
        List<String> omitted = spec.findOption("--omit").getValue();
        if (omitted != null && outcome instanceof Outcome.Preview preview) {
            outcome = chisel.choose(preview, (file, edit) -> edit.isTaken() && !isOmitted(chisel, omitted, file, edit));
        }
        if (asks) {
            return new PreviewLoop(chisel, console, place, operation.id(), operation.questions()).run(answers, outcome)
                    .exitCode();
        }
        return new OutcomeWriter(chisel, console, options).write(outcome, apply);
    }

    private static boolean isOmitted(Chisel chisel, List<String> omitted, FileChange file, Edit edit) {
        String path = chisel.workspace().show(file.path());
        int line = LineMap.of(file.before().content()).line(edit.range().start());
        return omitted.contains(path) || omitted.contains(path + ":" + line);
    }

    private Answers answers() {
        Answers answers = Answers.none();
        int index = 1;
        for (Question question : operation.questions()) {
            Object value = question instanceof Question.Name
                    ? spec.positionalParameters().get(index++).getValue()
                    : spec.findOption("--" + question.key()).getValue();
            if (value instanceof List<?> several) {
                answers = answers.and(question.key(), several.stream().map(Object::toString).toList());
            } else if (value != null) {
                check(question, value.toString());
                answers = question instanceof Question.Members
                        ? answers.and(question.key(), OrderedChoice.list(value.toString()))
                        : answers.and(question.key(), value.toString());
            }
        }
        return answers;
    }

    private void check(Question question, String value) {
        if (question instanceof Question.Choice choice
                && choice.options().stream().noneMatch(option -> option.key().equals(value))) {
            throw new ParameterException(spec.commandLine(), "--" + question.key() + " does not take '"
                    + value + "'; it takes " + choice.options().stream()
                    .map(Question.Option::key).collect(Collectors.joining(", ")));
        }
    }
}
