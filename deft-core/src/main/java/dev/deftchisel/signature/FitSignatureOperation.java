package dev.deftchisel.signature;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.WantedHeader;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;

/**
 * Changes a declaration so that it takes what a call passes that does not fit it today: its parameters get the order of
 * the arguments, another type, or there is one more or less. All other calls follow.
 */
public final class FitSignatureOperation implements Operation {

    /** The key of what other calls pass for a parameter that is new; {@code ?} leaves a mark at each of them. */
    public static final String VALUE = "value";

    private static final Question VALUE_QUESTION = new Question.Text(VALUE,
            "what other calls pass for a new parameter; false, zero or null by default", "");

    @Override
    public String id() {
        return "fit-signature";
    }

    @Override
    public String summary() {
        return "Change the declaration to fit a call that passes something else";
    }

    @Override
    public List<Question> questions() {
        return List.of(VALUE_QUESTION);
    }

    /** A call that fits nothing, and the declaration that would have to change for it. */
    private record Found(ExecutableElement method, WantedHeader wanted) {
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return call(resolved.analysis(), resolved).flatMap(call -> resolved.analysis().code(resolved.file().path())
                .flatMap(code -> found(resolved.analysis(), code, call).map(found -> new Offer(id(),
                        "change the declaration to " + found.wanted().title(), Offer.Kind.REFACTORING,
                        range(code, call), questions()))));
    }

    private static Range range(AttributedFile code, TreePath call) {
        return code.range(call.getLeaf() instanceof MethodInvocationTree method ? method.getMethodSelect()
                : ((NewClassTree) call.getLeaf()).getIdentifier());
    }

    /** The call at a place of which the compiler says that its arguments do not fit. */
    private static Optional<TreePath> call(Analysis analysis, ResolvedPlace resolved) {
        int caret = resolved.place().caret();
        return analysis.code(resolved.file().path()).flatMap(code -> code.around(new Range(caret, caret)).stream()
                .filter(path -> path.getLeaf() instanceof MethodInvocationTree
                        || path.getLeaf() instanceof NewClassTree)
                .filter(path -> analysis.errors(resolved.file().path()).stream().anyMatch(error -> isAbout(error, code,
                        path) && (range(code, path).touches(caret) || error.range().touches(caret))))
                .findFirst());
    }

    /** Where only one method could be meant, the compiler complains about the argument. */
    private static boolean isAbout(CompilerError error, AttributedFile code, TreePath call) {
        return error.code().contains("cant.apply.symbol") && code.range(call.getLeaf()).encloses(error.range())
                || error.code().contains("prob.found.req") && Calls.arguments(call.getLeaf()).stream()
                .anyMatch(argument -> code.range(argument).encloses(error.range()));
    }

    private static Optional<Found> found(Analysis analysis, AttributedFile code, TreePath call) {
        return new CallCandidates(code, call).all().stream()
                .filter(method -> analysis.symbol(code.key(method)).filter(one -> one.isSource()).isPresent())
                .flatMap(method -> WantedHeader.of(code, call, method).map(wanted -> new Found(method, wanted))
                        .stream())
                .findFirst();
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Analysis near = analyst.analyse(Focus.around(resolved.file().path(), resolved.place().selection()).deeply());
        Optional<TreePath> call = call(near, resolved);
        Optional<AttributedFile> code = near.code(resolved.file().path());
        Optional<Found> found = call.flatMap(path -> found(near, code.orElseThrow(), path));
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no call here that another order, number or type of parameters "
                    + "would fit");
        }
        SymbolKey key = code.orElseThrow().key(found.get().method());
        Optional<DeclaredHeader> header = analyst.declaring(key).flatMap(home -> DeclaredHeader.of(analyst
                .analyse(Focus.declarations(List.of(home.path()))), key));
        if (header.isEmpty()) {
            return Plan.refused(resolved, "what is called here has no header that could be changed");
        }
        String value = answers.single(VALUE).filter(said -> !said.isBlank()).orElse("");
        HeaderReader.Result read = HeaderReader.read(found.get().wanted().text(header.get(), value));
        Optional<TypedHeader> typed = read.header();
        return typed.isEmpty() ? Plan.refused(read.objection())
                : ChangeSignatureOperation.plan(header.get(), typed.get(), Answers.none(), analyst);
    }
}
