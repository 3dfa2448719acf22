package dev.deftchisel.navigation;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * What the compiler knows and the code does not say: types of variables without one, values of constants that are
 * computed, and what a literal is passed for.
 */
public final class InlayHints {

    private InlayHints() {
    }

    /** What a hint tells. */
    public enum Kind { TYPE, VALUE, PARAMETER }

    /**
     * Something to be shown between the characters.
     *
     * @param offset where
     * @param text   what, for instance {@code : List<String>}, {@code = 12} or {@code draught:}
     * @param kind   what it tells
     */
    public record Hint(int offset, String text, Kind kind) {
    }

    /** The hints within a stretch of a file, in order. */
    public static List<Hint> in(AttributedFile code, Range range) {
        List<Hint> hints = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitVariable(VariableTree variable, Void unused) {
                TreePath path = getCurrentPath();
                code.findName(variable).filter(range::encloses).ifPresent(name -> {
                    type(path, variable, code).ifPresent(type -> hints.add(
                            new Hint(name.end(), ": " + type, Kind.TYPE)));
                    value(path, variable, code)
                            .ifPresent(value -> hints.add(new Hint(code.range(variable.getInitializer()).end(),
                            " = " + value, Kind.VALUE)));
                });
                return super.visitVariable(variable, null);
            }

            @Override
            public Void visitMethodInvocation(MethodInvocationTree call, Void unused) {
                parameters(getCurrentPath(), call.getArguments());
                return super.visitMethodInvocation(call, null);
            }

            @Override
            public Void visitNewClass(NewClassTree created, Void unused) {
                parameters(getCurrentPath(), created.getArguments());
                return super.visitNewClass(created, null);
            }

            private void parameters(TreePath call, List<? extends ExpressionTree> arguments) {
                code.element(call).filter(method -> method instanceof ExecutableElement)
                        .ifPresent(method -> ParameterHints.of((ExecutableElement) method, arguments, code).stream()
                                .filter(hint -> range.contains(hint.offset())).forEach(hints::add));
            }
        }.scan(code.unit(), null);
        hints.sort(Comparator.comparingInt(Hint::offset));
        return List.copyOf(hints);
    }

    private static Optional<String> type(TreePath path, VariableTree variable, AttributedFile code) {
        return code.saysType(variable) ? Optional.empty() : code.element(path).map(Element::asType)
                .filter(type -> type.getKind() != TypeKind.ERROR).map(InlayHints::shown);
    }

    private static Optional<String> value(TreePath path, VariableTree variable, AttributedFile code) {
        if (variable.getInitializer() == null || variable.getInitializer() instanceof LiteralTree
                || code.find(variable.getInitializer()).isEmpty()) {
            return Optional.empty();
        }
        return code.element(path).filter(element -> element instanceof VariableElement)
                .map(element -> ((VariableElement) element).getConstantValue())
                .map(InlayHints::constant);
    }

    /** The value of a constant as the code would say it. */
    public static String constant(Object value) {
        if (value instanceof String text) {
            return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n") + "\"";
        }
        if (value instanceof Character letter) {
            return "'" + letter + "'";
        }
        return value instanceof Long number ? number + "L" : String.valueOf(value);
    }

    /** A type with simple names. */
    public static String shown(TypeMirror type) {
        return NamedTypes.shown(type).replaceAll("\\b[a-z][\\w$]*\\.(?=[\\w$])", "");
    }
}
