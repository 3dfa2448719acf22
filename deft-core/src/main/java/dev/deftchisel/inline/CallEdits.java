package dev.deftchisel.inline;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Occurrence;
import dev.deftchisel.change.Edit;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.rewrite.Home;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.Transplant;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.Written;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.VariableElement;

/** Writes what a method does in the place of one of its calls. */
final class CallEdits {

    private final Analysis analysis;
    private final CallSite site;
    private final Code code;
    private final Callee callee;
    private final TypeWriter writer;
    private final Layout layout;
    private final Map<VariableElement, String> renamed = new HashMap<>();
    private final Optional<Merged> merged;
    private boolean isWritten = true;

    /**
     * @param writer of types in the file of the call
     * @param taken  names of the member around the call; those that are given here are added
     */
    CallEdits(Analysis analysis, CallSite site, TypeWriter writer, Set<String> taken) {
        this.analysis = analysis;
        this.site = site;
        this.code = site.code();
        this.callee = site.callee();
        this.writer = writer;
        this.layout = Layout.of(code.file());
        this.merged = Merged.of(analysis, site);
        rename(taken);
    }

    /** Variables of the body whose names are taken where they come to stand get others. */
    private void rename(Set<String> taken) {
        List<VariableElement> declared = new ArrayList<>();
        site.variables(analysis).stream().flatMap(one -> one.name().stream())
                .forEach(name -> callee.element().getParameters().stream()
                        .filter(parameter -> parameter.getSimpleName().contentEquals(name)).forEach(declared::add));
        callee.code().occurrences(callee.body()).stream()
                .filter(one -> one.access() == Occurrence.Access.DECLARED)
                .forEach(one -> declared.add(one.variable()));
        merged.ifPresent(same -> declared.remove(same.inner()));
        for (VariableElement variable : declared) {
            String name = variable.getSimpleName().toString();
            String free = NewName.free(taken, name);
            taken.add(free);
            if (!free.equals(name)) {
                renamed.put(variable, free);
            }
        }
    }

    /** Whether all types could be written. Asked after {@link #all()}. */
    boolean isWritten() {
        return isWritten;
    }

    List<Edit> all() {
        List<Range> idle = site.all().stream()
                .filter(one -> site.way(analysis, one) == Handed.Way.LEFT_OUT)
                .map(one -> code.range(one.tree()))
                .toList();
        List<Edit> edits = new ArrayList<>();
        Optional<TreePath> own = site.ownStatement().or(() -> callee.shape() instanceof Callee.Several
                ? site.returnStatement() : Optional.empty());
        if (merged.isPresent()) {
            Range range = code.range(merged.get().statement().getLeaf());
            NewCode text = new NewCode(code.file());
            first(text, layout.lineEnd() + Layout.indentOf(code.file(), range.start()));
            edits.add(text.replacing(range).without(idle).giving(merged.get().alike(code)));
        } else if (!site.needsStatement(analysis)) {
            NewCode text = new NewCode(code.file());
            value(text, callee.shape(), site.path());
            edits.add(text.replacing(site.range()).without(idle));
        } else if (own.isPresent()) {
            edits.add(statements(own.get()).without(idle));
        } else {
            Home.Before home = (Home.Before) site.home(analysis);
            int start = code.range(home.tree()).start();
            String newLine = layout.lineEnd() + Layout.indentOf(code.file(), start);
            NewCode before = new NewCode(code.file());
            first(before, newLine);
            edits.add(before.write(newLine).at(start));
            NewCode text = new NewCode(code.file());
            if (callee.shape() instanceof Callee.Statements statements) {
                result(text, statements.result().orElseThrow(), site.path());
            } else {
                value(text, callee.shape(), site.path());
            }
            edits.add(text.replacing(site.range()).without(idle));
        }
        return edits;
    }

    /** All in place of a statement. */
    private Edit statements(TreePath statement) {
        Range range = code.range(statement.getLeaf());
        String newLine = layout.lineEnd() + Layout.indentOf(code.file(), range.start());
        NewCode text = new NewCode(code.file());
        boolean isAnything = first(text, newLine);
        Optional<TreePath> result = callee.shape() instanceof Callee.Statements statements ? statements.result()
                : callee.shape() instanceof Callee.Value value ? Optional.of(value.expression()) : Optional.empty();
        if (result.isPresent() && CallSite.isStatement(result.get().getLeaf())) {
            carry(text.write(isAnything ? newLine : ""), List.of(result.get()), callee.code().range(result.get().getLeaf()), newLine)
                    .write(";");
        } else if (!isAnything) {
            return Edit.of(Layout.removed(code.file(), range), "", Edit.Kind.CODE);
        }
        return text.replacing(range);
    }

    /** The variables, and the statements of the method. */
    private boolean first(NewCode text, String newLine) {
        String separator = "";
        for (Handed one : site.variables(analysis)) {
            if (merged.filter(same -> same.isHanded(one)).isPresent()) {
                continue;
            }
            declare(text.write(separator), one, newLine);
            separator = newLine;
        }
        List<TreePath> statements = callee.shape() instanceof Callee.Statements simple ? simple.statements()
                : callee.shape() instanceof Callee.Several several ? several.statements() : List.of();
        if (!statements.isEmpty()) {
            carry(text.write(separator), statements, range(statements), newLine);
        }
        return !statements.isEmpty() || !separator.isEmpty();
    }

    private void declare(NewCode text, Handed one, String newLine) {
        Optional<String> type = writer.write(one.declared());
        isWritten &= type.isPresent();
        text.write(type.orElse("") + " ");
        one.name().ifPresentOrElse(name -> name(text, name), () -> text.write(objectName()));
        Range value = code.range(one.tree());
        text.write(" = ").carry(value, Layout.indentOf(code.file(), value.start()), newLine.substring(layout.lineEnd().length()))
                .write(";");
    }

    private void name(NewCode text, String name) {
        VariableElement parameter = callee.element().getParameters().stream()
                .filter(one -> one.getSimpleName().contentEquals(name)).findFirst().orElseThrow();
        String other = renamed.get(parameter);
        Optional<Range> declared = analysis.declaration(callee.code().key(parameter)).map(binding -> binding.range());
        if (other == null && declared.isPresent()) {
            text.from(callee.code().file()).carry(declared.get());
        } else {
            text.write(other == null ? name : other);
        }
    }

    private String objectName() {
        String name = callee.owner().getSimpleName().toString();
        return NewName.free(code.tokens().names(), Character.toLowerCase(name.charAt(0)) + name.substring(1));
    }

    /** The statements with the comments before, between and on the line behind them. */
    private Range range(List<TreePath> statements) {
        Tokens tokens = callee.code().tokens();
        BlockTree body = callee.tree().getBody();
        int open = callee.code().range(body).start();
        int start = callee.code().range(statements.get(0).getLeaf()).start();
        for (int i = tokens.at(start) - 1; i >= 0 && tokens.start(i) > open; i--) {
            start = tokens.kind(i).isComment() ? tokens.start(i) : start;
        }
        return new Range(start, Layout.behind(callee.code().file(),
                callee.code().range(statements.get(statements.size() - 1).getLeaf()).end()));
    }

    /** Code of the body, with what is handed to it, and all names so that they mean the same. */
    private NewCode carry(NewCode text, List<TreePath> parts, Range range, String newLine) {
        return carry(text, parts, range, newLine.substring(layout.lineEnd().length()), new TreeMap<>());
    }

    private NewCode carry(NewCode text, List<TreePath> parts, Range range, String indent, SortedMap<Range, Consumer<NewCode>> more) {
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>(
                new Transplant(callee.code(), code, site.path(), writer, this::object).names(parts, site.object().isPresent()));
        for (TreePath part : parts) {
            callee.code().occurrences(part).forEach(one -> occurrence(one, instead));
        }
        instead.putAll(more);
        instead.keySet().removeIf(key -> !range.encloses(key));
        text.from(callee.code().file()).carry(range, Layout.indentOf(callee.code().file(), range.start()), indent, instead);
        return text;
    }

    private void occurrence(Occurrence one, SortedMap<Range, Consumer<NewCode>> instead) {
        String other = renamed.get(one.variable());
        if (merged.filter(same -> same.inner().equals(one.variable())).isPresent()) {
            boolean isDeclared = one.access() == Occurrence.Access.DECLARED;
            nameRange(one).ifPresent(range -> instead.put(
                    isDeclared && merged.get().isAssigned() ? new Range(one.offset(), range.end()) : range,
                    text -> text.from(code.file()).carry(
                            isDeclared && !merged.get().isAssigned() ? merged.get().name() : merged.get().used())));
            return;
        } else if (other != null) {
            nameRange(one).ifPresent(range -> instead.put(range, text -> text.write(other)));
            return;
        }
        site.handed().stream()
                .filter(argument -> argument.name().filter(name -> one.variable().getSimpleName().contentEquals(name)
                        && callee.element().getParameters().contains(one.variable())).isPresent())
                .filter(argument -> site.way(analysis, argument) == Handed.Way.WRITTEN)
                .forEach(argument -> instead.put(callee.code().range(one.path().getLeaf()), text -> argument(text, argument, one.path())));
    }

    private Optional<Range> nameRange(Occurrence one) {
        return one.access() == Occurrence.Access.DECLARED
                ? analysis.declaration(callee.code().key(one.variable())).map(binding -> binding.range())
                : Optional.of(callee.code().range(one.path().getLeaf()));
    }

    private void argument(NewCode text, Handed argument, TreePath use) {
        Range range = code.range(argument.tree());
        NewCode caller = text.from(code.file());
        isWritten &= new Written(code, argument.value(), argument.declared(), argument.formal(), writer).write(caller, callee.code(), use,
                (to, instead) -> to.carry(range, "", "", instead));
    }

    private void object(NewCode text) {
        Handed object = site.object().orElseThrow();
        if (site.way(analysis, object) == Handed.Way.VARIABLE) {
            text.write(objectName());
            return;
        }
        boolean isGrouped = Precedence.needsParenthesesBeforeDot(object.tree());
        text.write(isGrouped ? "(" : "");
        text.from(code.file()).carry(code.range(object.tree()));
        text.write(isGrouped ? ")" : "");
    }

    /** A value in place of the call. */
    private void value(NewCode text, Callee.Shape shape, TreePath call) {
        if (shape instanceof Callee.Value value) {
            result(text, value.expression(), call);
            return;
        }
        boolean isGrouped = Precedence.conditionalNeedsParentheses(call.getLeaf(), call.getParentPath().getLeaf());
        choice(text.write(isGrouped ? "(" : ""), (Callee.Choice) shape);
        text.write(isGrouped ? ")" : "");
    }

    private void choice(NewCode text, Callee.Choice choice) {
        operand(text, choice.condition(), Precedence.conditionNeedsParentheses((ExpressionTree) choice.condition().getLeaf()));
        text.write(" ? ");
        branch(text, choice.yes());
        text.write(" : ");
        branch(text, choice.no());
    }

    private void branch(NewCode text, Callee.Shape shape) {
        if (shape instanceof Callee.Choice inner) {
            choice(text, inner);
        } else {
            operand(text, ((Callee.Value) shape).expression(), false);
        }
    }

    private void operand(NewCode text, TreePath expression, boolean isGrouped) {
        text.write(isGrouped ? "(" : "");
        carry(text, List.of(expression), callee.code().range(expression.getLeaf()), callIndent(), new TreeMap<>())
                .write(isGrouped ? ")" : "");
    }

    private void result(NewCode text, TreePath result, TreePath call) {
        Range range = callee.code().range(result.getLeaf());
        boolean isStatement = call.getParentPath().getLeaf() instanceof ExpressionStatementTree;
        if (isStatement) {
            carry(text, List.of(result), range, callIndent(), new TreeMap<>());
            return;
        }
        isWritten &= new Written(callee.code(), result, site.result(), callee.element().getReturnType(), writer).write(text, code, call,
                (to, instead) -> carry(to, List.of(result), range, callIndent(), instead));
    }

    private String callIndent() {
        return Layout.indentOf(code.file(), site.range().start());
    }

    /** The comments of the method that are written nowhere. */
    static List<String> lostComments(Callee callee, List<Edit> edits) {
        Tokens tokens = callee.code().tokens();
        Range body = callee.code().range(callee.tree().getBody());
        List<String> lost = new ArrayList<>();
        for (int i = tokens.at(body.start()); i < tokens.count() && tokens.start(i) < body.end(); i++) {
            Range range = tokens.range(i);
            boolean isCarried = edits.stream().flatMap(edit -> edit.carried().stream())
                    .anyMatch(piece -> piece.file().equals(callee.code().file().path()) && piece.from().encloses(range));
            if (tokens.kind(i).isComment() && !isCarried) {
                lost.add(callee.code().shown(range, 50));
            }
        }
        return lost;
    }
}
