package dev.deftchisel.signature;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.NewFile;
import dev.deftchisel.signature.plan.ComponentType;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.ParameterObject;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.SourceVersion;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Has a method take a record in place of several parameters (the refactoring "introduce parameter object" of the
 * literature): each call makes one of what it passes, each body reads its components into variables first.
 */
public final class IntroduceParameterObjectOperation implements Operation {

    /** The key of the name of the record. */
    public static final String NAME = "name";
    /** The key of the parameters that become its components, in its order; all of them where that is not said. */
    public static final String PARAMETERS = "parameters";

    private static final int LEAST = 2;
    /** The level at which there are records (JEP 395). */
    private static final int RECORDS = 16;

    @Override
    public String id() {
        return "introduce-parameter-object";
    }

    @Override
    public String summary() {
        return "Have a method take a record in place of several parameters";
    }

    @Override
    public List<Question> questions() {
        return questions("", List.of());
    }

    private static List<Question> questions(String proposal, List<String> parameters) {
        return List.of(new Question.Name(NAME, "the name of the record", "", proposal.isEmpty() ? List.of()
                : List.of(proposal)), new Question.Members(PARAMETERS, "its components", parameters, parameters));
    }

    private static Optional<DeclaredHeader> header(ResolvedPlace resolved) {
        return ChangeSignatureOperation.symbol(resolved).flatMap(symbol -> DeclaredHeader.of(resolved.analysis(),
                symbol.key())).filter(header -> !header.isOfRecord() && !header.isLocal()
                        && header.header().parameters().size() >= LEAST);
    }

    private static List<String> names(DeclaredHeader header) {
        return header.header().parameters().stream().map(one -> header.header().at(one.name())).toList();
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return header(resolved).filter(header -> resolved.file().module().level() >= RECORDS).map(header -> {
            String called = header.element().getSimpleName().contentEquals("<init>")
                    ? header.element().getEnclosingElement().getSimpleName().toString()
                    : header.header().at(header.header().name());
            return new Offer(id(), "take a record in place of the parameters of '" + called + "'",
                    Offer.Kind.REFACTORING, header.name(), questions(called.substring(0, 1).toUpperCase(Locale.ROOT)
                    + called.substring(1) + "Request", names(header)));
        });
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<DeclaredHeader> found = header(resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no method here with several parameters; put the caret on the name "
                    + "of one where it is declared");
        }
        DeclaredHeader header = found.get();
        List<String> names = names(header);
        List<String> chosen = answers.several(PARAMETERS).map(said -> said.stream()
                .flatMap(one -> Stream.of(one.split(","))).map(String::strip).toList()).orElse(names);
        String name = answers.single(NAME).orElse("");
        Optional<Reason> objection = objection(resolved.file(), header, chosen, name);
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        List<Integer> origins = chosen.stream().map(names::indexOf).toList();
        FileChange record = record(resolved.file(), header, origins, name, analyst);
        if (analyst.snapshot().file(record.path()).isPresent()) {
            return Plan.refused("the file " + analyst.snapshot().workspace().show(record.path()) + " exists already");
        }
        String variable = NewName.free(header.code().tokens().names(), name.substring(0, 1).toLowerCase(Locale.ROOT)
                + name.substring(1));
        TypedHeader typed = HeaderReader.read(typed(header, origins, name + " " + variable)).header().orElseThrow();
        Analysis before = ChangeSignatureOperation.looking(analyst, header, typed);
        SymbolKey method = header.code().key(header.element());
        List<Reason> obstacles = new NamesAround(method, before, answers).obstacles();
        if (!obstacles.isEmpty()) {
            return new Plan.Refused(obstacles);
        }
        Analyst with = analyst.of(analyst.snapshot().with(Map.of(record.path(), Optional.of(record.after()
                .content())), Map.of()));
        int index = (int) names.stream().limit(origins.stream().mapToInt(one -> one).min().orElseThrow())
                .filter(one -> !chosen.contains(one)).count();
        Plan plan = new PlannedSignature(with, before, method, typed, Map.of()).withObject(new ParameterObject(index,
                origins), variable, chosen);
        return plan instanceof Plan.Ready ready ? new NamesAround(method, ready.before(), answers).with(
                new Plan.Ready(ready.change().creating(record), ready.before())) : plan;
    }

    private static Optional<Reason> objection(SourceFile file, DeclaredHeader header, List<String> chosen,
            String name) {
        List<String> names = names(header);
        Optional<String> unknown = chosen.stream().filter(one -> !names.contains(one)).findFirst();
        Optional<String> unnamed = chosen.stream().filter(names::contains).flatMap(one -> ComponentType.objection(
                header.element().getParameters().get(names.indexOf(one)).asType())
                .map(why -> "the type of '" + one + "' " + why).stream()).findFirst();
        String problem = "";
        if (!SourceVersion.isName(name) || name.contains(".")) {
            problem = "'" + name + "' is no name of a type";
        } else if (unknown.isPresent()) {
            problem = "there is no parameter '" + unknown.get() + "'; these are there: " + String.join(", ", names);
        } else if (chosen.size() < LEAST || Set.copyOf(chosen).size() < chosen.size()) {
            problem = "a record takes the place of two parameters or more, each of them once";
        } else if (file.module().level() < RECORDS) {
            problem = "the code is of Java " + file.module().level() + ", which has no records";
        } else if (header.element().isVarArgs() && chosen.contains(names.get(names.size() - 1))) {
            problem = "'" + names.get(names.size() - 1) + "' takes any number of arguments, which a component does not";
        } else if (unnamed.isPresent()) {
            problem = unnamed.get();
        }
        return problem.isEmpty() ? Optional.empty() : Optional.of(Reason.at(file.path(), header.name(), problem));
    }

    private static String typed(DeclaredHeader header, List<Integer> origins, String object) {
        List<String> parameters = new ArrayList<>();
        boolean isThere = false;
        for (int i = 0; i < header.header().parameters().size(); i++) {
            if (!origins.contains(i)) {
                parameters.add(header.header().declared(header.header().parameters().get(i)));
            } else if (!isThere) {
                parameters.add(object);
                isThere = true;
            }
        }
        return header.header().with(parameters);
    }

    /** The record in a file of its own beside that of the method, as open as the method. */
    private static FileChange record(SourceFile file, DeclaredHeader header, List<Integer> origins, String name,
            Analyst analyst) {
        AttributedFile code = header.code();
        NewFile made = NewFile.of(file.root(), file.header().packageName(), name, file, analyst.snapshot(),
                code.elements());
        String components = origins.stream().map(origin -> header.element().getParameters().get(origin))
                .map(parameter -> made.writer().write(parameter.asType())
                        .orElse(NamedTypes.shown(parameter.asType())) + " " + parameter.getSimpleName())
                .collect(Collectors.joining(", "));
        return made.with(List.of((isOpen(header.element()) ? "public " : "") + "record " + name + "(" + components
                + ") {", "}"), Set.of());
    }

    private static boolean isOpen(Element element) {
        boolean isOfInterface = element.getEnclosingElement() instanceof TypeElement type && type.getKind()
                .isInterface();
        boolean isHere = element.getModifiers().contains(Modifier.PUBLIC) || element.getModifiers().contains(
                Modifier.PROTECTED) || isOfInterface;
        return isHere && (!(element.getEnclosingElement() instanceof TypeElement type) || isOpen(type));
    }
}
