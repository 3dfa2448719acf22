package dev.deftchisel.signature.call;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.plan.CallerChain;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.NewExceptions;
import dev.deftchisel.signature.written.SharedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.TypeMirror;

/** Exceptions that a method comes to throw: its callers declare them, up to where they are caught (JLS 11.2). */
public final class CallerThrows {

    private final List<String> exceptions;
    private final NewExceptions handling;

    /**
     * @param exceptions checked ones, by qualified name
     * @param handling   what calls of the method do about them; whoever calls their callers declares them too
     */
    public CallerThrows(List<String> exceptions, NewExceptions handling) {
        this.exceptions = List.copyOf(exceptions);
        this.handling = handling;
    }

    /** The callers that must declare one of them. */
    public CallerChain callers(Analyst analyst, Analysis before, SymbolKey method) {
        Set<SymbolKey> family = before.symbol(method).map(symbol -> Family.of(symbol, before)).orElse(Set.of());
        return CallerChain.of(analyst, before, method, (code, use, caller) -> (code.element(use).map(code::key)
                .filter(family::contains).isEmpty() || handling.at(code, use) == NewExceptions.Handling.DECLARE)
                && exceptions.stream().anyMatch(exception -> !isHandled(code, use, caller, exception,
                        // a function that may not throw it is told by the compiler
                        function -> true)));
    }

    /**
     * Whether an exception that a call may end in is caught around it, or declared by the method in which it stands.
     *
     * @param mayThrow whether that is so within a lambda or reference
     */
    static boolean isHandled(AttributedFile code, TreePath use, ExecutableElement caller, String exception,
            Predicate<TreePath> mayThrow) {
        TypeElement thrown = code.elements().getTypeElement(exception);
        for (TreePath at = use; at.getParentPath() != null; at = at.getParentPath()) {
            Tree parent = at.getParentPath().getLeaf();
            Tree child = at.getLeaf();
            if (child instanceof LambdaExpressionTree || child instanceof MemberReferenceTree) {
                return mayThrow.test(at);
            }
            boolean isWatched = parent instanceof TryTree attempt && (attempt.getBlock() == child
                    || attempt.getResources().contains(child));
            if (isWatched && catches(code, at.getParentPath(), thrown)) {
                return true;
            }
        }
        return declares(code, caller, thrown);
    }

    private static boolean catches(AttributedFile code, TreePath attempt, TypeElement thrown) {
        return ((TryTree) attempt.getLeaf()).getCatches().stream().anyMatch(one -> {
            TreePath clause = new TreePath(new TreePath(attempt, one), one.getParameter());
            Tree type = one.getParameter().getType();
            List<? extends Tree> types = type instanceof UnionTypeTree union ? union.getTypeAlternatives()
                    : List.of(type);
            return types.stream().map(alternative -> code.type(new TreePath(clause, alternative)).orElse(null))
                    .filter(Objects::nonNull).anyMatch(caught -> code.isKind(thrown.asType(), caught));
        });
    }

    private static boolean declares(AttributedFile code, ExecutableElement method, TypeElement thrown) {
        return thrown == null || method.getThrownTypes().stream()
                .anyMatch(declared -> code.isKind(thrown.asType(), declared));
    }

    /** Writes them in the headers of the callers; says what is in the way. */
    public Optional<Reason> write(CallerChain chain, SharedEdits edits) {
        for (SymbolKey key : chain.callers()) {
            Optional<DeclaredHeader> header = DeclaredHeader.of(chain.before(), key);
            if (header.isEmpty() || header.get().isOfRecord()) {
                return Optional.of(Reason.of("the exception would reach " + chain.before().symbol(key)
                        .map(symbol -> symbol.signature()).orElse("a caller")
                        + ", whose header cannot declare it; catch it there first"));
            }
            write(header.get(), edits);
        }
        return Optional.empty();
    }

    private void write(DeclaredHeader header, SharedEdits edits) {
        AttributedFile code = header.code();
        List<String> missing = new ArrayList<>();
        for (String exception : exceptions) {
            TypeElement type = code.elements().getTypeElement(exception);
            if (!declares(code, header.element(), type)) {
                missing.add(edits.writer(code).name(type));
            }
        }
        Optional<Range> old = header.header().thrown().filter(range -> range.length() > 0).map(header::place);
        int end = old.map(Range::end).orElse(header.inner().end() + 1);
        String added = (old.isPresent() ? ", " : " throws ") + String.join(", ", missing);
        edits.in(code).replace(new Range(end, end), List.of(), text -> text.write(missing.isEmpty() ? "" : added));
    }

    /** Those of some types that must be caught or declared (JLS 11.1.1), by qualified name. */
    public static List<String> checked(AttributedFile code, List<? extends TypeMirror> types) {
        TypeMirror runtime = code.elements().getTypeElement("java.lang.RuntimeException").asType();
        TypeMirror error = code.elements().getTypeElement("java.lang.Error").asType();
        return types.stream().filter(type -> !code.isKind(type, runtime) && !code.isKind(type, error))
                .map(type -> code.types().asElement(type)).filter(TypeElement.class::isInstance)
                .map(type -> ((TypeElement) type).getQualifiedName().toString()).toList();
    }
}
