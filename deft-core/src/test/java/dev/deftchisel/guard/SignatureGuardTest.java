package dev.deftchisel.guard;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.ChangeSignatureOperation;
import dev.deftchisel.signature.IntroduceParameterObjectOperation;
import dev.deftchisel.signature.ReplaceConstructorOperation;
import dev.deftchisel.signature.UseSupertypeOperation;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Plants faults where the object of a method becomes a parameter or back, where a method makes objects, where a call
 * passes any number, where an annotation has another default, and where a variable has another type.
 */
class SignatureGuardTest {

    private static final String SOURCE = """
            @interface Vouch {
                int depth() default 3;
            }

            @Vouch
            class Tariff {
                int rate;
                Tariff next;

                Tariff(int rate, int least) {
                    this.rate = rate + least;
                }

                static Tariff at(int rate, int least) {
                    return null;
                }

                int due(int days) {
                    Tariff u = next;
                    return rate * days + u.rate;
                }

                int week(Tariff that) {
                    return due(7) + that.due(8);
                }

                static int sum(Tariff t, Tariff u) {
                    return t.rate + u.rate;
                }

                static int all() {
                    return sum(new Tariff(1, 2), at(2, 3));
                }

                static int most(int[] rates) {
                    return rates.length;
                }

                static String text(Integer due) {
                    StringBuilder text = new StringBuilder("due");
                    Integer last = due;
                    boolean isSame = last.equals(due);
                    return isSame ? text.toString() : "" + text.length();
                }
            }
            """;

    @TempDir
    private Path root;
    private Path file;
    private Analyst analyst;
    private Plan.Ready ready;

    private void plan(Operation operation, String place, Answers answers) throws IOException {
        file = Files.writeString(root.resolve("Tariff.java"), SOURCE);
        Snapshot snapshot = Snapshot.read(
                new Workspaces(List.of()).open(OpenRequest.plain(root, List.of(root), List.of())));
        analyst = new Analyst(snapshot, new Libraries(), Monitor.SILENT);
        int name = SOURCE.indexOf(place);
        Plan plan = operation.plan(new ResolvedPlace(new Place(file, new Range(name, name)), snapshot.source(file),
                analyst.analyse(Focus.whole(Set.of(file)))), answers, analyst);
        ready = assertInstanceOf(Plan.Ready.class, plan, plan.toString());
        assertEquals(List.of(), new Guard(analyst).check(ready.before(), ready.change()));
    }

    private boolean isSeen(Change damaged) {
        assertFalse(texts(damaged).equals(texts(ready.change()))
                && damaged.meaning().equals(ready.change().meaning()), "it is damaged");
        return !new Guard(analyst).check(ready.before(), damaged).isEmpty();
    }

    private static List<String> texts(Change change) {
        return change.files().stream().map(changed -> changed.after().content()).toList();
    }

    /** The same edits, but those that write something else. */
    private Change with(UnaryOperator<String> damage) {
        return new Change(ready.change().title(), ready.change().files().stream().map(changed -> changed.withEdits(
                changed.edits().stream().map(edit -> new Edit(edit.range(), damage.apply(edit.replacement()),
                        edit.kind(), true, edit.carried(), edit.alike(), edit.unneeded(), edit.linked())).toList()))
                .toList(), ready.change().meaning(), List.of());
    }

    private void planStatic() throws IOException {
        plan(new ChangeSignatureOperation(), "due(int", Answers.of("to", "static int due(Tariff t = this, int days)"));
    }

    @Test
    void aCallThatPassesAnotherObjectIsSeen() throws IOException {
        planStatic();
        assertTrue(isSeen(with(text -> text.replace("this, 7", "that, 7"))));
    }

    @Test
    void aBodyThatUsesAnotherObjectIsSeen() throws IOException {
        planStatic();
        assertTrue(isSeen(with(text -> text.replace("t.rate", "u.rate"))));
    }

    @Test
    void aStaticMethodOfWhichNobodySaidSoIsSeen() throws IOException {
        planStatic();
        Map<SymbolKey, NewSignature> others = new HashMap<>();
        ready.change().meaning().signatures().forEach((key, signature) -> others.put(key, new NewSignature(
                signature.descriptor(), signature.origins())));
        SymbolEffects meaning = ready.change().meaning().with(others);
        assertTrue(isSeen(new Change(ready.change().title(), ready.change().files(), meaning, List.of())));
    }

    @Test
    void aBodyThatTakesTheOtherParameterForItsObjectIsSeen() throws IOException {
        plan(new ChangeSignatureOperation(), "sum(Tariff t", Answers.of("to", "int sum(Tariff this, Tariff u)"));
        assertTrue(isSeen(with(text -> text.equals("this") ? "u" : text)));
    }

    @Test
    void aDeclarationThatDoesNotTakeAnyNumberIsSeen() throws IOException {
        plan(new ChangeSignatureOperation(), "most(int", Answers.of("to", "static int most(int... rates)"));
        assertTrue(isSeen(with(text -> text.replace("...", "[]"))));
    }

    @Test
    void anAnnotationThatSaysSomethingElseIsSeen() throws IOException {
        plan(new ChangeSignatureOperation(), "depth()", Answers.of("to", "int depth() default 4"));
        assertTrue(isSeen(with(text -> text.replace("(depth = 3)", ""))));
        assertTrue(isSeen(with(text -> text.replace("(depth = 3)", "(depth = 4)"))));
    }

    @Test
    void aDefaultOfWhichNobodySaidSoIsSeen() throws IOException {
        plan(new ChangeSignatureOperation(), "depth()", Answers.of("to", "int depth() default 4"));
        assertTrue(isSeen(new Change(ready.change().title(), ready.change().files(), ready.change().meaning()
                .rewriting(Set.of()), List.of())));
    }

    @Test
    void aRecordOfOtherArgumentsIsSeen() throws IOException {
        plan(new IntroduceParameterObjectOperation(), "Tariff(int rate", Answers.of("name", "Stay"));
        assertTrue(isSeen(with(text -> text.replace("new Stay(1, 2)", "new Stay(2, 1)"))));
        assertTrue(isSeen(with(text -> text.replace("new Stay(1, 2)", "new Stay(1, 1)"))));
        assertTrue(isSeen(with(text -> text.replace("stay.rate()", "stay.least()"))));
        assertTrue(isSeen(with(text -> text.replace("stay.rate()", "7"))));
        assertTrue(isSeen(with(text -> text.replace("int rate, int least)", "int least, int rate)"))));
        assertTrue(isSeen(with(text -> text.replace("int least) {", "int least) { Stay { rate = 3; }"))));
    }

    @Test
    void aMethodThatMakesAnotherObjectIsSeen() throws IOException {
        plan(new ReplaceConstructorOperation(), "Tariff(int rate", Answers.of("name", "of"));
        assertTrue(isSeen(with(text -> text.replace("new Tariff(rate, least)", "new Tariff(least, rate)"))));
        assertTrue(isSeen(with(text -> text.replace("return new", "System.out.println(); return new"))));
    }

    @Test
    void aPlaceThatAsksAnotherMethodForItsObjectIsSeen() throws IOException {
        plan(new ReplaceConstructorOperation(), "Tariff(int rate", Answers.of("name", "of"));
        assertTrue(isSeen(with(text -> text.equals("Tariff.of") ? "Tariff.at" : text)));
    }

    @Test
    void aVariableOfAnotherTypeOfWhichNobodySaidSoIsSeen() throws IOException {
        plan(new UseSupertypeOperation(), "text = new", Answers.none());
        assertTrue(isSeen(with(text -> text.replace("CharSequence", "java.io.Serializable"))));
        assertTrue(isSeen(with(text -> text.replace("CharSequence", "Comparable<StringBuilder>"))));
        assertTrue(isSeen(new Change(ready.change().title(), ready.change().files(), SymbolEffects.same(),
                List.of())));
    }

    @Test
    void aVariableOfATypeThatDoesSomethingElseIsSeen() throws IOException {
        plan(new UseSupertypeOperation(), "last = due", Answers.of("type", "Object"));
        SymbolKey variable = ready.change().meaning().variables().keySet().iterator().next();
        assertTrue(isSeen(new Change(ready.change().title(), with(text -> "int").files(), SymbolEffects.same()
                .retyping(Map.of(variable, "I")), List.of())));
    }
}
