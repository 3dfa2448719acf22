package dev.deftchisel.guard.comparison;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.Trace;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** What the compiler took for something while code around it had no meaning: it proves nothing once that has one. */
final class Uncertainty {

    private static final Pattern OF_PARSER =
            Pattern.compile("err\\.(expected|illegal\\.(start|esc|char|dot|text)|premature|unclosed|not\\.stmt|"
            + "array\\.dimension|varargs\\.must|switch\\.mixing|variable\\.not\\.allowed|int\\.number|else\\.without|"
            + "catch\\.without|finally\\.without|try\\.without|orphaned|class\\.not\\.allowed|invalid\\.meth\\.decl|"
            + "empty\\.char)");

    private static final Pattern OF_MISSING =
            Pattern.compile("err\\.(cant\\.resolve|cant\\.apply|doesnt\\.exist|does\\.not\\.override)");

    private final Analysis before;
    private final Set<Path> halfRead;

    /** @param before the code as it was */
    Uncertainty(Analysis before) {
        this.before = before;
        this.halfRead = before.errors().stream().filter(Uncertainty::isOfParser)
                .map(CompilerError::file).collect(Collectors.toSet());
    }

    /** Whether an error is the parser's, which then understands the rest in its own way. */
    static boolean isOfParser(CompilerError error) {
        return OF_PARSER.matcher(error.code()).find();
    }

    /** Whether an error says that something is not there; bodies that were not looked at have errors of other sorts. */
    static boolean isOfMissing(CompilerError error) {
        return OF_MISSING.matcher(error.code()).find();
    }

    /** Whether the parser itself gave up on something in a file, so that what it made of the rest may be anything. */
    boolean isHalfRead(Path file) {
        return halfRead.contains(file);
    }

    /**
     * Whether a call was bound while something it is made of had no meaning, so that another overload may be the right
     * one.
     */
    boolean of(Binding binding) {
        return isLabelOfUnknown(binding) || isInUnknownFunction(binding) || before.code(binding.file()).stream()
                .flatMap(code -> code.around(binding.range()).stream()
                        .filter(path -> path.getLeaf() instanceof MethodInvocationTree call
                                && code.range(call.getMethodSelect()).end() == binding.range().end()
                                || path.getLeaf() instanceof NewClassTree made && code.range(made)
                                .start() == binding.range().start())
                        .limit(1)
                        .filter(path -> hasUnknown(code.range(path.getLeaf()), binding.file())
                                || isHandedUnknown(code, path)))
                .findAny().isPresent();
    }

    /**
     * Whether it is within a function that was passed to a call that nobody knew, so that its parameters had no types.
     */
    private boolean isInUnknownFunction(Binding binding) {
        return before.code(binding.file()).stream().flatMap(code -> code.around(binding.range()).stream()
                        .filter(path -> path.getLeaf() instanceof LambdaExpressionTree
                                && path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                                && call.getArguments().contains(path.getLeaf())
                                && code.type(new TreePath(path.getParentPath(), call.getMethodSelect()))
                                        .filter(type -> type.getKind() != TypeKind.ERROR).isEmpty()))
                .findAny().isPresent();
    }

    private boolean hasUnknown(Range call, Path file) {
        return before.bindings(file).stream().anyMatch(part -> part.key() instanceof SymbolKey.Unknown
                && call.encloses(part.range()));
    }

    /** Whether an argument of a call has a type that names one that is not known. */
    private static boolean isHandedUnknown(AttributedFile code, TreePath call) {
        List<? extends ExpressionTree> arguments = call.getLeaf() instanceof MethodInvocationTree called
                ? called.getArguments()
                : ((NewClassTree) call.getLeaf()).getArguments();
        return arguments.stream().anyMatch(argument -> code.type(new TreePath(call, argument))
                .filter(type -> !isUnknown(type)).isEmpty());
    }

    private static boolean isUnknown(TypeMirror type) {
        return type.getKind() == TypeKind.ERROR || type instanceof ArrayType array
                && isUnknown(array.getComponentType())
                || type instanceof DeclaredType declared && declared.getTypeArguments().stream()
                .anyMatch(Uncertainty::isUnknown);
    }

    /**
     * Whether it is the label of a choice from what had no type, so that a constant of an enum could not be found (JLS
     * 14.11.1).
     */
    private boolean isLabelOfUnknown(Binding binding) {
        return before.code(binding.file()).stream().flatMap(code -> code.around(binding.range()).stream()
                        .filter(path -> path.getLeaf() instanceof CaseTree label && label.getExpressions().stream()
                                .anyMatch(one -> code.range(one).equals(binding.range())))
                        .map(TreePath::getParentPath)
                        .filter(choice -> code.type(new TreePath(choice, TreePaths.chosenFrom(choice.getLeaf())))
                                .filter(type -> type.getKind() != TypeKind.ERROR).isEmpty()))
                .findAny().isPresent();
    }

    /** Whether an expression is assigned or passed to what nobody knew, which may have a say in its type (JLS 15.2). */
    boolean of(Trace trace) {
        return before.code(trace.file()).stream().flatMap(code -> code.around(trace.range()).stream()
                        .filter(path -> code.range(path.getLeaf()).equals(trace.range()))
                        .filter(path -> path.getParentPath().getLeaf() instanceof AssignmentTree assignment
                                && assignment.getExpression() == path.getLeaf()
                                && code.type(new TreePath(path.getParentPath(), assignment.getVariable()))
                                        .filter(type -> !isUnknown(type)).isEmpty()
                                || path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                                && call.getArguments().contains(path.getLeaf()) && code.element(path.getParentPath())
                                .isEmpty()))
                .findAny().isPresent();
    }

    /** Whether a name is that of a class of which an object is made. */
    boolean isMade(Binding binding) {
        return before.code(binding.file()).stream().flatMap(code -> code.around(binding.range()).stream())
                .anyMatch(path -> path.getParentPath() != null && path.getParentPath()
                        .getLeaf() instanceof NewClassTree made
                        && made.getIdentifier() == path.getLeaf());
    }
}
