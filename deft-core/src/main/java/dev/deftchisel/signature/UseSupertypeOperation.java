package dev.deftchisel.signature;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.NeededType;
import dev.deftchisel.signature.plan.PlacedParameter;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Gives a parameter the most general type that its uses need (the refactoring "use supertype where possible" of the
 * literature): whoever calls the method may then pass more.
 */
public final class UseSupertypeOperation implements Operation {

    /** The key of the type, when it is to be another than the most general one. */
    public static final String TYPE = "type";

    @Override
    public String id() {
        return "use-supertype";
    }

    @Override
    public String summary() {
        return "Give a parameter the most general type that its uses need";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Text(TYPE, "the type, if not the most general one", ""));
    }

    /** A parameter of a method at a place, and the types that would do for it, the most general one first. */
    private record Found(PlacedParameter parameter, List<TypeElement> types) {
    }

    private static Optional<Found> found(ResolvedPlace resolved) {
        return PlacedParameter.at(resolved).filter(one -> type(one) instanceof DeclaredType)
                .flatMap(one -> found(resolved, one));
    }

    private static TypeMirror type(PlacedParameter parameter) {
        return parameter.header().element().getParameters().get(parameter.index()).asType();
    }

    private static Optional<Found> found(ResolvedPlace resolved, PlacedParameter parameter) {
        AttributedFile code = parameter.header().code();
        DeclaredType type = (DeclaredType) type(parameter);
        List<TypeElement> above = new ArrayList<>(Supertypes.of((TypeElement) type.asElement(), code.types()));
        NeededType needed = new NeededType(resolved.analysis(), code, code.element(parameter.path()).orElseThrow());
        List<TypeElement> fitting = above.stream().filter(candidate -> needed.isUsed() && needed.isEnough(candidate))
                .collect(Collectors.toList());
        List<TypeElement> all = List.copyOf(fitting);
        fitting.sort(Comparator.comparing((TypeElement one) -> all.stream().filter(other -> isBelow(code, one, other))
                .count()).thenComparing(one -> one.getKind() == ElementKind.CLASS));
        return fitting.isEmpty() ? Optional.empty() : Optional.of(new Found(parameter, fitting));
    }

    private static boolean isBelow(AttributedFile code, TypeElement one, TypeElement other) {
        return !one.equals(other) && code.isKind(code.types().erasure(one.asType()), code.types().erasure(other
                .asType()));
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return found(resolved).map(found -> new Offer(id(), "take any '" + found.types().get(0).getSimpleName()
                + "' for '" + found.parameter().name() + "'", Offer.Kind.REFACTORING, found.parameter().range(),
                questions()));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Found> found = found(resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no parameter here whose uses need less than its type");
        }
        String wanted = answers.single(TYPE).orElse("");
        Optional<TypeElement> type = wanted.isEmpty() ? Optional.of(found.get().types().get(0))
                : found.get().types().stream().filter(one -> one.getSimpleName().contentEquals(wanted)
                        || one.getQualifiedName().contentEquals(wanted)).findFirst();
        if (type.isEmpty()) {
            return Plan.refused(resolved, "'" + wanted + "' would not do here; these would: " + found.get().types()
                    .stream().map(one -> NamedTypes.shown(one.asType())).collect(Collectors.joining(", ")));
        }
        PlacedParameter parameter = found.get().parameter();
        DeclaredHeader header = parameter.header();
        // by simple names, which are imported where that is needed
        String text = Supertypes.as(type(parameter), type.get(), header.code().types()).map(NamedTypes::simple)
                .orElse(type.get().getSimpleName().toString());
        Place name = new Place(resolved.file().path(), new Range(header.name().start(), header.name().start()));
        ResolvedPlace method = new ResolvedPlace(name, resolved.file(), resolved.analysis());
        return new ChangeSignatureOperation().plan(method, Answers.of(ChangeSignatureOperation.TO,
                retyped(header.header(), parameter.index(), text)), analyst);
    }

    private static String retyped(TypedHeader header, int index, String type) {
        List<String> parameters = new ArrayList<>();
        for (int i = 0; i < header.parameters().size(); i++) {
            TypedHeader.TypedParameter one = header.parameters().get(i);
            parameters.add(i == index ? type + " " + header.at(one.name())
                    : header.declared(one));
        }
        return header.with(parameters);
    }
}
