package dev.deftchisel.signature.call;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.signature.plan.CallerChain;
import dev.deftchisel.signature.plan.NewExceptions;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.signature.written.SharedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/**
 * Catches exceptions that a method declares anew where it is called and nobody handles them (JLS 11.2.3), and throws an
 * {@link IllegalStateException} with the cause instead.
 */
public final class CaughtAtCalls {

    private final Analysis before;
    private final List<String> exceptions;
    private final NewExceptions handling;
    private final SharedEdits edits;
    private int caught;

    /**
     * @param exceptions checked ones, by qualified name
     * @param handling   what calls do about them
     */
    public CaughtAtCalls(Analysis before, List<String> exceptions, NewExceptions handling, SharedEdits edits) {
        this.before = before;
        this.handling = handling;
        this.exceptions = List.copyOf(exceptions);
        this.edits = edits;
    }

    /** Statements of one file around which an exception is caught. */
    private record Watched(AttributedFile code, TreePath first, Range range, List<String> exceptions) {

        boolean isIn(AttributedFile other) {
            return code.file().path().equals(other.file().path());
        }
    }

    /** Writes them around the calls of a method; says what is in the way. */
    public Optional<Reason> write(SymbolKey method) {
        List<Watched> all = new ArrayList<>();
        for (Binding use : before.uses(method)) {
            Optional<AttributedFile> code = before.code(use.file());
            Optional<TreePath> call = use.role() == Role.DECLARATION ? Optional.empty()
                    : code.flatMap(file -> file.call(use));
            Optional<ExecutableElement> caller = call.filter(path -> handling.at(code.get(), path)
                    == NewExceptions.Handling.CATCH).flatMap(path -> CallerChain.around(code.get(), path));
            List<String> open = caller.isEmpty() ? List.of() : exceptions.stream().filter(exception ->
                    !CallerThrows.isHandled(code.get(), call.get(), caller.get(), exception,
                            function -> mayThrow(code.get(), function, exception))).toList();
            if (!open.isEmpty()) {
                Optional<Watched> watched = watched(code.get(), call.get(), open);
                if (watched.isEmpty()) {
                    return Optional.of(Reason.at(use.file(), use.range(), "what this call may throw cannot be "
                            + "caught here; put it in a statement of its own first"));
                }
                all.add(watched.get());
            }
        }
        caught = all.size();
        all.stream().filter(one -> all.stream().noneMatch(other -> encloses(other, one)))
                .forEach(one -> write(one, all));
        return Optional.empty();
    }

    private static boolean isKind(AttributedFile code, String type, String other) {
        return code.isKind(code.elements().getTypeElement(type).asType(), code.elements().getTypeElement(other)
                .asType());
    }

    private static boolean mayThrow(AttributedFile code, TreePath function, String exception) {
        TypeMirror thrown = code.elements().getTypeElement(exception).asType();
        return code.type(function).flatMap(type -> Functions.of(code, type)).filter(method -> method.getThrownTypes()
                .stream().anyMatch(declared -> code.isKind(thrown, declared))).isPresent();
    }

    /** Around how many calls they are caught; after {@link #write}. */
    public int caught() {
        return caught;
    }

    private static boolean encloses(Watched outer, Watched inner) {
        return outer.isIn(inner.code()) && outer.range().encloses(inner.range())
                && !outer.range().equals(inner.range());
    }

    /** The statement around a call, with all that follows where it declares a variable. */
    private static Optional<Watched> watched(AttributedFile code, TreePath call, List<String> open) {
        TreePath at = call;
        while (!(at.getLeaf() instanceof StatementTree) || at.getLeaf() instanceof ClassTree
                || !holdsStatements(at.getParentPath().getLeaf())) {
            at = at.getParentPath();
            if (at == null || at.getLeaf() instanceof ClassTree || at.getLeaf() instanceof LambdaExpressionTree) {
                return Optional.empty();
            }
        }
        Tree parent = at.getParentPath().getLeaf();
        boolean isStart = at.getLeaf() instanceof ExpressionStatementTree first
                && first.getExpression() instanceof MethodInvocationTree other && TreePaths.callsConstructor(other);
        boolean isDeclaration = at.getLeaf() instanceof VariableTree;
        if (isStart || isDeclaration && !(parent instanceof BlockTree)) {
            return Optional.empty();
        }
        Range range = code.range(at.getLeaf());
        List<? extends StatementTree> rest = isDeclaration ? ((BlockTree) parent).getStatements() : List.of();
        return Optional.of(new Watched(code, at, isDeclaration ? new Range(range.start(), code.range(rest.get(rest
                .size() - 1)).end()) : range, open));
    }

    /** Behind an arrow there is no place for a try (JLS 14.11.1). */
    private static boolean holdsStatements(Tree tree) {
        return tree instanceof BlockTree || tree instanceof CaseTree group
                && group.getCaseKind() == CaseTree.CaseKind.STATEMENT;
    }

    private void write(Watched watched, List<Watched> all) {
        AttributedFile code = watched.code();
        TreeSet<String> thrown = new TreeSet<>();
        all.stream().filter(one -> one.isIn(code) && watched.range().encloses(one.range()))
                .forEach(one -> thrown.addAll(one.exceptions()));
        // one that another catches as well cannot stand beside it (JLS 14.20)
        String types = thrown.stream().filter(type -> thrown.stream().noneMatch(other -> !other.equals(type)
                && isKind(code, type, other)))
                .map(type -> edits.writer(code).name(code.elements().getTypeElement(type)))
                .collect(Collectors.joining(" | "));
        String failure = edits.writer(code).name(code.elements().getTypeElement("java.lang.IllegalStateException"));
        String name = NewName.free(code.visible(watched.first()).stream().map(Element::getSimpleName)
                .map(Object::toString).collect(Collectors.toSet()), "e");
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), watched.range().start());
        NestedEdits pieces = edits.in(code);
        pieces.replace(watched.range(), List.of(), text -> {
            text.write("try {" + layout.lineEnd() + indent + layout.unit());
            pieces.carry(text, watched.range(), indent, indent + layout.unit());
            text.write(layout.lineEnd() + indent + "}" + layout.rethrowing(types, failure, name, indent));
        });
    }
}
