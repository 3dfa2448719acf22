package dev.deftchisel.rewrite;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * How a value is written in the place of what stands for it: with a cast where the declared type made a difference (JLS
 * 5.1.2, 5.1.7, 15.12.2), with type arguments or an array type where they came from the declaration, and in parentheses
 * where it would be grouped otherwise.
 */
public final class ValueWriter {

    private final AttributedFile code;
    private final ExpressionTree value;
    private final TypeMirror declared;
    private final TypeMirror formal;
    private final TypeWriter writer;
    private final Optional<TypeMirror> own;

    /** Writes the code of the value itself, but for some parts of it. */
    public interface Carrying {

        /**
         * @param to      where to
         * @param instead what is written in place of parts of the value
         */
        void write(NewCode to, SortedMap<Range, Consumer<NewCode>> instead);
    }

    /**
     * @param code     the file of the value
     * @param path     the value
     * @param declared the type that the value is turned into where it stands now
     * @param formal   the same type as the declaration of a method says it, with the type parameters of that
     * @param writer   of types in the file where it is to stand
     */
    public ValueWriter(AttributedFile code, TreePath path, TypeMirror declared, TypeMirror formal, TypeWriter writer) {
        this.code = code;
        this.value = (ExpressionTree) path.getLeaf();
        this.declared = declared;
        this.formal = formal;
        this.writer = writer;
        this.own = isArrayOnly() ? Optional.of(declared) : code.type(path);
    }

    /** The same for a type that no method declares. */
    public ValueWriter(AttributedFile code, TreePath path, TypeMirror declared, TypeWriter writer) {
        this(code, path, declared, declared, writer);
    }

    /** What turning the value into the declared type may do besides. */
    public Effects conversion() {
        boolean isBoxed = own.filter(type -> type.getKind().isPrimitive()).isPresent() && !declared.getKind()
                .isPrimitive();
        boolean isUnboxed = own.filter(type -> !type.getKind().isPrimitive()).isPresent() && declared.getKind()
                .isPrimitive();
        // each boxing may give another object; unboxing fails for null
        if (isBoxed) {
            return Effects.MADE;
        }
        return isUnboxed ? Effects.NULL : Effects.NONE;
    }

    /** {@code int[] depths = {4, 6};}: what stands there is no expression by itself (JLS 10.6). */
    private boolean isArrayOnly() {
        return value instanceof NewArrayTree array && array.getType() == null;
    }

    /**
     * Writes the value for an expression whose place it takes.
     *
     * @param where    the file of that expression
     * @param use      the expression
     * @param carrying writes the value itself
     * @return whether it could be; not when its type has no name that could be written
     */
    public boolean write(NewCode to, AttributedFile where, TreePath use, Carrying carrying) {
        Tree parent = use.getParentPath().getLeaf();
        boolean isCast = needsCast(where, use);
        Optional<String> type = isCast || isArrayOnly() ? writer.write(declared) : Optional.of("");
        Optional<String> arguments = isDiamond() && !hasSameTarget(where, use) ? typeArguments() : Optional.of("");
        if (type.isEmpty() || arguments.isEmpty()) {
            return false;
        }
        boolean isGrouped = isCast ? Precedence.castNeedsParentheses(value, use.getLeaf(), parent)
                : Precedence.needsParentheses(value, use.getLeaf(), parent);
        boolean isGroupedInCast = isCast && Precedence.needsParenthesesInCast(value);
        to.write(isGrouped ? "(" : "")
                .write(isCast ? "(" + type.get() + ") " : "")
                .write(isGroupedInCast ? "(" : "")
                .write(isArrayOnly() ? "new " + type.get() + " " : "");
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>();
        if (!arguments.get().isEmpty()) {
            Range diamond = code.range(((NewClassTree) value).getIdentifier());
            int start = code.text(diamond).lastIndexOf('<') + diamond.start();
            instead.put(new Range(start, diamond.end()), text -> text.write(arguments.get()));
        }
        carrying.write(to, instead);
        to.write(isGroupedInCast ? ")" : "").write(isGrouped ? ")" : "");
        return true;
    }

    private boolean isDiamond() {
        return value instanceof NewClassTree made && made.getIdentifier() instanceof ParameterizedTypeTree type
                && type.getTypeArguments().isEmpty();
    }

    private Optional<String> typeArguments() {
        return own.flatMap(writer::write).filter(text -> text.contains("<"))
                .map(text -> text.substring(text.indexOf('<')));
    }

    private boolean needsCast(AttributedFile where, TreePath use) {
        // types with wildcards are the same as no other (JLS 4.5.1), but only the type arguments differ
        boolean isSame = own.filter(type -> code.types().isSameType(type, declared) || code.types()
                .isSameType(type, formal)
                || code.types().isSubtype(type, declared)
                && code.types().isSameType(code.types().erasure(type), code.types().erasure(declared))).isPresent();
        boolean isFunction = value instanceof LambdaExpressionTree || value instanceof MemberReferenceTree;
        if (isFunction) {
            return !hasSameTarget(where, use);
        }
        boolean isNarrowed = declared.getKind().isPrimitive() && own.filter(type -> type.getKind().isPrimitive()
                && !code.types().isSubtype(type, declared)).isPresent();
        // a constant is made narrower where it is assigned, but not where it is passed (JLS 5.2, 5.3)
        boolean isPassed = use.getParentPath().getLeaf() instanceof MethodInvocationTree
                || use.getParentPath().getLeaf() instanceof NewClassTree;
        if (isSame || hasSameTarget(where, use) && !(isNarrowed && isPassed)) {
            return false;
        }
        boolean isPrimitive = declared.getKind().isPrimitive() || own.filter(type -> type.getKind().isPrimitive())
                .isPresent();
        return isPrimitive || isSensitive(where, use);
    }

    /** Whether the place asks for the very type of the variable, so that the value is turned into it anyway. */
    private boolean hasSameTarget(AttributedFile where, TreePath use) {
        TreePath path = use.getParentPath();
        Tree child = use.getLeaf();
        while (path.getLeaf() instanceof ParenthesizedTree) {
            child = path.getLeaf();
            path = path.getParentPath();
        }
        Tree parent = path.getLeaf();
        Optional<TypeMirror> wanted = Optional.empty();
        if (parent instanceof VariableTree variable && variable.getInitializer() == child) {
            boolean isVar = variable.getType() == null || where.find(variable.getType()).isEmpty()
                    || where.text(variable.getType()).equals("var");
            wanted = isVar ? Optional.empty() : where.element(path).map(Element::asType);
        } else if (parent instanceof AssignmentTree assignment && assignment.getExpression() == child) {
            wanted = where.type(new TreePath(path, assignment.getVariable()));
        } else if (parent instanceof ReturnTree) {
            wanted = returned(where, path);
        } else if (parent instanceof MethodInvocationTree call && call.getArguments().contains(child)) {
            wanted = parameter(where.element(path), call.getArguments().indexOf(child));
        } else if (parent instanceof NewClassTree made && made.getArguments().contains(child)) {
            wanted = parameter(where.element(path), made.getArguments().indexOf(child));
        }
        return wanted.filter(type -> code.types().isSameType(type, declared) || code.types().isSameType(type, formal))
                .isPresent();
    }

    /** What the method around returns; a lambda's result may be part of an inference. */
    private Optional<TypeMirror> returned(AttributedFile where, TreePath statement) {
        for (TreePath at = statement; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof LambdaExpressionTree) {
                return Optional.empty();
            }
            Optional<Element> element = at.getLeaf().getKind() == Tree.Kind.METHOD ? where.element(at)
                    : Optional.empty();
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

    private static boolean isReference(Optional<TypeMirror> type) {
        return type.filter(found -> !found.getKind().isPrimitive()).isPresent();
    }

    /**
     * Whether a member is selected that is the same for the value's own type: none of that name is declared further
     * down.
     */
    private boolean isMemberOf(Tree parent, TreePath use) {
        if (!(parent instanceof MemberSelectTree select) || select.getExpression() != use.getLeaf()
                || !(own.orElse(null) instanceof DeclaredType type) || !(declared instanceof DeclaredType above)) {
            return false;
        }
        TypeMirror erased = code.types().erasure(above);
        return code.types().isSubtype(code.types().erasure(type), erased)
                && code.elements().getAllMembers((TypeElement) type.asElement()).stream()
                        .filter(member -> member.getSimpleName().equals(select.getIdentifier()))
                        .allMatch(member -> code.types().isSubtype(erased, code.types()
                                .erasure(member.getEnclosingElement().asType())));
    }

    /** Whether it is only asked whether two references are the same object (JLS 15.21.3). */
    private boolean isComparedWithReference(AttributedFile where, TreePath use) {
        if (!(use.getParentPath().getLeaf() instanceof BinaryTree binary)
                || binary.getKind() != Tree.Kind.EQUAL_TO && binary.getKind() != Tree.Kind.NOT_EQUAL_TO) {
            return false;
        }
        Tree other = binary.getLeftOperand() == use.getLeaf() ? binary.getRightOperand() : binary.getLeftOperand();
        return other.getKind() == Tree.Kind.NULL_LITERAL
                || isReference(where.type(new TreePath(use.getParentPath(), other)));
    }

    /** Whether another type than the variable's may choose another member, overload or type argument. */
    private boolean isSensitive(AttributedFile where, TreePath use) {
        Tree parent = use.getParentPath().getLeaf();
        if (parent instanceof MethodInvocationTree || parent instanceof NewClassTree) {
            Optional<Element> called = where.element(use.getParentPath());
            boolean isArgument = parent instanceof MethodInvocationTree call && call.getArguments()
                    .contains(use.getLeaf())
                    || parent instanceof NewClassTree made && made.getArguments().contains(use.getLeaf());
            return !isArgument || called.filter(element -> element instanceof ExecutableElement method
                    && method.getTypeParameters().isEmpty() && !isOverloaded(method)).isEmpty();
        }
        if (isReference(own) && isReference(Optional.of(declared))
                && (isMemberOf(parent, use) || isComparedWithReference(where, use))) {
            return false;
        }
        boolean isComparison = parent instanceof BinaryTree binary
                && List.of(Tree.Kind.EQUAL_TO, Tree.Kind.NOT_EQUAL_TO)
                .contains(binary.getKind());
        boolean isTyped = parent instanceof VariableTree || parent instanceof AssignmentTree
                || parent instanceof ReturnTree;
        boolean isText = parent instanceof BinaryTree && !isComparison;
        return !isTyped && !isText || parent instanceof ConditionalExpressionTree
                || parent instanceof VariableTree variable
                && where.find(variable.getType() == null ? variable : variable.getType())
                .map(where::text).filter("var"::equals).isPresent();
    }
}
