package dev.deftchisel.guard;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.scope.Libraries;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.ChangeSignatureOperation;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.opening.OpenRequest;
import dev.deftchisel.workspace.opening.Workspaces;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Plants faults where a method that lambdas implement gets its parameters in another order. */
class FunctionGuardTest {

    private static final String SOURCE = """
            interface Dues {
                int due(int days, int rate);
            }

            class Office {
                Dues all = (days, rate) -> days * 10 + rate;
                Dues power = Office::power;
                int count;

                static int power(int base, int exponent) {
                    return exponent == 0 ? 1 : base * power(base, exponent - 1);
                }

                int next() {
                    return ++count;
                }

                int sum() {
                    Dues own = all;
                    return own.due(next(), next());
                }
            }
            """;

    @TempDir
    private Path root;
    private Path file;
    private Analyst analyst;
    private Plan.Ready ready;

    @BeforeEach
    void plan() throws IOException {
        file = Files.writeString(root.resolve("Dues.java"), SOURCE);
        Snapshot snapshot = Snapshot.read(
                new Workspaces(List.of()).open(OpenRequest.plain(root, List.of(root), List.of())));
        analyst = new Analyst(snapshot, new Libraries(), Monitor.SILENT);
        Analysis whole = analyst.analyse(Focus.whole(Set.of(file)));
        int name = SOURCE.indexOf("due(");
        Plan plan = new ChangeSignatureOperation().plan(new ResolvedPlace(
                new Place(file, new Range(name, name)), snapshot.source(file), whole),
                Answers.of("to", "int due(int rate, int days)"), analyst);
        ready = assertInstanceOf(Plan.Ready.class, plan, plan.toString());
    }

    private boolean isSeen(Change damaged) {
        return !new Guard(analyst).check(ready.before(), damaged).isEmpty();
    }

    private Change without(String part) {
        return ready.change().choose((changed, edit) -> !changed.before().content()
                .substring(edit.range().start(), edit.range().end()).equals(part));
    }

    /** The same edits, but one that writes something else at the same length. */
    private Change with(String part, UnaryOperator<String> damage) {
        return new Change(ready.change().title(), ready.change().files().stream().map(changed -> changed.withEdits(
                changed.edits().stream().map(edit -> edit.replacement().contains(part) ? new Edit(edit.range(),
                        damage.apply(edit.replacement()), Edit.Kind.CODE, true, edit.carried(), edit.alike(),
                        edit.unneeded(), edit.linked()) : edit).toList())).toList(),
                ready.change().meaning(), List.of());
    }

    @Test
    void theCorrectChangeIsLetThrough() {
        assertEquals(List.of(), new Guard(analyst).check(ready.before(), ready.change()));
        String after = ready.change().file(file).orElseThrow().after().content();
        assertFalse(after.contains("(days, rate) ->"), after);
    }

    @Test
    void aLambdaThatKeepsItsOrderIsSeen() {
        assertEquals(true, isSeen(without("days, rate")));
    }

    @Test
    void aReferenceThatPassesWhatItGetsAsItComesIsSeen() {
        assertEquals(true, isSeen(without("Office::power")));
        assertEquals(true, isSeen(with("Office.power(days, rate)",
                text -> text.replace("power(days, rate)", "power(rate, days)"))));
        assertEquals(true, isSeen(with("(rate, days) -> Office",
                text -> text.replace("(rate, days) ->", "(days, rate) ->"))));
    }

    @Test
    void aVariableWithAnotherValueIsSeen() {
        assertEquals(true, isSeen(with("next()", text -> text.replace("days = next()", "days = count "))));
    }
}
