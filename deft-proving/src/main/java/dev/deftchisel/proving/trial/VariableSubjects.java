package dev.deftchisel.proving.trial;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Binding;
import dev.deftchisel.analysis.Focus;
import dev.deftchisel.analysis.Role;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** Random local variables, at their declaration or a use: a file is drawn, then one of these names in it. */
public final class VariableSubjects extends RandomFiles {

    private final String operation;

    /**
     * @param analyst   of the untouched corpus
     * @param seed      decides everything
     * @param operation what is tried with a variable
     */
    public VariableSubjects(Analyst analyst, long seed, String operation) {
        super(analyst, seed);
        this.operation = operation;
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        Analysis analysis = analyst().analyse(Focus.whole(Set.of(file.path())));
        List<Binding> names = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.isNamed() && analysis.symbol(binding.key())
                        .filter(symbol -> symbol.kind() == SymbolKind.LOCAL_VARIABLE).isPresent())
                .toList();
        if (names.isEmpty()) {
            return Optional.empty();
        }
        Binding name = names.get(random.nextInt(names.size()));
        boolean isUse = name.role() != Role.DECLARATION;
        Answers answers = Answers.of("places", isUse && random.nextInt(4) == 0 ? "here" : "all");
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
