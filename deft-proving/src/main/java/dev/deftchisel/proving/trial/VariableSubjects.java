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
public final class VariableSubjects implements Subjects {

    private final Analyst analyst;
    private final long seed;
    private final String operation;
    private final Subjects barren;

    /**
     * @param analyst   of the untouched corpus
     * @param seed      decides everything
     * @param operation what is tried with a variable
     */
    public VariableSubjects(Analyst analyst, long seed, String operation) {
        this.analyst = analyst;
        this.seed = seed;
        this.operation = operation;
        this.barren = new ExpressionSubjects(analyst, seed, operation);
    }

    @Override
    public Subject subject(int number) {
        Random random = new Random(seed * 1_000_003 + number);
        List<SourceFile> files = List.copyOf(analyst.snapshot().files());
        while (true) {
            SourceFile file = files.get(random.nextInt(files.size()));
            Optional<Subject> found = subject(number, file, random);
            if (found.isPresent()) {
                return found.get();
            }
        }
    }

    private Optional<Subject> subject(int number, SourceFile file, Random random) {
        Analysis analysis = analyst.analyse(Focus.whole(Set.of(file.path())));
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
    public Place barren(int number) {
        return barren.barren(number);
    }
}
