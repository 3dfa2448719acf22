package dev.deftchisel.extract.method;

import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** How far duplicates of extracted code are looked for. */
enum DuplicateScope {
    NONE,
    CLASS,
    PACKAGE;

    /** The key of the choice: {@code leave}, {@code replace} in the class, or {@code package}. */
    static final String KEY = "duplicates";

    private static final String REPLACE = "replace";

    static Question question() {
        return new Question.Choice(
                KEY,
                "what to do with duplicates",
                List.of(new Question.Option("leave", "they stay as they are"),
                        new Question.Option(REPLACE, "in the class they call the method too; what differs is passed "
                                + "over"),
                        new Question.Option("package", "so they do in all of the package")),
                "leave");
    }

    static DuplicateScope of(Answers answers) {
        String answer = answers.single(KEY).orElse("leave");
        if (answer.equals("leave")) {
            return NONE;
        }
        return answer.equals(REPLACE) ? CLASS : PACKAGE;
    }

    /**
     * The files in which there may be some.
     *
     * @param selection the code in its file
     */
    Set<Path> files(Snapshot snapshot, SourceFile file, Range selection) {
        Set<String> called = called(file, selection);
        if (this != PACKAGE || called.isEmpty()) {
            return Set.of(file.path());
        }
        Set<Path> found = new LinkedHashSet<>(Set.of(file.path()));
        snapshot.mentioning(Set.of(called.iterator().next())).stream()
                .filter(other -> other.header().packageName().equals(file.header().packageName())
                        && other.module().equals(file.module()) && other.tokens().names().containsAll(called))
                .forEach(other -> found.add(other.path()));
        return found;
    }

    /** The names of the methods that are called in a stretch of code, which is all that never differs. */
    private static Set<String> called(SourceFile file, Range selection) {
        Tokens tokens = file.tokens();
        Set<String> names = new LinkedHashSet<>();
        for (int i = Math.max(0, tokens.at(selection.start())); i < tokens.count()
                && tokens.start(i) < selection.end(); i++) {
            int next = tokens.code(i + 1);
            if (tokens.kind(i) == TokenKind.IDENTIFIER && next < tokens.count() && tokens.is(next, '(')) {
                names.add(tokens.name(i));
            }
        }
        return names;
    }
}
