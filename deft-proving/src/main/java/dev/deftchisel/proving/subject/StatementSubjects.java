package dev.deftchisel.proving.subject;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** Random runs of one to six statements that follow each other, to become a method. */
public final class StatementSubjects extends RandomFiles {

    private static final String OPERATION = "extract-method";
    private static final int LONGEST = 6;

    private final Answers answers;

    /**
     * @param analyst of the untouched corpus
     * @param draw    which files, and how
     * @param answers what is answered besides the name
     */
    public StatementSubjects(Analyst analyst, Draw draw, Answers answers) {
        super(analyst, draw);
        this.answers = answers;
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        if (file.isModuleInfo()) {
            return Optional.empty();
        }
        AttributedFile code = analyst().analyse(Focus.whole(Set.of(file.path()))).code(file.path()).orElseThrow();
        List<List<Range>> lists = lists(code);
        if (lists.isEmpty()) {
            return Optional.empty();
        }
        List<Range> list = lists.get(random.nextInt(lists.size()));
        int length = 1 + random.nextInt(Math.min(LONGEST, list.size()));
        int first = random.nextInt(list.size() - length + 1);
        Range selection = new Range(list.get(first).start(), list.get(first + length - 1).end());
        return Optional.of(new Subject(number, OPERATION, new Place(file.path(), selection),
                length == 1 ? "1 statement" : length + " statements",
                OPERATION + " of '" + code.shown(selection, 60) + "'", answers.and("name", "zq" + number + "m")));
    }

    /** The statements of each list that has some. */
    private static List<List<Range>> lists(AttributedFile code) {
        List<List<Range>> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                List<Range> ranges = tree == null ? List.of() : TreePaths.statements(tree).stream()
                        .flatMap(statement -> code.find(statement).stream())
                        .toList();
                if (!ranges.isEmpty()) {
                    found.add(ranges);
                }
                return super.scan(tree, null);
            }
        }.scan(new TreePath(code.unit()), null);
        return found;
    }

    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        return ExpressionSubjects.keyword(file, random);
    }
}
