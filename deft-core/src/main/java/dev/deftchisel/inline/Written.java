package dev.deftchisel.inline;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.Effects;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/**
 * How a value is written in the place of its variable: with a cast where the variable's type made a difference (JLS 5.1.2,
 * 5.1.7, 15.12.2), with type arguments or an array type where they came from the declaration, and in parentheses where
 * it would be grouped otherwise.
 */
final class Written {

    private final Code code;
    private final Inlined inlined;
    private final TypeWriter writer;
    private final TypeMirror declared;
    private final Optional<TypeMirror> own;

    Written(Inlined inlined, TypeWriter writer) {
        this.code = inlined.code();
        this.inlined = inlined;
        this.writer = writer;
        this.declared = inlined.variable().asType();
        this.own = isArrayOnly() ? Optional.of(declared) : code.type(inlined.valuePath());
    }

    /** What turning the value into the variable's type may do besides. */
    Effects conversion() {
        boolean isBoxed = own.filter(type -> type.getKind().isPrimitive()).isPresent() && !declared.getKind().isPrimitive();
        boolean isUnboxed = own.filter(type -> !type.getKind().isPrimitive()).isPresent() && declared.getKind().isPrimitive();
        // each boxing may give another object; unboxing fails for null
        return isBoxed ? Effects.MADE : isUnboxed ? Effects.NULL : Effects.NONE;
    }

    /** {@code int[] depths = {4, 6};}: what stands there is no expression by itself (JLS 10.6). */
    private boolean isArrayOnly() {
        return inlined.value() instanceof NewArrayTree array && array.getType() == null;
    }

    /** The edit that puts the value in the place of a use; empty when the type has no name that could be written. */
    Optional<Edit> in(TreePath use) {
        Tree parent = use.getParentPath().getLeaf();
        ExpressionTree value = inlined.value();
        boolean isCast = needsCast(use);
        Optional<String> type = isCast || isArrayOnly() ? writer.write(declared) : Optional.of("");
        Optional<String> arguments = isDiamond() && !hasSameTarget(use) ? typeArguments() : Optional.of("");
        if (type.isEmpty() || arguments.isEmpty()) {
            return Optional.empty();
        }
        boolean isGrouped = isCast ? Precedence.castNeedsParentheses(value, use.getLeaf(), parent)
                : Precedence.needsParentheses(value, use.getLeaf(), parent);
        boolean isGroupedInCast = isCast && Precedence.needsParenthesesInCast(value);
        NewCode text = new NewCode(code.file()).write(isGrouped ? "(" : "")
                .write(isCast ? "(" + type.get() + ") " : "")
                .write(isGroupedInCast ? "(" : "")
                .write(isArrayOnly() ? "new " + type.get() + " " : "");
        Range range = code.range(value);
        String oldIndent = Layout.indentOf(code.file(), range.start());
        String newIndent = Layout.indentOf(code.file(), code.range(use.getLeaf()).start());
        if (arguments.get().isEmpty()) {
            text.carry(range, oldIndent, newIndent);
        } else {
            Range diamond = code.range(((NewClassTree) value).getIdentifier());
            text.carry(new Range(range.start(), code.text(diamond).lastIndexOf('<') + diamond.start()), oldIndent, newIndent)
                    .write(arguments.get())
                    .carry(new Range(diamond.end(), range.end()), oldIndent, newIndent);
        }
        return Optional.of(text.write(isGroupedInCast ? ")" : "").write(isGrouped ? ")" : "")
                .replacing(code.range(use.getLeaf())));
    }

    private boolean isDiamond() {
        return inlined.value() instanceof NewClassTree made && made.getIdentifier() instanceof ParameterizedTypeTree type
                && type.getTypeArguments().isEmpty();
    }

    private Optional<String> typeArguments() {
        return own.flatMap(writer::write).filter(text -> text.contains("<")).map(text -> text.substring(text.indexOf('<')));
    }

    private boolean needsCast(TreePath use) {
        // types with wildcards are the same as no other (JLS 4.5.1), but only the type arguments differ
        boolean isSame = own.filter(type -> code.types().isSameType(type, declared) || code.types().isSubtype(type, declared)
                && code.types().isSameType(code.types().erasure(type), code.types().erasure(declared))).isPresent();
        boolean isFunction = inlined.value() instanceof LambdaExpressionTree || inlined.value() instanceof MemberReferenceTree;
        if (isFunction) {
            return !hasSameTarget(use);
        }
        boolean isNarrowed = declared.getKind().isPrimitive() && own.filter(type -> type.getKind().isPrimitive()
                && !code.types().isSubtype(type, declared)).isPresent();
        // a constant is made narrower where it is assigned, but not where it is passed (JLS 5.2, 5.3)
        boolean isPassed = use.getParentPath().getLeaf() instanceof MethodInvocationTree
                || use.getParentPath().getLeaf() instanceof NewClassTree;
        if (isSame || hasSameTarget(use) && !(isNarrowed && isPassed)) {
            return false;
        }
        boolean isPrimitive = declared.getKind().isPrimitive() || own.filter(type -> type.getKind().isPrimitive()).isPresent();
        return isPrimitive || isSensitive(use);
    }

    /** Whether the place asks for the very type of the variable, so that the value is turned into it anyway. */
    private boolean hasSameTarget(TreePath use) {
        TreePath path = use.getParentPath();
        Tree child = use.getLeaf();
        while (path.getLeaf() instanceof ParenthesizedTree) {
            child = path.getLeaf();
            path = path.getParentPath();
        }
        Tree parent = path.getLeaf();
        Optional<TypeMirror> wanted = Optional.empty();
        if (parent instanceof VariableTree variable && variable.getInitializer() == child) {
            boolean isVar = variable.getType() == null || code.find(variable.getType()).isEmpty()
                    || code.text(variable.getType()).equals("var");
            wanted = isVar ? Optional.empty() : code.element(path).map(Element::asType);
        } else if (parent instanceof AssignmentTree assignment && assignment.getExpression() == child) {
            wanted = code.type(new TreePath(path, assignment.getVariable()));
        } else if (parent instanceof ReturnTree) {
            wanted = returned(path);
        } else if (parent instanceof MethodInvocationTree call && call.getArguments().contains(child)) {
            wanted = parameter(code.element(path), call.getArguments().indexOf(child));
        } else if (parent instanceof NewClassTree made && made.getArguments().contains(child)) {
            wanted = parameter(code.element(path), made.getArguments().indexOf(child));
        }
        return wanted.filter(type -> code.types().isSameType(type, declared)).isPresent();
    }

    /** What the method around returns; a lambda's result may be part of an inference. */
    private Optional<TypeMirror> returned(TreePath statement) {
        for (TreePath at = statement; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof LambdaExpressionTree) {
                return Optional.empty();
            }
            Optional<Element> element = at.getLeaf().getKind() == Tree.Kind.METHOD ? code.element(at) : Optional.empty();
            if (element.isPresent()) {
                return element.map(method -> ((ExecutableElement) method).getReturnType());
            }
        }
        return Optional.empty();
    }

    /** The type of a parameter of a method that is neither overloaded nor generic. */
    private Optional<TypeMirror> parameter(Optional<Element> called, int index) {
        return called.filter(element -> element instanceof ExecutableElement)
                .map(element -> (ExecutableElement) element)
                .filter(method -> method.getTypeParameters().isEmpty() && !method.isVarArgs() && !isOverloaded(method)
                        && index < method.getParameters().size())
                .map(method -> method.getParameters().get(index).asType());
    }

    private static boolean isOverloaded(ExecutableElement method) {
        return method.getEnclosingElement().getEnclosedElements().stream()
                .filter(member -> member.getSimpleName().equals(method.getSimpleName())
                        && (member.getKind() == ElementKind.METHOD || member.getKind() == ElementKind.CONSTRUCTOR))
                .count() > 1;
    }

    /** Whether another type than the variable's may choose another member, overload or type argument. */
    private boolean isSensitive(TreePath use) {
        Tree parent = use.getParentPath().getLeaf();
        if (parent instanceof MethodInvocationTree || parent instanceof NewClassTree) {
            Optional<Element> called = code.element(use.getParentPath());
            boolean isArgument = parent instanceof MethodInvocationTree call && call.getArguments().contains(use.getLeaf())
                    || parent instanceof NewClassTree made && made.getArguments().contains(use.getLeaf());
            return !isArgument || called.filter(element -> element instanceof ExecutableElement method
                    && method.getTypeParameters().isEmpty() && !isOverloaded(method)).isEmpty();
        }
        boolean isComparison = parent instanceof BinaryTree binary && List.of(Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO)
                .contains(binary.getKind());
        boolean isTyped = parent instanceof VariableTree || parent instanceof AssignmentTree || parent instanceof ReturnTree;
        boolean isText = parent instanceof BinaryTree && !isComparison;
        return !isTyped && !isText || parent instanceof ConditionalExpressionTree
                || parent instanceof VariableTree variable && code.find(variable.getType() == null ? variable : variable.getType())
                .map(code::text).filter("var"::equals).isPresent();
    }
}
