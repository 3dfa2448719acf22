package dev.deftchisel.extract;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Focus;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.change.Alike;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Meaning;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.Spot;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/** Makes statements, or an expression, the body of a method that is called in their place. */
public final class ExtractMethodOperation implements Operation {

    /** The key of the name. */
    public static final String NAME = "name";

    /** The key of the choice what becomes of places that do the same: {@code leave} or {@code replace} them. */
    public static final String DUPLICATES = "duplicates";

    private static final String REPLACE = "replace";
    private static final Question DUPLICATES_QUESTION = new Question.Choice(
            DUPLICATES,
            "what becomes of places in the class that do the same",
            List.of(new Question.Option("leave", "they stay as they are"),
                    new Question.Option(REPLACE, "they call the method too; what differs is handed over")),
            "leave");
    /** The key of the choice whether several values that are needed afterwards come out as a {@code record}, or only {@code one}. */
    public static final String RESULTS = "results";

    private static final String RECORD = "record";
    private static final Question RESULTS_QUESTION = new Question.Choice(
            RESULTS,
            "how several values come out that are needed afterwards",
            List.of(new Question.Option("one", "not at all: a method hands back one value"),
                    new Question.Option(RECORD, "as a record that is made for them")),
            "one");
    private static final Question VISIBILITY_QUESTION = Visibility.question("who may call the method");

    @Override
    public String id() {
        return "extract-method";
    }

    @Override
    public String summary() {
        return "Make statements, or an expression, a method that is called instead";
    }

    @Override
    public List<Question> questions() {
        return List.of(
                new Question.Proposed(NAME, "the name of the method", List.of()),
                Pick.anywhere(), DUPLICATES_QUESTION, RESULTS_QUESTION, VISIBILITY_QUESTION);
    }

    @Override
    public Optional<Offer> offer(Spot spot) {
        return spot.analysis().code(spot.file().path()).flatMap(code -> {
            List<Fragment> candidates = Fragment.at(code, spot.place().selection());
            return candidates.stream().findFirst()
                    .map(first -> new Flow(code, first))
                    .filter(flow -> obstacle(code, candidates.get(0), flow, Exits.of(code, candidates.get(0), flow), true).isEmpty())
                    .map(flow -> offer(code, candidates, flow));
        });
    }

    private Offer offer(Code code, List<Fragment> candidates, Flow flow) {
        Fragment first = candidates.get(0);
        List<Question> questions = new ArrayList<>();
        Pick.among(candidates.stream().map(candidate -> code.shown(candidate.range(), 50)).toList()).ifPresent(questions::add);
        questions.add(new Question.Proposed(NAME, "the name of the method",
                new MethodNames(code).of(first, flow)));
        questions.add(DUPLICATES_QUESTION);
        if (flow.outputs().size() > 1) {
            questions.add(RESULTS_QUESTION);
        }
        questions.add(VISIBILITY_QUESTION);
        return new Offer(id(), "extract " + what(code, first) + " to a method", Offer.Kind.REFACTORING, first.range(), questions);
    }

    private static String what(Code code, Fragment fragment) {
        int count = fragment.parts().size();
        return fragment.isExpression() || count == 1 ? "'" + code.shown(fragment.range(), 50) + "'" : count + " statements";
    }

    @Override
    public Plan plan(Spot spot, Answers answers, Analyst analyst) {
        Path file = spot.file().path();
        Optional<String> given = answers.single(NAME);
        // the names of methods in the whole file decide what a call of the new one means
        Set<String> names = given.map(Set::of).orElse(Set.of());
        boolean all = answers.single(DUPLICATES).filter(REPLACE::equals).isPresent();
        Analysis before = analyst.analyse(all ? Focus.whole(Set.of(file)).deeply() : new Focus(Set.of(file), names, Set.of(),
                Map.of(file, List.of(spot.place().selection())), true));
        Code code = before.code(file).orElseThrow();
        List<Fragment> candidates = Fragment.at(code, spot.place().selection());
        if (candidates.isEmpty()) {
            return Plan.refused(spot,
                    "there are no whole statements and no expression here; select some, or put the caret in an expression");
        }
        Optional<Fragment> picked = Pick.of(answers, candidates);
        if (picked.isEmpty()) {
            return Plan.refused(spot, Pick.refusal(answers, candidates));
        }
        Fragment fragment = picked.get();
        Flow flow = new Flow(code, fragment);
        String name = given.orElseGet(() -> new MethodNames(code).of(fragment, flow).get(0));
        Optional<String> objection = new NewName(name, SymbolKind.METHOD, spot.file().module().level()).objection();
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        Exits exits = Exits.of(code, fragment, flow);
        boolean mayBeRecord = answers.single(RESULTS).filter(RECORD::equals).isPresent();
        Optional<Reason> obstacle = obstacle(code, fragment, flow, exits, mayBeRecord);
        if (obstacle.isPresent()) {
            return Plan.refused(obstacle.get());
        }
        return Visibility.objection(answers, before, name, file)
                .map(Plan::refused)
                .orElseGet(() -> plan(before, code, fragment, flow, exits, name, Visibility.modifier(answers), all));
    }

    /** What is in the way, whatever the method is called. */
    private static Optional<Reason> obstacle(Code code, Fragment fragment, Flow flow, Exits exits, boolean mayBeRecord) {
        Path file = code.file().path();
        if (exits.objection().isPresent()) {
            return exits.objection();
        }
        boolean hasOutput = exits.kind() != Exits.Kind.RETURNED;
        List<Flow.Variable> outputs = flow.outputs();
        Optional<String> noRecord = Results.objection(code, flow, exits);
        if (hasOutput && outputs.size() > 1 && !(mayBeRecord && noRecord.isEmpty())) {
            return Optional.of(Reason.at(file, code.range(outputs.get(1).first().path().getLeaf()), "'"
                    + outputs.get(0).name() + "' and '" + outputs.get(1).name()
                    + "' are both needed afterwards, and a method hands back one value"
                    + noRecord.map(why -> mayBeRecord ? "; a record cannot be made of them: " + why : "")
                            .orElse("; results can be made a record")));
        } else if (fragment.isExpression() && !outputs.isEmpty()) {
            return Optional.of(Reason.at(file, code.range(outputs.get(0).first().path().getLeaf()), "'"
                    + outputs.get(0).name() + "' gets a value within the expression that is needed afterwards"));
        }
        return flow.variables().stream()
                .flatMap(variable -> obstacle(code, variable).stream())
                .findFirst()
                .or(() -> otherObstacle(code, fragment));
    }

    private static Optional<Reason> obstacle(Code code, Flow.Variable variable) {
        if (variable.isOutput() && variable.isDeclaredOnlyInside()) {
            return Optional.of(Reason.at(code.file().path(), code.range(variable.first().path().getLeaf()),
                    "'" + variable.name() + "' is declared by a pattern here and used behind it"));
        }
        return variable.readAfterFailure().map(read -> Reason.at(code.file().path(), code.range(read.path().getLeaf()),
                "'" + variable.name() + "' is read here once the 'try' has failed, and may have got a value by then"));
    }

    /** Statements that cannot stand in a method of their own. */
    private static Optional<Reason> otherObstacle(Code code, Fragment fragment) {
        List<Reason> found = new ArrayList<>();
        for (TreePath part : fragment.parts()) {
            new TreePathScanner<Void, Void>() {
                @Override
                public Void visitMethodInvocation(MethodInvocationTree tree, Void unused) {
                    if (Code.callsConstructor(tree) && !isInClass(part)) {
                        note(tree, "the call of another constructor must stay in the constructor (JLS 8.8.7.1)");
                    }
                    return super.visitMethodInvocation(tree, null);
                }

                @Override
                public Void visitAssignment(AssignmentTree tree, Void unused) {
                    ExpressionTree target = tree.getVariable();
                    Optional<Element> field = code.element(new TreePath(getCurrentPath(), target))
                            .filter(element -> element.getKind().isField() && element.getModifiers().contains(Modifier.FINAL));
                    field.filter(element -> !isInClass(part)).ifPresent(element -> note(tree,
                            "the final field '" + element.getSimpleName() + "' gets its value here (JLS 8.3.1.2)"));
                    return super.visitAssignment(tree, null);
                }

                @Override
                public Void visitIdentifier(IdentifierTree tree, Void unused) {
                    code.element(getCurrentPath())
                            .filter(element -> isDeclaredAround(code, fragment, element))
                            .ifPresent(element -> note(tree, "'" + element.getSimpleName()
                                    + "' is a class of this body, which no other method sees"));
                    return null;
                }

                /** Whether it happens in a class that is declared in the fragment, and goes along. */
                private boolean isInClass(TreePath part) {
                    return Code.leadsThrough(getCurrentPath(), part.getLeaf(), tree -> tree instanceof ClassTree);
                }

                /** What the compiler adds has no place, and is in nobody's way. */
                private void note(Tree tree, String sentence) {
                    code.find(tree).ifPresent(range -> found.add(Reason.at(code.file().path(), range, sentence)));
                }
            }.scan(part, null);
        }
        return found.stream().findFirst();
    }

    /** Whether a class is declared in the body around a fragment, but not in the fragment. */
    private static boolean isDeclaredAround(Code code, Fragment fragment, Element element) {
        boolean isType = element.getKind().isClass() || element.getKind().isInterface();
        Range member = code.range(fragment.member().getLeaf());
        return isType && element.getKind() != ElementKind.TYPE_PARAMETER
                && code.key(element) instanceof SymbolKey.LocalType local && member.contains(local.offset())
                && !fragment.contains(local.offset());
    }

    private Plan plan(Analysis before, Code code, Fragment fragment, Flow flow, Exits exits, String name, String visibility,
            boolean all) {
        TypeWriter writer = new TypeWriter(code);
        Signature signature = new Signature(before, code, fragment, flow, exits, writer);
        Twins twins = all ? Twins.of(code, fragment, flow, exits,
                twin -> obstacle(code, twin.fragment(), twin.flow(), twin.exits(), true).isEmpty()) : Twins.none(code, fragment, flow, exits);
        Optional<Inputs> inputs = twins.inputs(writer);
        if (inputs.isEmpty()) {
            return Plan.refused(Reason.at(code.file().path(), fragment.range(), "a value that differs in a place which does the same"
                    + " has a type without a name; leave the duplicates"));
        }
        Results results = Results.of(code, flow, name);
        NewMethod method = new NewMethod(code, fragment, flow, exits, signature, inputs.get(), results, name, visibility);
        List<Edit> edits = new ArrayList<>();
        edits.add(method.edit());
        edits.add(new MethodCall(code, fragment, flow, exits, signature, results, name, inputs.get().arguments(code))
                .edit(Stream.concat(method.alike().stream(), inputs.get().alike().stream()).toList()));
        if (method.objection().isPresent()) {
            return Plan.refused(method.objection().get());
        }
        for (Twins.Twin twin : twins.all()) {
            Signature its = new Signature(before, code, twin.fragment(), twin.flow(), twin.exits(), writer);
            edits.add(new MethodCall(code, twin.fragment(), twin.flow(), twin.exits(), its,
                    results.in(twin.flow()), name, twins.arguments(twin, inputs.get())).edit(List.of(twins.alike(twin))));
        }
        edits.addAll(writer.imports());
        Change change = new Change("extract " + what(code, fragment) + " to the method " + name,
                List.of(new FileChange(code.file().path(), Optional.empty(), code.file().text(), edits)),
                Meaning.same(), all ? twins.notes() : new Lookalikes(code).note(fragment).stream().toList());
        return new Plan.Ready(change, before);
    }

    /** A place that turns out to mean something else is left alone. */
    @Override
    public Optional<Change> mend(Change change, List<Difference> differences, Analysis before) {
        List<Edit> wrong = change.files().stream()
                .flatMap(file -> file.takenEdits().stream())
                .filter(edit -> edit.alike().stream().anyMatch(Alike::isRenamed)
                        && differences.stream().anyMatch(one -> edit.range().touches(one.range().start())))
                .toList();
        if (wrong.isEmpty()) {
            return Optional.empty();
        }
        List<String> notes = new ArrayList<>(change.notes());
        for (FileChange file : change.files()) {
            SourceFile source = before.snapshot().file(file.path()).orElseThrow();
            for (Edit edit : file.edits()) {
                int line = source.position(edit.range().start()).line();
                if (wrong.contains(edit) && notes.removeIf(note -> note.startsWith("line " + line + " does"))) {
                    notes.add("line " + line + " reads alike, but cannot call the method");
                }
            }
        }
        Change fewer = change.choose((file, edit) -> edit.isTaken() && !wrong.contains(edit));
        return Optional.of(new Change(fewer.title(), fewer.files(), fewer.meaning(), notes));
    }
}
