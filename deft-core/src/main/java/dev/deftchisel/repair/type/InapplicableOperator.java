package dev.deftchisel.repair.type;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Operators on operands that they are not for, where another language or another type has them (JLS 15.15 to 15.26).
 */
public final class InapplicableOperator implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("operator.cant.be.applied", "operator.cant.be.applied.1", "incomparable.types",
                "array.req.but.found");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        return switch (site.id()) {
            case "operator.cant.be.applied" -> site.nearest(UnaryTree.class).map(path -> unary(path, code))
                    .orElse(List.of());
            case "array.req.but.found" -> site.nearest(ArrayAccessTree.class).map(path -> element(path, code))
                    .orElse(List.of());
            default -> site.around().stream().anyMatch(path -> path.getLeaf() instanceof CompoundAssignmentTree)
                    ? appended(site) : site.nearest(BinaryTree.class).map(path -> binary(path, code)).orElse(List.of());
        };
    }

    /** {@code !count}, {@code text++}. */
    private static List<Fix> unary(TreePath path, AttributedFile code) {
        UnaryTree tree = (UnaryTree) path.getLeaf();
        TreePath operand = new TreePath(path, tree.getExpression());
        Optional<TypeMirror> type = code.type(operand);
        boolean isNumber = type.filter(known -> known.getKind().isPrimitive() && known.getKind() != TypeKind.BOOLEAN)
                .isPresent();
        if (tree.getKind() == Tree.Kind.LOGICAL_COMPLEMENT) {
            boolean isCollection = type.filter(known -> known instanceof DeclaredType
                    && (code.isKind(known, code.elements().getTypeElement("java.util.Collection").asType())
                    || code.isKind(known, code.elements().getTypeElement("java.util.Map").asType()))).isPresent();
            if (isCollection) {
                return List.of(Fix.of("ask whether it is empty",
                        edits -> edits.replace(tree, to -> to.carry(code.range(tree.getExpression()))
                                .write(".isEmpty()"))),
                        Fix.of("compare it with null", edits -> edits.replace(tree,
                                to -> to.carry(code.range(tree.getExpression())).write(" == null"))));
            }
            String other = isNumber ? " == 0" : " == null";
            return List.of(Fix.of("compare it with" + other.substring(3), edits -> edits.replace(tree,
                    to -> to.carry(code.range(tree.getExpression())).write(other))));
        }
        boolean isText = type.filter(known -> NamedTypes.is(known, "java.lang.String")).isPresent();
        if (isText && Set.of(Tree.Kind.POSTFIX_INCREMENT, Tree.Kind.PREFIX_INCREMENT, Tree.Kind.POSTFIX_DECREMENT,
                Tree.Kind.PREFIX_DECREMENT)
                .contains(tree.getKind())) {
            String sign = tree.getKind() == Tree.Kind.POSTFIX_INCREMENT || tree.getKind() == Tree.Kind.PREFIX_INCREMENT
                    ? "+" : "-";
            String name = code.text(tree.getExpression());
            return List.of(Fix.of("count up the number in it", edits -> edits.replace(code.range(tree),
                    name + " = String.valueOf(Integer.parseInt(" + name + ") " + sign + " 1)")));
        }
        return List.of();
    }

    private static List<Fix> binary(TreePath path, AttributedFile code) {
        BinaryTree tree = (BinaryTree) path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        boolean isOrder = Set.of(Tree.Kind.LESS_THAN, Tree.Kind.LESS_THAN_EQUAL, Tree.Kind.GREATER_THAN,
                Tree.Kind.GREATER_THAN_EQUAL).contains(tree.getKind());
        if (isOrder && tree.getLeftOperand() instanceof BinaryTree left && left.getKind() != Tree.Kind.PLUS
                && code.type(new TreePath(path, left)).filter(type -> type.getKind() == TypeKind.BOOLEAN).isPresent()) {
            // 1 < n < 10
            String middle = code.text(left.getRightOperand());
            fixes.add(Fix.of("compare twice", edits -> edits.insert(code.range(left).end(), " && " + middle)));
        }
        if (path.getParentPath().getLeaf() instanceof CaseTree
                && (tree.getKind() == Tree.Kind.CONDITIONAL_OR || tree.getKind() == Tree.Kind.OR)) {
            fixes.add(Fix.of("write ','", edits -> {
                Range operator = new Range(code.range(tree.getLeftOperand()).end(), code.range(tree.getRightOperand())
                        .start());
                edits.replace(operator, ", ");
            }));
        }
        boolean isLogical = tree.getKind() == Tree.Kind.CONDITIONAL_AND || tree.getKind() == Tree.Kind.CONDITIONAL_OR;
        for (ExpressionTree operand : isLogical ? List.of(tree.getLeftOperand(),
                tree.getRightOperand()) : List.<ExpressionTree>of()) {
            Optional<TypeMirror> type = code.type(new TreePath(path, operand))
                    .filter(known -> known.getKind() != TypeKind.BOOLEAN);
            type.ifPresent(known -> fixes.add(Fix.of("compare it with "
                    + (known.getKind().isPrimitive() ? "0" : "null"),
                    edits -> edits.insert(code.range(operand).end(), known.getKind().isPrimitive() ? " != 0"
                            : " != null"))));
        }
        boolean isSame = tree.getKind() == Tree.Kind.EQUAL_TO || tree.getKind() == Tree.Kind.NOT_EQUAL_TO;
        if (isSame && tree.getRightOperand() instanceof LiteralTree literal && literal.getValue() instanceof String text
                && text.matches("-?\\d{1,9}")
                && code.type(new TreePath(path, tree.getLeftOperand())).filter(type -> type.getKind().isPrimitive())
                .isPresent()) {
            fixes.add(Fix.of("write " + text, edits -> edits.replace(code.range(literal), text)));
        }
        if (isSame && tree.getRightOperand() instanceof LiteralTree literal && literal.getValue() instanceof String text
                && text.length() == 1
                && code.type(new TreePath(path, tree.getLeftOperand())).filter(type -> type.getKind() == TypeKind.CHAR)
                .isPresent()) {
            fixes.add(Fix.of("write '" + text + "'", edits -> edits.replace(code.range(literal), "'" + text + "'")));
        }
        if (path.getParentPath().getLeaf() instanceof CompoundAssignmentTree) {
            return fixes;
        }
        boolean isObject = code.type(new TreePath(path, tree.getLeftOperand()))
                .filter(type -> NamedTypes.is(type, "java.lang.Object")).isPresent();
        if (!isSame && isObject) {
            code.type(new TreePath(path, tree.getRightOperand())).filter(type -> type.getKind().isPrimitive())
                    .ifPresent(type -> fixes.add(Fix.of("cast it to " + type,
                            edits -> Conversion.cast(edits, new TreePath(path, tree.getLeftOperand()),
                            NamedTypes.shown(type)))));
        }
        return fixes;
    }

    /** {@code builder += text}, {@code sum += object}. */
    private static List<Fix> appended(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> added = site.nearest(CompoundAssignmentTree.class);
        Optional<TypeMirror> number = added.flatMap(
                path -> code.type(new TreePath(path, ((CompoundAssignmentTree) path.getLeaf()).getVariable())))
                .filter(type -> type.getKind().isPrimitive());
        Optional<TreePath> object = added.map(path -> new TreePath(path, ((CompoundAssignmentTree) path.getLeaf())
                .getExpression()))
                .filter(path -> code.type(path).filter(type -> NamedTypes.is(type, "java.lang.Object")).isPresent());
        Optional<TreePath> said = added.map(path -> new TreePath(path, ((CompoundAssignmentTree) path.getLeaf())
                .getExpression()))
                .filter(path -> number.isPresent() && code.type(path).filter(type -> type.getKind() == TypeKind.BOOLEAN)
                        .isPresent());
        if (said.isPresent()) {
            return List.of(Fix.of("count it as 1 or 0",
                    edits -> edits.insert(code.range(said.get().getLeaf()).end(), " ? 1 : 0")));
        }
        if (number.isPresent() && object.isPresent()) {
            return List.of(Fix.of("cast it to " + number.get(),
                    edits -> Conversion.cast(edits, object.get(), NamedTypes.shown(number.get()))));
        }
        return site.nearest(CompoundAssignmentTree.class)
                .filter(path -> code.type(new TreePath(path, ((CompoundAssignmentTree) path.getLeaf()).getVariable()))
                .filter(type -> NamedTypes.isOneOf(type, Set.of("java.lang.StringBuilder", "java.lang.StringBuffer")))
                .isPresent())
                .map(path -> (CompoundAssignmentTree) path.getLeaf())
                .map(tree -> List.of(Fix.of("use 'append'",
                        edits -> edits.replace(tree, to -> to.carry(code.range(tree.getVariable())).write(".append(")
                        .carry(code.range(tree.getExpression())).write(")"))))).orElse(List.of());
    }

    /** {@code text[1]}, {@code list[1] = x}. */
    private static List<Fix> element(TreePath path, AttributedFile code) {
        ArrayAccessTree access = (ArrayAccessTree) path.getLeaf();
        Optional<TypeMirror> type = code.type(new TreePath(path, access.getExpression()));
        boolean isText = type.filter(known -> NamedTypes.is(known, "java.lang.String")).isPresent();
        if (isText) {
            return List.of(Fix.of("use 'charAt'", edits -> edits.replace(access,
                    to -> to.carry(code.range(access.getExpression()))
                    .write(".charAt(").carry(code.range(access.getIndex())).write(")"))));
        }
        boolean isMap = type.filter(known -> code.isKind(known, code.elements().getTypeElement("java.util.Map")
                .asType())).isPresent();
        if (path.getParentPath().getLeaf() instanceof AssignmentTree set && set.getVariable() == access) {
            return List.of(Fix.of(isMap ? "use 'put'"
                    : "use 'set'", edits -> edits.replace(set, to -> to.carry(code.range(access.getExpression()))
                            .write(isMap ? ".put(" : ".set(").carry(code.range(access.getIndex())).write(", ")
                            .carry(code.range(set.getExpression())).write(")"))));
        }
        return List.of();
    }
}
