package dev.deftchisel.generate;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import java.util.List;

/** The choice who may use what is generated (JLS 6.6); everyone, when nothing is said. */
final class Visibility {

    private static final String KEY = "visibility";
    private static final String PUBLIC = "public";

    static final Question QUESTION = new Question.Choice(KEY, "who may use it",
            List.of(new Question.Option(PUBLIC, "everyone"),
                    new Question.Option("protected", "the package and subclasses"),
                    new Question.Option("package", "the package"),
                    new Question.Option("private", "only this class")),
            PUBLIC);

    private Visibility() {
    }

    /** The modifier with a blank behind it; nothing for the package. */
    static String modifier(Answers answers) {
        String visibility = answers.single(KEY).orElse(PUBLIC);
        return visibility.equals("package") ? "" : visibility + " ";
    }
}
