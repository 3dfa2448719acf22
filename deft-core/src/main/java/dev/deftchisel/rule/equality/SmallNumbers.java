package dev.deftchisel.rule.equality;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.code.Jumps;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.analysis.value.ValueRange;
import dev.deftchisel.analysis.value.ValueRanges;
import dev.deftchisel.problem.RuleContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.util.ElementFilter;

/**
 * Numbers that the file itself shows to be small: a field that only its own file writes, and only with such; a method
 * that returns only such; a parameter of a constructor that throws at others.
 */
final class SmallNumbers {

    private static final int DEEPEST = 4;
    /** Methods so called give back what they were passed when it is not negative. */
    private static final Pattern NATURAL = Pattern.compile("check.*Positive|[Nn]on[Nn]egative|^checkIndex$");

    private final RuleContext context;
    private final AttributedFile code;

    SmallNumbers(RuleContext context) {
        this.context = context;
        this.code = context.code();
    }

    /** Whether no difference of two numbers is too large for an int. */
    boolean fitInDifference(TreePath left, TreePath right) {
        return range(left, 0).flatMap(one -> range(right, 0).flatMap(one::minus))
                .filter(difference -> difference.isWithin(ValueRange.INT))
                .isPresent();
    }

    private Optional<ValueRange> range(TreePath path, int depth) {
        return ValueRanges.of(code, path, name -> depth > DEEPEST ? Optional.empty() : known(name, depth + 1));
    }

    private Optional<ValueRange> known(TreePath name, int depth) {
        Optional<Element> element = code.element(name);
        if (name.getLeaf() instanceof MethodInvocationTree call && NATURAL.matcher(Calls.name(call)).find()) {
            return Optional.of(ValueRange.COUNT);
        }
        if (name.getLeaf() instanceof UnaryTree) {
            return known(new TreePath(name, ((UnaryTree) name.getLeaf()).getExpression()), depth);
        }
        if (name.getLeaf() instanceof MethodInvocationTree) {
            return element.filter(method -> method instanceof ExecutableElement)
                    .flatMap(method -> context.names().declaration(method).map(path -> results(path, depth))
                            .orElseGet(() -> accessed((ExecutableElement) method)
                                    .flatMap(field -> written(field, depth))));
        }
        return element.filter(variable -> variable instanceof VariableElement)
                .flatMap(variable -> written((VariableElement) variable, depth));
    }

    /** The component of a record that a method reads which nobody has written (JLS 8.10.3). */
    private static Optional<VariableElement> accessed(ExecutableElement method) {
        return ElementFilter.recordComponentsIn(method.getEnclosingElement().getEnclosedElements()).stream()
                .filter(component -> method.equals(component.getAccessor()))
                .flatMap(component -> ElementFilter.fieldsIn(method.getEnclosingElement().getEnclosedElements())
                        .stream()
                        .filter(field -> field.getSimpleName().equals(component.getSimpleName())))
                .findFirst();
    }

    private Optional<ValueRange> results(TreePath method, int depth) {
        List<Optional<ValueRange>> all = new ArrayList<>();
        if (((MethodTree) method.getLeaf()).getBody() == null) {
            return Optional.empty();
        }
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitReturn(ReturnTree tree, Void unused) {
                if (tree.getExpression() != null && TreePaths.function(getCurrentPath())
                        .filter(owner -> owner.getLeaf() == method.getLeaf()).isPresent()) {
                    all.add(range(new TreePath(getCurrentPath(), tree.getExpression()), depth));
                }
                return super.visitReturn(tree, null);
            }
        }.scan(method, null);
        return union(all);
    }

    private static Optional<ValueRange> union(List<Optional<ValueRange>> all) {
        return all.isEmpty() || all.stream().anyMatch(Optional::isEmpty) ? Optional.empty()
                : all.stream().map(Optional::orElseThrow).reduce(ValueRange::or);
    }

    /** What a variable is given, everywhere; empty where others may give it something. */
    private Optional<ValueRange> written(VariableElement variable, int depth) {
        Optional<TreePath> declaration = context.names().declaration(variable);
        boolean isField = variable.getKind() == ElementKind.FIELD;
        boolean isOpen = isField && !variable.getModifiers().contains(Modifier.PRIVATE) && !variable.getModifiers()
                .contains(Modifier.FINAL);
        if (declaration.isEmpty() || isOpen || !(declaration.get().getLeaf() instanceof VariableTree tree)) {
            return Optional.empty();
        }
        if (variable.getKind() == ElementKind.PARAMETER) {
            return taken(variable, declaration.get(), depth);
        }
        List<Optional<ValueRange>> all = new ArrayList<>();
        if (tree.getInitializer() != null) {
            all.add(range(new TreePath(declaration.get(), tree.getInitializer()), depth));
        } else if (isField && !variable.getModifiers().contains(Modifier.FINAL)) {
            all.add(Optional.of(ValueRange.of(0)));
        }
        if (context.names().uses(variable).stream().anyMatch(SmallNumbers::isCounted)) {
            all.add(Optional.of(ValueRange.COUNT));
        }
        context.names().uses(variable).forEach(use -> write(use)
                .ifPresent(value -> all.add(value.flatMap(path -> range(path, depth)))));
        if (all.isEmpty() && variable.getEnclosingElement().getKind() == ElementKind.RECORD) {
            return component(variable, declaration.get());
        }
        return union(all);
    }

    /** Whether a variable goes on to the next number: whoever counts does not come to the last one. */
    private static boolean isCounted(TreePath use) {
        Tree.Kind kind = TreePaths.outer(use).getLeaf().getKind();
        return kind == Tree.Kind.POSTFIX_INCREMENT || kind == Tree.Kind.PREFIX_INCREMENT;
    }

    /** What is written to a name, if anything: empty inside where it is computed of its old value. */
    private static Optional<Optional<TreePath>> write(TreePath use) {
        TreePath name = use.getParentPath().getLeaf() instanceof MemberSelectTree select
                && select.getExpression() != use.getLeaf()
                ? use.getParentPath() : use;
        TreePath parent = TreePaths.outer(name);
        if (parent.getLeaf() instanceof AssignmentTree assignment
                && TreePaths.inner(assignment.getVariable()) == name.getLeaf()) {
            return Optional.of(Optional.of(new TreePath(parent, assignment.getExpression())));
        }
        boolean isChanged = parent.getLeaf() instanceof CompoundAssignmentTree || !isCounted(use)
                && parent.getLeaf() instanceof UnaryTree unary && unary.getKind() != Tree.Kind.UNARY_MINUS
                && unary.getKind() != Tree.Kind.UNARY_PLUS;
        return isChanged ? Optional.of(Optional.empty()) : Optional.empty();
    }

    /**
     * What a constructor takes: what all who call it pass, where only this file can, and nothing at which it
     * throws.
     */
    private Optional<ValueRange> taken(VariableElement parameter, TreePath declaration, int depth) {
        ExecutableElement owner = (ExecutableElement) parameter.getEnclosingElement();
        Optional<ValueRange> checked = declaration.getParentPath().getLeaf() instanceof MethodTree method
                && method.getBody() != null
                ? checked(parameter, new TreePath(declaration.getParentPath(), method.getBody())) : Optional.empty();
        boolean isClosed = owner.getEnclosingElement().getKind() == ElementKind.ENUM
                && owner.getKind() == ElementKind.CONSTRUCTOR
                || owner.getModifiers().contains(Modifier.PRIVATE);
        if (checked.isPresent() || !isClosed) {
            return checked;
        }
        int index = owner.getParameters().indexOf(parameter);
        return union(context.names().uses(owner).stream()
                .filter(use -> use.getLeaf() instanceof NewClassTree || use.getParentPath()
                        .getLeaf() instanceof MethodInvocationTree)
                .map(use -> use.getLeaf() instanceof NewClassTree ? use : use.getParentPath())
                .map(call -> Calls.arguments(call.getLeaf()).size() > index
                        ? range(new TreePath(call, Calls.arguments(call.getLeaf()).get(index)), depth)
                        : Optional.<ValueRange>empty())
                .toList());
    }

    /** A component of a record is what its constructor lets through. */
    private Optional<ValueRange> component(VariableElement field, TreePath declaration) {
        TreePath owner = declaration.getParentPath();
        return owner.getLeaf() instanceof ClassTree type ? type.getMembers().stream()
                .filter(member -> member instanceof MethodTree method && method.getReturnType() == null
                        && method.getBody() != null)
                .flatMap(member -> checked(field, new TreePath(new TreePath(owner, member), ((MethodTree) member)
                        .getBody())).stream())
                .findFirst() : Optional.empty();
    }

    /** The interval outside of which a body begins by throwing: {@code if (number < 1 || number > 40) throw …}. */
    private Optional<ValueRange> checked(VariableElement variable, TreePath body) {
        long low = Long.MIN_VALUE;
        long high = Long.MAX_VALUE;
        for (Tree statement : ((BlockTree) body.getLeaf()).getStatements()) {
            if (statement instanceof IfTree test && !Jumps.canComplete(test.getThenStatement())) {
                for (TreePath part : alternatives(new TreePath(new TreePath(body, statement), test.getCondition()))) {
                    BinaryTree comparison = part.getLeaf() instanceof BinaryTree binary ? binary : null;
                    boolean isOf = comparison != null && TreePaths.inner(comparison.getLeftOperand())
                            instanceof IdentifierTree name
                            && name.getName().equals(variable.getSimpleName());
                    Optional<Long> limit = isOf ? Constants.value(code,
                            new TreePath(part, comparison.getRightOperand()))
                            .filter(value -> value instanceof Integer).map(value -> ((Integer) value).longValue())
                            : Optional.empty();
                    if (limit.isPresent()) {
                        if (comparison.getKind() == Tree.Kind.LESS_THAN) {
                            low = limit.get();
                        } else if (comparison.getKind() == Tree.Kind.LESS_THAN_EQUAL) {
                            low = limit.get() + 1;
                        }
                        if (comparison.getKind() == Tree.Kind.GREATER_THAN) {
                            high = limit.get();
                        } else if (comparison.getKind() == Tree.Kind.GREATER_THAN_EQUAL) {
                            high = limit.get() - 1;
                        }
                    }
                }
            }
        }
        return low == Long.MIN_VALUE && high == Long.MAX_VALUE || low > high ? Optional.empty()
                : Optional.of(new ValueRange(Math.max(low, Integer.MIN_VALUE), Math.min(high, Integer.MAX_VALUE)));
    }

    private static List<TreePath> alternatives(TreePath condition) {
        TreePath plain = TreePaths.inner(condition);
        if (!(plain.getLeaf() instanceof BinaryTree both) || both.getKind() != Tree.Kind.CONDITIONAL_OR) {
            return List.of(plain);
        }
        List<TreePath> all = new ArrayList<>(alternatives(new TreePath(plain, both.getLeftOperand())));
        all.addAll(alternatives(new TreePath(plain, both.getRightOperand())));
        return all;
    }
}
