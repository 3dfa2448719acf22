package dev.deftchisel.proving.subject;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** Random types, each with one of the operations that generate members, and random answers to what that asks. */
public final class TypeSubjects extends RandomFiles {

    private static final Set<SymbolKind> TYPES = Set.of(SymbolKind.CLASS, SymbolKind.RECORD, SymbolKind.ENUM);
    /** What is not offered at types, by what it is offered at. */
    private static final Map<String, SymbolKind> MEMBERS = Map.of(
            "generate-delegation", SymbolKind.FIELD, "inherit-documentation", SymbolKind.METHOD);
    private static final int MOST_IN_FILE = 8;

    private final List<Operation> operations;
    private final Set<SymbolKind> kinds;

    /**
     * @param analyst    of the untouched corpus
     * @param draw       which files, and how
     * @param operations that generate members
     */
    public TypeSubjects(Analyst analyst, Draw draw, List<Operation> operations) {
        super(analyst, draw);
        this.operations = List.copyOf(operations);
        this.kinds = new HashSet<>(operations.stream().allMatch(operation -> MEMBERS.containsKey(operation.id()))
                ? Set.of() : TYPES);
        operations.stream().filter(operation -> MEMBERS.containsKey(operation.id()))
                .forEach(operation -> kinds.add(MEMBERS.get(operation.id())));
    }

    @Override
    Optional<Subject> subject(int number, SourceFile file, Random random) {
        Analysis analysis = analyst().analyse(Focus.whole(Set.of(file.path())));
        List<Binding> types = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && binding.isNamed()
                        && analysis.symbol(binding.key())
                        .filter(symbol -> kinds.contains(symbol.kind())).isPresent())
                .toList();
        List<Binding> drawn = new ArrayList<>(types);
        Collections.shuffle(drawn, random);
        for (Binding binding : drawn.subList(0, Math.min(MOST_IN_FILE, drawn.size()))) {
            Place place = new Place(file.path(), new Range(binding.range().start(), binding.range().start()));
            ResolvedPlace resolved = new ResolvedPlace(place, file, analysis);
            List<Offer> found = operations.stream().map(operation -> operation.offer(resolved))
                    .flatMap(Optional::stream)
                    .toList();
            if (!found.isEmpty()) {
                return Optional.of(subject(number, place, found.get(random.nextInt(found.size())), random));
            }
        }
        return Optional.empty();
    }

    private static Subject subject(int number, Place place, Offer offer, Random random) {
        Answers answers = Answers.none();
        for (Question question : offer.questions()) {
            if (question instanceof Question.Members members) {
                // who overrides equals by itself gets a warning, and wanted it
                answers = answers.and(members.key(), offer.operation().startsWith("implement") ? members.defaultAnswer()
                        : some(members, random));
            } else if (question instanceof Question.Choice choice) {
                answers = answers.and(choice.key(), choice.options().get(random.nextInt(choice.options().size()))
                        .key());
            } else if (question instanceof Question.Flag flag) {
                answers = answers.and(flag.key(), String.valueOf(random.nextBoolean()));
            }
        }
        return new Subject(number, offer.operation(), place, offer.operation(), offer.title(), answers);
    }

    /**
     * The standard ones half of the time; otherwise some, in any order. Nothing else is to be descending than what is
     * chosen.
     */
    private static List<String> some(Question.Members members, Random random) {
        if (random.nextBoolean() || members.key().equals("descending")) {
            return members.defaultAnswer();
        }
        List<String> all = new ArrayList<>(members.candidates());
        Collections.shuffle(all, random);
        return List.copyOf(all.subList(0, random.nextInt(all.size() + 1)));
    }

    @Override
    Optional<Place> barren(SourceFile file, Random random) {
        // outside of all types there is nothing that members could come to
        return Optional.of(new Place(file.path(), new Range(0, 0)));
    }
}
