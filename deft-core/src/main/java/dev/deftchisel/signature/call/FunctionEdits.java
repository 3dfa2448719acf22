package dev.deftchisel.signature.call;

import com.sun.source.tree.LambdaExpressionTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javax.lang.model.element.ExecutableElement;

/** Writes the lambdas that implement a method of the family, and those that references to methods become. */
public final class FunctionEdits {

    private final Analysis before;
    private final SignatureChange change;
    private final Function<AttributedFile, TypedCode> typed;
    private final Function<AttributedFile, NestedEdits> edits;
    private int lambdas;

    /**
     * @param before in which all files with lambdas were looked at, when there may be such
     * @param typed  what is written in a file
     * @param edits  of a file
     */
    public FunctionEdits(Analysis before, SignatureChange change, Function<AttributedFile, TypedCode> typed,
            Function<AttributedFile, NestedEdits> edits) {
        this.before = before;
        this.change = change;
        this.typed = typed;
        this.edits = edits;
    }

    /** How many lambdas and references implement the method; after {@link #write}. */
    public int lambdas() {
        return lambdas;
    }

    /** What is in the way; when nothing is, all is written. */
    public Optional<Reason> write(Set<SymbolKey> family) {
        return before.files().stream().filter(Functions::mayStandIn)
                .flatMap(file -> before.code(file.path()).stream())
                .flatMap(code -> Functions.implementations(code).stream())
                .filter(one -> family.contains(one.code().key(one.function())))
                .flatMap(one -> write(one, family).stream()).findFirst();
    }

    private Optional<Reason> write(Functions.Implementation one, Set<SymbolKey> family) {
        lambdas++;
        boolean isLambda = one.path().getLeaf() instanceof LambdaExpressionTree;
        if (isLambda && change.rewritesParameters()) {
            return new LambdaEdits(typed.apply(one.code()), one.path(), edits.apply(one.code())).write();
        }
        boolean isKnown = one.code().element(one.path()).filter(ExecutableElement.class::isInstance).isPresent();
        if (!isLambda && !change.keepsPositions() && isKnown) {
            return new LambdaForReference(typed.apply(one.code()), one, family, edits.apply(one.code())).write();
        }
        return isLambda || change.keepsPositions() ? Optional.empty()
                : Optional.of(Reason.at(one.code().file().path(), one.code().range(one.path().getLeaf()),
                        "the method that is named here would be passed something else; write a lambda first"));
    }
}
