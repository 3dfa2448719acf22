package dev.deftchisel.generate.method;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.generate.GenerateOperation;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.InheritedMethodText;
import dev.deftchisel.member.InheritedMethods;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.SupertypeClause;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/** Writes methods that pass each call on to a field, those of an interface or any others that the field's type has. */
public final class GenerateDelegationOperation implements Operation {

    /** The key of the methods, written as {@code name(Type, Type)}. */
    public static final String MEMBERS = "members";
    /** The key of the flag whether the class implements the field's interface then. */
    public static final String IMPLEMENTS = "implements";

    private static final Question IMPLEMENTS_QUESTION = new Question.Flag(IMPLEMENTS,
            "the class implements the interface of the field",
            true);

    @Override
    public String id() {
        return "generate-delegation";
    }

    @Override
    public String summary() {
        return "Generate methods that delegate to a field";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Members(MEMBERS, "the methods; all of an interface by default", List.of(),
                List.of()),
                IMPLEMENTS_QUESTION);
    }

    /**
     * A field that can do the work.
     *
     * @param methods that its type has, by signature
     */
    private record Delegate(TargetClass target, StateField part, InheritedMethods inherited,
            Map<String, ExecutableElement> methods) {

        boolean isInterface() {
            return ((DeclaredType) part.type()).asElement().getKind() == ElementKind.INTERFACE;
        }

        /** Those of an interface, or those that the class must have. */
        List<String> defaultMembers() {
            Map<String, ExecutableElement> own = InheritedMethods.by(target).methods();
            return methods.entrySet().stream()
                    .filter(entry -> isInterface() ? entry.getValue().getModifiers().contains(Modifier.ABSTRACT)
                            : Optional.ofNullable(own.get(entry.getKey()))
                            .filter(method -> method.getModifiers().contains(Modifier.ABSTRACT)).isPresent())
                    .map(Map.Entry::getKey).toList();
        }
    }

    private static Optional<Delegate> delegate(Analysis analysis, ResolvedPlace resolved) {
        return GenerateOperation.target(analysis, resolved)
                .filter(target -> target.type().getKind() == ElementKind.CLASS || target.isRecord() || target.type()
                .getKind() == ElementKind.ENUM)
                .flatMap(target -> target.partAt(resolved.place().caret())
                        .filter(part -> part.type() instanceof DeclaredType type
                                && !NamedTypes.is(type, "java.lang.String"))
                        .map(part -> delegate(target, part)))
                .filter(found -> !found.methods().isEmpty());
    }

    /** An object that is equal to what its part equals is not equal the other way round (see {@link Object#equals}). */
    private static boolean isOfEquality(ExecutableElement method, InheritedMethods inherited) {
        List<? extends TypeMirror> parameters = inherited.parameters(method);
        return method.getSimpleName().contentEquals("hashCode") && parameters.isEmpty()
                || method.getSimpleName().contentEquals("equals") && parameters.size() == 1
                && NamedTypes.is(parameters.get(0), "java.lang.Object");
    }

    private static Delegate delegate(TargetClass target, StateField part) {
        InheritedMethods inherited = InheritedMethods.from(target.code(), (DeclaredType) part.type());
        Map<String, ExecutableElement> methods = new LinkedHashMap<>(inherited.methods());
        methods.values().removeIf(method -> !method.getModifiers().contains(Modifier.PUBLIC)
                || NamedTypes.is(method.getEnclosingElement().asType(), "java.lang.Object")
                || isOfEquality(method, inherited)
                || target.declared(method.getSimpleName().toString(), inherited.parameters(method)).isPresent());
        return new Delegate(target, part, inherited, methods);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return delegate(resolved.analysis(), resolved)
                .map(found -> new Offer(id(), "generate methods that delegate to " + found.part().name(),
                Offer.Kind.GENERATE, found.target().code().range(found.target().tree()),
                List.of(new Question.Members(MEMBERS, "the methods", List.copyOf(found.methods().keySet()),
                        found.defaultMembers()),
                        IMPLEMENTS_QUESTION)));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis first = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<Delegate> found = delegate(first, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no field here whose type has methods that could be passed on to "
                    + "it");
        }
        Delegate delegate = found.get();
        TargetClass target = delegate.target();
        List<String> wanted = answers.several(MEMBERS).orElseGet(delegate::defaultMembers);
        if (wanted.isEmpty()) {
            return Plan.refused(resolved, "say which methods are to be passed on; there are "
                    + String.join(", ", delegate.methods().keySet()));
        }
        EditsByFile edits = new EditsByFile(first);
        InheritedMethodText text = new InheritedMethodText(delegate.inherited(), edits.writer(target.code()),
                CodingStyle.of(target).parameter());
        String field = delegate.part().name();
        boolean isAbove = target.code().isKind(target.type().asType(), delegate.part().type());
        boolean becomes = !isAbove && delegate.isInterface() && answers.single(IMPLEMENTS).filter("false"::equals)
                .isEmpty();
        if (becomes) {
            edits.writer(target.code()).write(delegate.part().type())
                    .ifPresent(type -> edits.of(resolved.file().path())
                            .add(SupertypeClause.implementing(target, type)));
        }
        Set<String> own = InheritedMethods.by(target).methods().keySet();
        return new ChosenMethods(target, delegate.methods(), "to pass on to " + field).plan(resolved, wanted,
                (name, method) -> text.delegating(method, field, becomes || own.contains(name)), edits,
                "generate methods of " + target.shown() + " that pass on to " + field, becomes, analyst);
    }
}
