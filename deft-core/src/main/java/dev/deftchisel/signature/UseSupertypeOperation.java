package dev.deftchisel.signature;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.supertype.FittingTypes;
import dev.deftchisel.signature.supertype.NeededType;
import dev.deftchisel.signature.supertype.RetypedVariables;
import dev.deftchisel.signature.supertype.TypedDeclaration;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;

/**
 * Gives a parameter, variable, field or result the most general type that its uses need (the refactoring "use supertype
 * where possible" of the literature): whoever calls the method may then pass more, or is told less.
 */
public final class UseSupertypeOperation implements Operation {

    /** The key of the type, when it is to be another than the most general one. */
    public static final String TYPE = "type";
    /** The key of whether all variables and private fields of the file go along that are declared so. */
    public static final String ALL = "all";

    @Override
    public String id() {
        return "use-supertype";
    }

    @Override
    public String summary() {
        return "Give a parameter, variable, field or result the most general type that its uses need";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Text(TYPE, "the type, if not the most general one", ""),
                new Question.Flag(ALL, "the same for all variables and private fields of this file that are declared "
                        + "with this type and need no more", false));
    }

    private static Optional<TypedDeclaration> declared(ResolvedPlace resolved) {
        // a call is not the place to change what all others get
        return TypedDeclaration.at(resolved).filter(one -> !one.isResult() || one.range()
                .touches(resolved.place().caret()));
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        Optional<TypedDeclaration> declared = declared(resolved);
        return declared.flatMap(one -> FittingTypes.of(resolved.analysis(), one)).flatMap(FittingTypes::best)
                .map(type -> new Offer(id(), title(declared.get(), type.getSimpleName().toString()),
                        Offer.Kind.REFACTORING, declared.get().range(), questions().subList(0, declared.get()
                        .isVariable() ? 2 : 1)));
    }

    private static String title(TypedDeclaration declared, String type) {
        if (declared.isResult()) {
            return "give back any '" + type + "' from '" + declared.name() + "'";
        }
        return declared.isVariable() ? "declare '" + declared.name() + "' as '" + type + "'"
                : "take any '" + type + "' for '" + declared.name() + "'";
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<TypedDeclaration> placed = declared(resolved);
        if (placed.isEmpty()) {
            return Plan.refused(resolved, "there is no parameter, variable, field or method here whose type is written "
                    + "and can be a more general one");
        }
        boolean isAll = answers.flag(ALL) && placed.get().isVariable() && placed.get().isPrivate();
        Analysis before = analyst.analyse(isAll ? Focus.whole(Set.of(resolved.file().path()))
                : focus(resolved, placed.get(), analyst));
        TypedDeclaration declared = before.declaration(placed.get().key()).flatMap(name -> before.code(name.file())
                .flatMap(code -> TypedDeclaration.at(code, name.range()))).orElseThrow();
        Optional<FittingTypes> fitting = isAll ? FittingTypes.ofAll(before, declared)
                : FittingTypes.of(before, declared);
        String wanted = answers.single(TYPE).orElse("");
        Optional<TypeElement> type = fitting.flatMap(all -> wanted.isEmpty() ? all.best() : all.named(wanted));
        if (type.isEmpty()) {
            return Plan.refused(objection(before, declared, fitting, wanted));
        } else if (!declared.isVariable()) {
            return retyped(resolved, declared, type.get(), analyst);
        }
        RetypedVariables variables = new RetypedVariables(before, type.get());
        return variables.plan(isAll ? variables.alike(declared) : List.of(declared));
    }

    private static Focus focus(ResolvedPlace resolved, TypedDeclaration declared, Analyst analyst) {
        Path file = resolved.file().path();
        Set<String> name = Set.of(declared.name());
        Set<Path> files = declared.isPrivate() || declared.element().getKind() == ElementKind.PARAMETER ? Set.of(file)
                : analyst.snapshot().pathsMentioning(name);
        return Focus.on(files, name).andFiles(Set.of(file)).deeply();
    }

    /** Why there is no type, or not the wanted one: where the nearest one would not do. */
    private static Reason objection(Analysis before, TypedDeclaration declared, Optional<FittingTypes> fitting,
            String wanted) {
        Path file = declared.code().file().path();
        if (fitting.isPresent()) {
            String would = fitting.get().shown();
            return Reason.at(file, declared.range(), wanted.isEmpty() ? "nothing is asked of it, so any of these would "
                    + "do: " + would + "; name the one you want"
                    : "'" + wanted + "' would not do here; these would: " + would);
        }
        NeededType needed = new NeededType(before, declared, Set.of());
        Optional<TypeElement> nearest = Supertypes.of((TypeElement) declared.type().asElement(), declared.code()
                .types()).stream().findFirst();
        Optional<Binding> more = nearest.flatMap(needed::more);
        String type = NamedTypes.simple(declared.type());
        return more.map(use -> Reason.at(use.file(), use.range(), "no more general type would do: this needs '"
                + type + "'")).orElseGet(() -> Reason.at(file, declared.range(), needed.isUsed()
                ? "no more general type than '" + type + "' would do" : "'" + declared.name() + "' is never used, so "
                + "nothing tells which type it needs"));
    }

    /** The new header of a method; types by their simple names, which are imported where that is needed. */
    private static Plan retyped(ResolvedPlace resolved, TypedDeclaration declared, TypeElement type, Analyst analyst) {
        AttributedFile code = declared.code();
        String text = Supertypes.as(declared.type(), type, code.types()).map(NamedTypes::simple)
                .orElse(type.getSimpleName().toString());
        ExecutableElement method = (ExecutableElement) (declared.isResult() ? declared.element()
                : declared.element().getEnclosingElement());
        DeclaredHeader header = DeclaredHeader.of(resolved.analysis(), code.key(method)).orElseThrow();
        Place name = new Place(resolved.file().path(), new Range(header.name().start(), header.name().start()));
        int index = method.getParameters().indexOf(declared.element());
        return new ChangeSignatureOperation().plan(new ResolvedPlace(name, resolved.file(), resolved.analysis()),
                Answers.of(ChangeSignatureOperation.TO, declared.isResult() ? withResult(header.header(), text)
                        : retyped(header.header(), index, text)), analyst);
    }

    private static String withResult(TypedHeader header, String type) {
        Range result = header.head().result().orElseThrow();
        return header.text().substring(0, result.start()) + type + header.text().substring(result.end());
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
