package dev.deftchisel.inline.call;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.rewrite.Block;
import dev.deftchisel.rewrite.place.InsertionPoint;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;

/** Puts what a method does in the place of one of its calls. */
public final class CallEdits {

    private final CallSite site;
    private final AttributedFile code;
    private final Callee callee;
    private final Layout layout;
    private final Optional<ResultVariableMerge> merged;
    private final BodyWriter body;
    private final String resultName;

    /**
     * @param writer of types in the file of the call
     * @param taken  names of the member around the call; those that are given here are added
     */
    public CallEdits(Analysis analysis, CallSite site, TypeWriter writer, Set<String> taken) {
        this.site = site;
        this.code = site.code();
        this.callee = site.callee();
        this.layout = Layout.of(code.file());
        this.merged = ResultVariableMerge.of(analysis, site);
        this.body = new BodyWriter(analysis, site, merged, writer, taken);
        this.resultName = callee.shape() instanceof SingleExit ? NewName.free(taken, "result") : "";
        taken.add(resultName);
    }

    /** The edits of the file; empty when a type has no name that could be written. */
    public Optional<List<Edit>> all() {
        List<Edit> edits = written();
        return body.isWritten() ? Optional.of(edits) : Optional.empty();
    }

    private List<Edit> written() {
        List<Range> idle = site.all().stream()
                .filter(one -> site.way(one) == ArgumentBinding.ArgumentStrategy.LEFT_OUT)
                .flatMap(one -> one.values().stream())
                .map(path -> code.range(path.getLeaf()))
                .toList();
        List<Edit> edits = new ArrayList<>();
        CallContext place = new CallContext(site);
        Optional<TreePath> own = place.ownStatement().or(() -> callee.shape() instanceof Callee.SeveralExits
                ? place.returnStatement() : Optional.empty());
        Optional<ExitCheckCall> wayOut = ExitCheckCall.of(site);
        if (wayOut.isPresent()) {
            edits.add(leaving(wayOut.get()).without(idle));
        } else if (merged.isPresent()) {
            Range range = code.range(merged.get().statement().getLeaf());
            NewCode text = new NewCode(code.file());
            first(text, lineOf(range.start()));
            edits.add(text.replacing(range).without(idle).giving(merged.get().alike(code)));
        } else if (callee.shape() instanceof SingleExit exit && place.ownVariable().isPresent()) {
            edits.add(intoVariable(exit, place.ownVariable().get()).without(idle));
        } else if (!place.needsStatement()) {
            edits.add(inPlace().without(idle));
        } else if (own.isPresent() && CallContext.isInList(own.get())) {
            Range range = code.range(own.get().getLeaf());
            NewCode text = new NewCode(code.file());
            edits.add((content(text, lineOf(range.start())) ? text.replacing(range)
                    : Edit.of(Layout.removed(code.file(), range), "", Edit.Kind.CODE)).without(idle));
        } else if (own.isPresent()) {
            Block block = new Block(code, new InsertionPoint.Around(own.get()));
            edits.add(block.whole(text -> content(text, block.newLine())).without(idle));
        } else {
            edits.addAll(besides(place, idle));
        }
        return edits;
    }

    /** The statements of the method leave as the call's statement did. */
    private Edit leaving(ExitCheckCall way) {
        Range range = way.range(code);
        String newLine = lineOf(range.start());
        NewCode text = new NewCode(code.file());
        declareVariables(text, newLine);
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
        way.jump().map(code::range).ifPresent(jump -> way.leaving().forEach(path ->
                instead.put(callee.code().range(path.getLeaf()), to -> to.from(code.file()).carry(jump))));
        List<TreePath> statements = callee.tree().getBody().getStatements().stream()
                .filter(statement -> statement != way.end().getLeaf())
                .map(statement -> new TreePath(callee.body(), statement)).toList();
        body.carry(text, List.of(callee.body()), body.range(statements), newLine.substring(layout.lineEnd().length()),
                instead);
        return text.replacing(range);
    }

    private void declareVariables(NewCode text, String newLine) {
        for (ArgumentBinding one : site.variables()) {
            body.declare(text, one, newLine);
            text.write(newLine);
        }
    }

    /** The variable that the call is the value of gets its value in each branch. */
    private Edit intoVariable(SingleExit exit, TreePath variable) {
        VariableTree tree = (VariableTree) variable.getLeaf();
        Range range = code.range(tree);
        Range name = body.declaredName(variable);
        String newLine = lineOf(range.start());
        NewCode text = new NewCode(code.file());
        declareVariables(text, newLine);
        text.carry(new Range(range.start(), name.end())).write(";" + newLine);
        new StepWriter(body, site.callee(), layout, to -> to.from(code.file()).carry(name))
                .steps(text, exit.steps(), newLine);
        return text.replacing(range);
    }

    /**
     * Statements before the one with the call, or in a block that is made for both, and the value in place of the call.
     */
    private List<Edit> besides(CallContext place, List<Range> idle) {
        InsertionPoint home = place.home();
        List<Edit> edits = new ArrayList<>();
        if (home instanceof InsertionPoint.Before before) {
            int start = code.range(before.tree()).start();
            NewCode text = new NewCode(code.file());
            first(text, lineOf(start));
            edits.add(text.write(lineOf(start)).at(start));
            edits.add(inPlace().without(idle));
            return edits;
        }
        Block block = home instanceof InsertionPoint.Around around ? new Block(code, around)
                : new Block(code, (InsertionPoint.Instead) home);
        if (place.isWholeLambda(home)) {
            edits.add(block.whole(text -> content(text, block.newLine())).without(idle));
            return edits;
        }
        edits.add(block.open(text -> {
            first(text, block.newLine());
            text.write(block.newLine() + block.keyword());
        }));
        edits.add(inPlace().without(idle));
        edits.add(block.close());
        return edits;
    }

    private String lineOf(int offset) {
        return layout.lineEnd() + Layout.indentOf(code.file(), offset);
    }

    /** What stands where the call stood. */
    private Edit inPlace() {
        NewCode text = new NewCode(code.file());
        if (callee.shape() instanceof Callee.Statements statements) {
            result(text, statements.result().orElseThrow(), site.path());
        } else if (callee.shape() instanceof SingleExit) {
            text.write(resultName);
        } else if (isNegated()) {
            return negated(text);
        } else {
            value(text, callee.shape(), site.path());
        }
        return text.replacing(site.range());
    }

    /** Whether the call stands after {@code !} and its value has a plain opposite. */
    private boolean isNegated() {
        return callee.shape() instanceof Callee.SingleValue value && site.path().getParentPath().getLeaf()
                .getKind() == Tree.Kind.LOGICAL_COMPLEMENT
                        && body.negation().isPlain(value.expression());
    }

    private Edit negated(NewCode text) {
        TreePath condition = ((Callee.SingleValue) callee.shape()).expression();
        TreePath around = site.path().getParentPath();
        boolean isGrouped = Precedence.needsParentheses(body.negation().kind(condition), around.getLeaf(),
                around.getParentPath()
                .getLeaf());
        body.negation().write(text.write(isGrouped ? "(" : ""), condition);
        return text.write(isGrouped ? ")" : "").replacing(code.range(around.getLeaf()));
    }

    /** All in place of the call's statement. */
    private boolean content(NewCode text, String newLine) {
        boolean isAnything = first(text, newLine);
        Optional<TreePath> result;
        if (callee.shape() instanceof Callee.Statements statements) {
            result = statements.result();
        } else if (callee.shape() instanceof Callee.SingleValue value) {
            result = Optional.of(value.expression());
        } else {
            result = Optional.empty();
        }
        if (result.isPresent() && CallContext.isStatement(result.get().getLeaf())) {
            body.carry(text.write(isAnything ? newLine : ""), List.of(result.get()), callee.code()
                    .range(result.get().getLeaf()), newLine)
                    .write(";");
            return true;
        }
        return isAnything;
    }

    /** The variables, and the statements of the method. */
    private boolean first(NewCode text, String newLine) {
        String separator = "";
        for (ArgumentBinding one : site.variables()) {
            if (merged.filter(same -> same.isHanded(one)).isPresent()) {
                continue;
            }
            body.declare(text.write(separator), one, newLine);
            separator = newLine;
        }
        List<TreePath> statements;
        if (callee.shape() instanceof Callee.Statements simple) {
            statements = simple.statements();
        } else if (callee.shape() instanceof Callee.SeveralExits several) {
            statements = several.statements();
        } else {
            statements = List.of();
        }
        if (!statements.isEmpty()) {
            body.carry(text.write(separator), statements, body.range(statements), newLine);
        } else if (callee.shape() instanceof SingleExit exit) {
            text.write(separator);
            if (!callee.isVoid()) {
                body.type(text, site.result()).write(resultName + ";" + newLine);
            }
            new StepWriter(body, site.callee(), layout, to -> to.write(resultName)).steps(text, exit.steps(), newLine);
        }
        return !statements.isEmpty() || !separator.isEmpty() || callee.shape() instanceof SingleExit;
    }

    /** A value in place of the call. */
    private void value(NewCode text, Callee.BodyForm shape, TreePath call) {
        if (shape instanceof Callee.SingleValue value) {
            result(text, value.expression(), call);
            return;
        }
        boolean isGrouped = Precedence.conditionalNeedsParentheses(call.getLeaf(), call.getParentPath().getLeaf());
        choice(text.write(isGrouped ? "(" : ""), (Callee.ConditionalValue) shape);
        text.write(isGrouped ? ")" : "");
    }

    private void choice(NewCode text, Callee.ConditionalValue choice) {
        operand(text, choice.condition(), Precedence.conditionNeedsParentheses((ExpressionTree) choice.condition()
                .getLeaf()));
        text.write(" ? ");
        branch(text, choice.yes());
        text.write(" : ");
        branch(text, choice.no());
    }

    private void branch(NewCode text, Callee.BodyForm shape) {
        if (shape instanceof Callee.ConditionalValue inner) {
            choice(text, inner);
        } else {
            operand(text, ((Callee.SingleValue) shape).expression(), false);
        }
    }

    private void operand(NewCode text, TreePath expression, boolean isGrouped) {
        text.write(isGrouped ? "(" : "");
        body.carry(text, List.of(expression), callee.code().range(expression.getLeaf()), body.callIndent(),
                new TreeMap<>())
                .write(isGrouped ? ")" : "");
    }

    private void result(NewCode text, TreePath result, TreePath call) {
        Range range = callee.code().range(result.getLeaf());
        boolean isStatement = call.getParentPath().getLeaf() instanceof ExpressionStatementTree;
        if (isStatement) {
            body.carry(text, List.of(result), range, body.callIndent(), new TreeMap<>());
            return;
        }
        body.result(text, result, call);
    }

    /** The comments of the method that are written nowhere. */
    public static List<String> lostComments(Callee callee, List<Edit> edits) {
        Tokens tokens = callee.code().tokens();
        Range body = callee.code().range(callee.tree().getBody());
        List<String> lost = new ArrayList<>();
        for (int i = tokens.at(body.start()); i < tokens.count() && tokens.start(i) < body.end(); i++) {
            Range range = tokens.range(i);
            boolean isCarried = edits.stream().flatMap(edit -> edit.carried().stream())
                    .anyMatch(piece -> piece.file().equals(callee.code().file().path()) && piece.from()
                            .encloses(range));
            if (tokens.kind(i).isComment() && !isCarried) {
                lost.add(callee.code().shown(range, 50));
            }
        }
        return lost;
    }
}
