package dev.deftchisel.analysis.code;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssertTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.SynchronizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.Elements;

/**
 * Reads {@link Effects} off a tree: the effects of all that is evaluated in it, taken together. What stands in the body
 * of a lambda or class is not evaluated; only the variables it captures count.
 */
final class EffectScanner extends TreePathScanner<Effects, Void> {

    /** Classes whose objects never change and whose methods do nothing but compute. */
    private static final Set<String> COMPUTING = Set.of(
            "java.lang.String", "java.lang.Math", "java.lang.StrictMath", "java.lang.Integer", "java.lang.Long",
            "java.lang.Short", "java.lang.Byte", "java.lang.Character", "java.lang.Boolean", "java.lang.Float",
            "java.lang.Double", "java.time.LocalDate", "java.time.LocalTime", "java.time.LocalDateTime",
            "java.time.Duration",
            "java.time.Instant", "java.time.Period", "java.util.UUID");
    /** Of these, the ones that call methods of their arguments or fill an array. */
    private static final Set<String> NOT_COMPUTING = Set.of(
            "getChars", "getBytes", "join", "format", "formatted", "valueOf", "contentEquals", "replace", "contains",
            "getInteger", "getLong", "getBoolean", "transform", "copyValueOf", "now", "random", "randomUUID", "with",
            "query",
            "plus", "minus", "get", "from", "between", "until", "range", "adjustInto");

    private final AttributedFile code;

    EffectScanner(AttributedFile code) {
        this.code = code;
    }

    @Override
    public Effects scan(Tree tree, Void unused) {
        Effects found = tree == null ? null : super.scan(tree, null);
        return found == null ? Effects.NONE : found;
    }

    @Override
    public Effects scan(TreePath path, Void unused) {
        Effects found = super.scan(path, null);
        return found == null ? Effects.NONE : found;
    }

    @Override
    public Effects reduce(Effects one, Effects other) {
        if (one == null) {
            return other;
        }
        return other == null ? one : one.and(other);
    }

    @Override
    public Effects visitLiteral(LiteralTree tree, Void unused) {
        return Effects.NONE;
    }

    @Override
    public Effects visitIdentifier(IdentifierTree tree, Void unused) {
        return read(getCurrentPath());
    }

    private Effects read(TreePath path) {
        Element element = code.element(path).orElse(null);
        if (!(element instanceof VariableElement variable)) {
            return Effects.NONE;
        }
        if (!element.getKind().isField()) {
            return Effects.reading(element);
        }
        boolean isKeyword = element.getSimpleName().contentEquals("this") || element.getSimpleName()
                .contentEquals("super");
        boolean neverChanges = variable.getConstantValue() != null || element.getKind() == ElementKind.ENUM_CONSTANT
                || element.getModifiers().contains(Modifier.FINAL) && !isBeingMade(path, element);
        return isKeyword || neverChanges || element.getSimpleName().contentEquals("length") && isArrayLength(element)
                ? Effects.NONE
                : Effects.READ;
    }

    private static boolean isArrayLength(Element element) {
        return !(element.getEnclosingElement() instanceof TypeElement type) || type.getQualifiedName().length() == 0
                || type.getSimpleName().contentEquals("Array");
    }

    /** Within constructors and initialisers of its class, a final field may not be set yet. */
    private boolean isBeingMade(TreePath path, Element field) {
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree method) {
                return method.getName().contentEquals("<init>") && field.getEnclosingElement().equals(
                        code.element(at.getParentPath()).orElse(null));
            }
            if (at.getLeaf() instanceof ClassTree) {
                return true;
            }
        }
        return true;
    }

    @Override
    public Effects visitMemberSelect(MemberSelectTree tree, Void unused) {
        Effects object = scan(tree.getExpression(), null);
        Element element = code.element(getCurrentPath()).orElse(null);
        boolean isField = element instanceof VariableElement;
        boolean isOfObject = isField && !element.getModifiers().contains(Modifier.STATIC)
                && !tree.getIdentifier().contentEquals("this") && !tree.getIdentifier().contentEquals("class");
        Effects value = isField ? read(getCurrentPath()) : Effects.NONE;
        return object.and(value).and(isOfObject && mayBeNull(tree.getExpression()) ? Effects.NULL : Effects.NONE);
    }

    private static boolean mayBeNull(ExpressionTree object) {
        if (object instanceof ParenthesizedTree inner) {
            return mayBeNull(inner.getExpression());
        }
        boolean isThis = object instanceof IdentifierTree name
                && (name.getName().contentEquals("this") || name.getName().contentEquals("super"))
                || object instanceof MemberSelectTree select && (select.getIdentifier().contentEquals("this")
                || select.getIdentifier().contentEquals("super"));
        return !isThis && !(object instanceof LiteralTree) && !(object instanceof NewClassTree);
    }

    @Override
    public Effects visitMethodInvocation(MethodInvocationTree tree, Void unused) {
        Effects parts = scan(tree.getArguments(), null);
        boolean onObject = false;
        if (tree.getMethodSelect() instanceof MemberSelectTree select) {
            parts = reduce(scan(select.getExpression(), null), parts == null ? Effects.NONE : parts);
            onObject = mayBeNull(select.getExpression());
        }
        parts = parts == null ? Effects.NONE : parts;
        Element method = code.element(getCurrentPath()).orElse(null);
        boolean isComputing = method != null && method.getEnclosingElement() instanceof TypeElement owner
                && (COMPUTING.contains(owner.getQualifiedName().toString())
                        && !NOT_COMPUTING.contains(method.getSimpleName().toString())
                || isMadeAccessor(method));
        if (!isComputing) {
            return parts.and(Effects.UNKNOWN);
        }
        boolean isSafe = method.getEnclosingElement().getSimpleName().contentEquals("Math")
                && !method.getSimpleName().toString().endsWith("Exact") && !method.getSimpleName().toString()
                .startsWith("floor");
        boolean isStatic = method.getModifiers().contains(Modifier.STATIC);
        boolean cannotFail = isSafe || !isStatic && !onObject && tree.getArguments().isEmpty()
                || isStatic && isSafe;
        boolean onlyByNull = !isStatic && tree.getArguments().isEmpty();
        return parts.and(cannotFail ? Effects.NONE : onlyByNull ? Effects.NULL : Effects.FAILURE);
    }

    /** The accessor of a record that the compiler makes (JLS 8.10.3) only reads a field that never changes. */
    private boolean isMadeAccessor(Element method) {
        return method.getEnclosingElement().getKind() == ElementKind.RECORD
                && code.elements().getOrigin(method) != Elements.Origin.EXPLICIT
                && method.asType() instanceof ExecutableType type && type.getParameterTypes().isEmpty()
                && method.getEnclosingElement().getEnclosedElements().stream().anyMatch(member ->
                        member.getKind() == ElementKind.RECORD_COMPONENT
                                && member.getSimpleName().equals(method.getSimpleName()));
    }

    @Override
    public Effects visitNewClass(NewClassTree tree, Void unused) {
        Effects parts = reduce(scan(tree.getEnclosingExpression(), null), scan(tree.getArguments(), null));
        Effects captured = tree.getClassBody() == null ? Effects.NONE : captured(tree.getClassBody());
        return (parts == null ? Effects.NONE : parts).and(captured).and(Effects.UNKNOWN);
    }

    @Override
    public Effects visitNewArray(NewArrayTree tree, Void unused) {
        Effects parts = reduce(scan(tree.getDimensions(), null), scan(tree.getInitializers(), null));
        boolean mayFail = tree.getDimensions().stream().anyMatch(size -> !(size instanceof LiteralTree));
        return (parts == null ? Effects.NONE : parts).and(Effects.MADE).and(mayFail ? Effects.FAILURE : Effects.NONE);
    }

    @Override
    public Effects visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
        return captured(tree.getBody()).and(Effects.MADE);
    }

    @Override
    public Effects visitMemberReference(MemberReferenceTree tree, Void unused) {
        Effects object = scan(tree.getQualifierExpression(), null);
        boolean isType = code.element(new TreePath(getCurrentPath(), tree.getQualifierExpression()))
                .filter(element -> element instanceof TypeElement).isPresent();
        return object.and(Effects.MADE).and(!isType && mayBeNull(tree.getQualifierExpression())
                ? Effects.NULL : Effects.NONE);
    }

    @Override
    public Effects visitClass(ClassTree tree, Void unused) {
        return captured(tree);
    }

    /** The variables that code needs which is not evaluated now. */
    private Effects captured(Tree body) {
        Effects[] found = {Effects.NONE};
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                code.element(getCurrentPath())
                        .filter(element -> element instanceof VariableElement && !element.getKind().isField())
                        .ifPresent(element -> found[0] = found[0].and(Effects.reading(element)));
                return null;
            }
        }.scan(new TreePath(getCurrentPath(), body), null);
        return found[0];
    }

    @Override
    public Effects visitArrayAccess(ArrayAccessTree tree, Void unused) {
        return super.visitArrayAccess(tree, null).and(Effects.READ).and(Effects.FAILURE);
    }

    @Override
    public Effects visitTypeCast(TypeCastTree tree, Void unused) {
        Effects value = scan(tree.getExpression(), null);
        TypeMirror to = code.type(new TreePath(getCurrentPath(), tree.getType())).orElse(null);
        TypeMirror from = code.type(new TreePath(getCurrentPath(), tree.getExpression())).orElse(null);
        boolean isSafe = to != null && from != null && (to.getKind().isPrimitive() && from.getKind().isPrimitive()
                || !to.getKind().isPrimitive() && code.types().isSubtype(from, to));
        return value.and(isSafe ? Effects.NONE : Effects.FAILURE);
    }

    @Override
    public Effects visitBinary(BinaryTree tree, Void unused) {
        Effects parts = super.visitBinary(tree, null);
        TypeMirror type = code.type(getCurrentPath()).orElse(null);
        if (isText(type)) {
            return isPlain(tree.getLeftOperand()) && isPlain(tree.getRightOperand()) ? parts
                    : parts.and(Effects.UNKNOWN);
        }
        boolean divides = tree.getKind() == Tree.Kind.DIVIDE || tree.getKind() == Tree.Kind.REMAINDER;
        boolean mayDivideByZero = divides && !(tree.getRightOperand() instanceof LiteralTree literal
                && literal.getValue() instanceof Number number && number.doubleValue() != 0);
        boolean compares = tree.getKind() == Tree.Kind.EQUAL_TO || tree.getKind() == Tree.Kind.NOT_EQUAL_TO;
        boolean unboxes = !compares && (isReference(tree.getLeftOperand()) || isReference(tree.getRightOperand()))
                || compares && isReference(tree.getLeftOperand()) != isReference(tree.getRightOperand());
        if (mayDivideByZero) {
            return parts.and(Effects.FAILURE);
        }
        return unboxes ? parts.and(Effects.NULL) : parts;
    }

    private static boolean isText(TypeMirror type) {
        return type != null && NamedTypes.is(type, "java.lang.String");
    }

    /** Whether turning it into text calls no method that anyone could write. */
    private boolean isPlain(ExpressionTree operand) {
        TypeMirror type = code.type(new TreePath(getCurrentPath(), operand)).orElse(null);
        return type != null && (type.getKind().isPrimitive() || NamedTypes.isOneOf(type, COMPUTING)
                || type.getKind() == TypeKind.NULL);
    }

    private boolean isReference(ExpressionTree operand) {
        return !code.type(new TreePath(getCurrentPath(), operand)).filter(type -> type.getKind().isPrimitive())
                .isPresent();
    }

    @Override
    public Effects visitConditionalExpression(ConditionalExpressionTree tree, Void unused) {
        Effects parts = super.visitConditionalExpression(tree, null);
        boolean isPrimitive = code.type(getCurrentPath()).filter(type -> type.getKind().isPrimitive()).isPresent();
        boolean unboxes = isReference(tree.getCondition())
                || isPrimitive && (isReference(tree.getTrueExpression()) || isReference(tree.getFalseExpression()));
        return unboxes ? parts.and(Effects.NULL) : parts;
    }

    @Override
    public Effects visitUnary(UnaryTree tree, Void unused) {
        Effects operand = super.visitUnary(tree, null);
        boolean writes = switch (tree.getKind()) {
            case PREFIX_INCREMENT, PREFIX_DECREMENT, POSTFIX_INCREMENT, POSTFIX_DECREMENT -> true;
            default -> false;
        };
        Effects unboxing = isReference(tree.getExpression()) ? Effects.NULL : Effects.NONE;
        return (writes ? operand.and(written(tree.getExpression())) : operand).and(unboxing);
    }

    @Override
    public Effects visitAssignment(AssignmentTree tree, Void unused) {
        return target(tree.getVariable()).and(scan(tree.getExpression(), null)).and(written(tree.getVariable()));
    }

    @Override
    public Effects visitCompoundAssignment(CompoundAssignmentTree tree, Void unused) {
        Effects parts = super.visitCompoundAssignment(tree, null).and(written(tree.getVariable()));
        boolean isArithmetic = !isReference(tree.getVariable()) && !isReference(tree.getExpression());
        boolean divides = tree.getKind() == Tree.Kind.DIVIDE_ASSIGNMENT
                || tree.getKind() == Tree.Kind.REMAINDER_ASSIGNMENT;
        return isArithmetic && !divides || isText(code.type(getCurrentPath()).orElse(null))
                && isPlain(tree.getExpression())
                ? parts
                : parts.and(Effects.UNKNOWN);
    }

    /** What is evaluated of a variable that is only written: the object or array it is in. */
    private Effects target(ExpressionTree variable) {
        if (variable instanceof MemberSelectTree select) {
            return scan(select.getExpression(), null)
                    .and(mayBeNull(select.getExpression()) ? Effects.NULL : Effects.NONE);
        }
        if (variable instanceof ArrayAccessTree access) {
            return scan(access.getExpression(), null).and(scan(access.getIndex(), null)).and(Effects.FAILURE);
        }
        return Effects.NONE;
    }

    private Effects written(ExpressionTree variable) {
        Optional<Element> element = code.element(new TreePath(getCurrentPath(), variable));
        return element.filter(found -> !found.getKind().isField() && variable instanceof IdentifierTree)
                .map(Effects::writing)
                .orElse(Effects.WRITE);
    }

    @Override
    public Effects visitVariable(VariableTree tree, Void unused) {
        // nobody can notice that a new variable gets its first value
        return scan(tree.getInitializer(), null);
    }

    @Override
    public Effects visitSwitchExpression(SwitchExpressionTree tree, Void unused) {
        // a selector that is null, or an enum constant from the future, makes it fail (JLS 15.28.2)
        return super.visitSwitchExpression(tree, null).and(Effects.FAILURE);
    }

    @Override
    public Effects visitSwitch(SwitchTree tree, Void unused) {
        return super.visitSwitch(tree, null).and(Effects.FAILURE);
    }

    @Override
    public Effects visitEnhancedForLoop(EnhancedForLoopTree tree, Void unused) {
        return super.visitEnhancedForLoop(tree, null).and(Effects.UNKNOWN);
    }

    @Override
    public Effects visitTry(TryTree tree, Void unused) {
        return super.visitTry(tree, null).and(Effects.UNKNOWN);
    }

    @Override
    public Effects visitSynchronized(SynchronizedTree tree, Void unused) {
        return super.visitSynchronized(tree, null).and(Effects.UNKNOWN);
    }

    @Override
    public Effects visitAssert(AssertTree tree, Void unused) {
        return super.visitAssert(tree, null).and(Effects.FAILURE);
    }

    @Override
    public Effects visitOther(Tree tree, Void unused) {
        return tree instanceof StatementTree || tree instanceof ExpressionTree ? Effects.UNKNOWN : Effects.NONE;
    }
}
