package dev.deftchisel.proving.subject;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * Random names of one kind, at their declaration or a use: a file is drawn, then one of these names in it. Of methods
 * only calls are drawn.
 */
public final class NameSubjects extends RandomFiles {

    private final String operation;
    private final SymbolKind kind;
    private final Answers always;

    /**
     * @param analyst   of the untouched corpus
     * @param draw      which files, and how
     * @param operation what is tried with it
     * @param kind      of what is named
     * @param always    what is answered besides
     */
    public NameSubjects(Analyst analyst, Draw draw, String operation, SymbolKind kind, Answers always) {
        super(analyst, draw);
        this.operation = operation;
        this.kind = kind;
        this.always = always;
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        Analysis analysis = analyst().analyse(Focus.whole(Set.of(file.path())));
        List<Binding> names = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.isNamed() && analysis.symbol(binding.key())
                        .filter(symbol -> symbol.kind() == kind && symbol.isSource()).isPresent())
                .filter(binding -> kind != SymbolKind.METHOD || binding.role() == Role.CALL)
                .toList();
        if (names.isEmpty()) {
            return Optional.empty();
        }
        Binding name = names.get(random.nextInt(names.size()));
        boolean isUse = name.role() != Role.DECLARATION;
        Answers answers = always.and("places", isUse && random.nextInt(4) < (kind == SymbolKind.METHOD ? 3 : 1) ? "here"
                : "all");
        answers = kind == SymbolKind.METHOD && random.nextInt(3) == 0 ? answers.and("levels", "all") : answers;
        return Optional.of(new Subject(number, operation,
                new Place(file.path(), new Range(name.range().start(), name.range().start())),
                isUse ? "use" : "declaration",
                operation + " " + analysis.text(file.path(), name.range()), answers));
    }

    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        return ExpressionSubjects.keyword(file, random);
    }
}
