package dev.deftchisel.cli.preview;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.Keyboard;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/**
 * Lets the user answer otherwise what an operation asks besides a name: each question by a number, each answer by one.
 */
public final class OtherAnswers {

    private static final int MOST = 9;

    private final Console console;
    private final List<Question> questions;

    /** @param questions of an operation, with what a place adds to them */
    OtherAnswers(Console console, List<Question> questions) {
        this.console = console;
        this.questions = questions.stream()
                .filter(question -> question instanceof Question.Choice || question instanceof Question.Text
                        || question instanceof Question.Placed || question instanceof Question.Flag
                        || question instanceof Question.Members members && members.candidates().size() > 1)
                .limit(MOST)
                .toList();
    }

    /** Whether there is anything to choose. */
    boolean isEmpty() {
        return questions.isEmpty();
    }

    /**
     * Asks for one of them.
     *
     * @param said what was answered so far
     * @return all answers with the new one; the same when the user leaves
     */
    Answers ask(Keyboard keyboard, Answers said) {
        List<String> lines = questions.stream()
                .map(question -> question.label() + ": " + console.palette().quiet(now(question, said))).toList();
        OptionalInt number = number(console, keyboard, lines);
        return number.isEmpty() ? said : answer(keyboard, questions.get(number.getAsInt()), said);
    }

    /**
     * Lists things and asks for one of them.
     *
     * @param lines what each is; the first nine are asked for
     * @return the index; empty when the user leaves
     */
    public static OptionalInt number(Console console, Keyboard keyboard, List<String> lines) {
        List<Keyboard.Key> keys = new ArrayList<>();
        for (int i = 0; i < Math.min(MOST, lines.size()); i++) {
            keys.add(new Keyboard.Key((char) ('1' + i), ""));
            console.out().println(console.palette().key("%3d ".formatted(i + 1)) + lines.get(i));
        }
        keys.add(new Keyboard.Key('q', "leave"));
        char key = keyboard.ask(console, keys, 'q');
        return key == 'q' ? OptionalInt.empty() : OptionalInt.of(key - '1');
    }

    private static String now(Question question, Answers said) {
        if (question instanceof Question.Choice choice) {
            String answer = said.single(choice.key()).orElse(choice.defaultAnswer());
            return choice.options().stream().filter(option -> option.key().equals(answer)).findFirst()
                    .map(Question.Option::label).orElse(answer);
        }
        if (question instanceof Question.Flag flag) {
            return said.single(flag.key()).map(Boolean::parseBoolean).orElse(flag.defaultAnswer()) ? "yes" : "no";
        } else if (question instanceof Question.Members members) {
            return String.join(", ", said.several(members.key()).orElse(members.defaultAnswer()));
        }
        return question instanceof Question.Placed ? String.join("; ", said.several(question.key()).orElse(List.of()))
                : said.single(question.key()).orElse(((Question.Text) question).defaultAnswer());
    }

    private Answers answer(Keyboard keyboard, Question question, Answers said) {
        if (question instanceof Question.Text || question instanceof Question.Placed) {
            String given = keyboard.line(question.label(), now(question, said));
            return given.isEmpty() ? said : said.and(question.key(), given);
        }
        if (question instanceof Question.Flag flag) {
            return said.and(flag.key(), String.valueOf(now(flag, said).equals("no")));
        } else if (question instanceof Question.Members members) {
            return said.and(members.key(), new OrderedChoice(console)
                    .ask(keyboard, members, said.several(members.key()).orElse(members.defaultAnswer())));
        }
        String picked = pick(console, keyboard, (Question.Choice) question);
        return picked.isEmpty() ? said : said.and(question.key(), picked);
    }

    /** One of the first nine by its number; empty text when the user leaves. */
    public static String pick(Console console, Keyboard keyboard, Question.Choice choice) {
        console.out().println(choice.label() + ":");
        OptionalInt number = number(console, keyboard, choice.options().stream().map(Question.Option::label).toList());
        return number.isEmpty() ? "" : choice.options().get(number.getAsInt()).key();
    }
}
