package dev.deftchisel.proving.program;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * Answers as somebody might give them: often what is proposed, sometimes another choice, a fresh name, or one that is
 * there already.
 */
final class RandomAnswers {

    private static final int STANDARD_IN = 3;
    private static final int TAKEN_IN = 4;

    private final Random random;
    private final List<String> names;
    private int given;

    /** @param names that stand in the code, to be given once more */
    RandomAnswers(Random random, List<String> names) {
        this.random = random;
        this.names = names;
    }

    Answers to(List<Question> questions) {
        Answers answers = Answers.none();
        for (Question question : questions) {
            answers = answer(question, answers);
        }
        return answers;
    }

    private Answers answer(Question question, Answers answers) {
        if (question instanceof Question.Name name) {
            return answers.and(name.key(), name(name.proposals(), name.current()));
        }
        if (random.nextInt(STANDARD_IN) == 0) {
            return answers;
        }
        if (question instanceof Question.Proposed name) {
            return answers.and(name.key(), name(name.proposals(), ""));
        }
        if (question instanceof Question.Choice choice) {
            return answers.and(choice.key(), choice.options().get(random.nextInt(choice.options().size())).key());
        }
        if (question instanceof Question.Members members) {
            List<String> chosen = new ArrayList<>(members.candidates());
            Collections.shuffle(chosen, random);
            return chosen.isEmpty() ? answers
                    : answers.and(members.key(), List.copyOf(chosen.subList(0, 1 + random.nextInt(chosen.size()))));
        }
        if (question instanceof Question.Flag flag) {
            return answers.and(flag.key(), Boolean.toString(random.nextBoolean()));
        }
        return answers;
    }

    private String name(List<String> proposals, String current) {
        if (!proposals.isEmpty() && random.nextBoolean()) {
            return proposals.get(random.nextInt(proposals.size()));
        }
        if (!names.isEmpty() && random.nextInt(TAKEN_IN) == 0) {
            return names.get(random.nextInt(names.size()));
        }
        boolean isType = !current.isEmpty() && Character.isUpperCase(current.charAt(0));
        return (isType ? "Zq" : "zq") + ++given;
    }
}
