package dev.deftchisel.generate.method;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.generate.GenerateOperation;
import dev.deftchisel.member.AccessorNames;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Counterparts;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.NewFile;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.NestingKind;
import javax.lang.model.util.ElementFilter;
import javax.lang.model.util.Elements;

/**
 * Writes a test class (JUnit 5) for a type, in the same package of the tests, or adds tests to the one that is there.
 */
public final class GenerateTestOperation implements Operation {

    /** The key of the methods that are tested. */
    public static final String MEMBERS = "members";
    /** The key of the flag whether each test gets a new object. */
    public static final String SET_UP = "set-up";

    private static final String JUNIT = "org.junit.jupiter.api.";
    private static final Question SET_UP_QUESTION = new Question.Flag(SET_UP, "each test gets a new object", false);
    private static final Set<String> OF_OBJECT = Set.of("equals", "hashCode", "toString");

    @Override
    public String id() {
        return "generate-test";
    }

    @Override
    public String summary() {
        return "Generate a test class for a type, or more tests in the existing one";
    }

    @Override
    public List<Question> questions() {
        return List.of(new Question.Members(MEMBERS, "the methods that are tested", List.of(), List.of()),
                SET_UP_QUESTION);
    }

    private static Optional<TargetClass> target(Analysis analysis, ResolvedPlace resolved) {
        return resolved.file().root().use() != SourceRoot.Use.MAIN ? Optional.empty()
                : GenerateOperation.target(analysis, resolved)
                .filter(target -> target.type().getNestingKind() == NestingKind.TOP_LEVEL && target.type()
                .getKind() != ElementKind.ANNOTATION_TYPE);
    }

    /** The folder of the tests of a module. */
    private static Optional<SourceRoot> root(SourceFile file) {
        return file.module().roots().stream()
                .filter(one -> one.use() == SourceRoot.Use.TEST && one.kind() == SourceRoot.Kind.SOURCE).findFirst();
    }

    private static boolean hasJUnit(TargetClass target) {
        return target.code().elements().getTypeElement(JUNIT + "Test") != null;
    }

    private static List<String> methods(TargetClass target) {
        return ElementFilter.methodsIn(target.type().getEnclosedElements()).stream()
                .filter(method -> !method.getModifiers().contains(Modifier.PRIVATE) && target.code().elements()
                .getOrigin(method) == Elements.Origin.EXPLICIT)
                .map(method -> method.getSimpleName().toString()).distinct().toList();
    }

    /** What does something, rather than to tell what is there. */
    private static List<String> defaultMembers(TargetClass target) {
        return methods(target).stream()
                .filter(name -> !OF_OBJECT.contains(name) && target.parts().stream()
                .noneMatch(part -> AccessorNames.isAccessor(name, part)))
                .toList();
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return target(resolved.analysis(), resolved).filter(target -> target.isAmongMembers(resolved.place().caret())
                        && root(resolved.file()).isPresent() && hasJUnit(target))
                .map(target -> new Offer(id(), "generate tests of " + target.name(), Offer.Kind.GENERATE, target.code()
                .range(target.tree()),
                        List.of(new Question.Members(MEMBERS, "the methods that are tested", methods(target),
                                defaultMembers(target)),
                                SET_UP_QUESTION)));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        SourceFile file = resolved.file();
        Analysis near = analyst.analyse(Focus.around(file.path(), resolved.place().selection()).deeply());
        Optional<TargetClass> target = target(near, resolved);
        if (target.isEmpty()) {
            return Plan.refused(resolved, "there is no top-level type of the main code here");
        }
        Optional<SourceRoot> root = root(file);
        if (root.isEmpty()) {
            return Plan.refused(resolved, "module " + file.module()
                    .name() + " has no folder for tests; make one and open it as such");
        } else if (!hasJUnit(target.get())) {
            return Plan.refused(resolved, "module " + file.module().name()
                    + " does not have JUnit 5 (org.junit.jupiter:junit-jupiter-api) on its class path");
        }
        List<String> names = answers.several(MEMBERS).orElseGet(() -> defaultMembers(target.get()));
        Optional<String> unknown = names.stream().filter(name -> !methods(target.get()).contains(name)).findFirst();
        if (unknown.isPresent()) {
            return Plan.refused(resolved, "there is no method '" + unknown.get() + "' to test; there are "
                    + String.join(", ", methods(target.get())));
        }
        Optional<Place> there = new Counterparts(analyst.snapshot()).of(file).stream().findFirst();
        return there.isPresent() ? more(resolved, there.get(), names, analyst)
                : fresh(target.get(), root.get(), names, answers.flag(SET_UP), analyst);
    }

    private static List<NewMember> tests(List<String> names, TypeWriter writer, AttributedFile code) {
        String test = "@" + writer.name(code.elements().getTypeElement(JUNIT + "Test"));
        String fail = writer.name(code.elements().getTypeElement(JUNIT + "Assertions")) + ".fail(\"not written yet\");";
        return names.stream().map(name -> NewMember.added(NewMember.Kind.METHOD, name,
                List.of(test, "void " + name + "() {", "    " + fail, "}"))).toList();
    }

    private Plan more(ResolvedPlace resolved, Place there, List<String> names, Analyst analyst) {
        Analysis before = analyst.analyse(Focus.whole(Set.of(there.file())));
        AttributedFile code = before.code(there.file()).orElseThrow();
        TargetClass test = TargetClass.at(code, there.caret()).orElseThrow();
        List<String> missing = names.stream().filter(name -> !test.memberNames().contains(name)).toList();
        if (missing.isEmpty()) {
            return Plan.refused(resolved, test.name() + " has a test for each of these");
        }
        EditsByFile edits = new EditsByFile(before);
        edits.of(there.file()).addAll(new MemberInserter(test).edits(tests(missing, edits.writer(code), code)));
        return new Plan.Ready(edits.change("generate tests of " + String.join(", ", missing), SymbolEffects.same()
                .extending(Set.of(code.key(test.type()))),
                List.of()), before);
    }

    private Plan fresh(TargetClass target, SourceRoot root, List<String> names, boolean setsUp, Analyst analyst) {
        AttributedFile code = target.code();
        SourceFile file = code.file();
        String name = Counterparts.testName(target.name());
        NewFile made = NewFile.of(root, file.header().packageName(), name, file, analyst.snapshot(), code.elements());
        List<String> lines = new ArrayList<>(List.of("class " + name + " {"));
        if (setsUp) {
            lines.addAll(setUp(target, made.writer()));
        }
        for (NewMember test : tests(names, made.writer(), code)) {
            if (lines.size() > 1) {
                lines.add("");
            }
            test.lines().forEach(line -> lines.add("    " + line));
        }
        lines.add("}");
        Set<Path> mentioning = analyst.snapshot().pathsMentioning(Set.of(name));
        Focus focus = new Focus(Set.of(file.path()), Set.of(name), Set.of(),
                Map.of(file.path(), List.of(new Range(0, 0))), true)
                .andFiles(mentioning);
        Change change = new Change("generate tests of " + target.name(), List.of(), SymbolEffects.same(), List.of())
                .creating(made.with(lines, Set.of()));
        return new Plan.Ready(change, analyst.analyse(focus));
    }

    private static List<String> setUp(TargetClass target, TypeWriter writer) {
        String field = Character.toLowerCase(target.name().charAt(0)) + target.name().substring(1);
        String arguments = ElementFilter.constructorsIn(target.type().getEnclosedElements()).stream()
                .filter(constructor -> !constructor.getModifiers().contains(Modifier.PRIVATE))
                .min((one, other) -> Integer.compare(one.getParameters().size(), other.getParameters().size()))
                .map(PlaceholderCode::arguments).orElse("");
        boolean isGeneric = !target.type().getTypeParameters().isEmpty();
        String each = "@" + writer.name(target.code().elements().getTypeElement(JUNIT + "BeforeEach"));
        return List.of("    private " + target.wildcardType() + " " + field + ";", "", "    " + each,
                "    void setUp() {",
                "        " + field + " = new " + target.name() + (isGeneric ? "<>" : "") + "(" + arguments + ");",
                "    }");
    }
}
