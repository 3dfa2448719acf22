package dev.deftchisel.repair.declaration;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CompoundAssignmentTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * Operators, labels, loops and {@code var} in a form that Java does not have, where another language or another type
 * has it.
 */
public final class WrongForm implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("wrong.number.type.args", "operator.cant.be.applied", "operator.cant.be.applied.1",
                "array.req.but.found", "foreach.not.applicable.to.type",
                "const.expr.req", "string.const.req", "pattern.or.enum.req", "enum.label.must.be.unqualified.enum",
                "enum.label.must.be.enum.constant", "enum.label.must.be.known.enum.constant", "generic.array.creation",
                "cant.infer.local.var.type", "restricted.type.not.allowed.here", "restricted.type.not.allowed",
                "preview.feature.disabled.plural",
                "selector.expr.must.be.int", "feature.not.supported.in.source.plural", "constant.label.not.compatible",
                "incomparable.types", "illegal.ref.to.restricted.type",
                "return.outside.switch.expression", "break.outside.switch.loop", "cont.outside.loop",
                "ret.outside.meth", "duplicate.default.label",
                "switch.mixing.case.types");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        return switch (site.id()) {
            case "operator.cant.be.applied" -> site.nearest(UnaryTree.class).map(path -> unary(path, code))
                    .orElse(List.of());
            case "wrong.number.type.args" -> site.nearest(ParameterizedTypeTree.class)
                    .map(path -> typeArguments(path, code)).orElse(List.of());
            case "operator.cant.be.applied.1", "incomparable.types" -> site.around().stream()
                    .anyMatch(path -> path.getLeaf() instanceof CompoundAssignmentTree)
                    ? appended(site) : site.nearest(BinaryTree.class).map(path -> binary(path, code)).orElse(List.of());
            case "array.req.but.found" -> site.nearest(ArrayAccessTree.class).map(path -> element(path, code))
                    .orElse(List.of());
            case "foreach.not.applicable.to.type" -> site.nearest(EnhancedForLoopTree.class)
                    .map(path -> loop(path, code)).orElse(List.of());
            case "const.expr.req", "string.const.req" -> label(site);
            case "enum.label.must.be.unqualified.enum", "enum.label.must.be.enum.constant",
                    "enum.label.must.be.known.enum.constant" -> labels(site);
            case "generic.array.creation" -> site.nearest(NewArrayTree.class).map(path -> rawArray(path, code))
                    .orElse(List.of());
            case "cant.infer.local.var.type", "restricted.type.not.allowed.here", "restricted.type.not.allowed" ->
                    site.nearest(VariableTree.class).map(path -> variable(path, code)).orElse(List.of());
            case "preview.feature.disabled.plural", "selector.expr.must.be.int",
                    "feature.not.supported.in.source.plural", "constant.label.not.compatible" ->
                    selector(site);
            case "return.outside.switch.expression" -> site.nearest(ReturnTree.class)
                    .map(path -> List.of(Fix.of("write 'yield'",
                    edits -> edits.replace(new Range(code.range(path.getLeaf()).start(), code.range(path.getLeaf())
                            .start() + "return".length()),
                            "yield")))).orElse(List.of());
            case "switch.mixing.case.types" -> mixed(site);
            case "break.outside.switch.loop", "cont.outside.loop" -> jump(site);
            default -> List.of();
        };
    }

    /** Cases with arrows and with colons: the odd one is written as the first is. */
    private static List<Fix> mixed(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> odd = site.nearest(CaseTree.class);
        if (odd.isEmpty()) {
            return List.of();
        }
        CaseTree branch = (CaseTree) odd.get().getLeaf();
        boolean isArrow = branch.getCaseKind() == CaseTree.CaseKind.RULE;
        List<Range> others = TreePaths.cases(odd.get().getParentPath().getLeaf()).stream()
                .filter(other -> other != branch && other.getCaseKind() != branch.getCaseKind())
                .flatMap(other -> sign(other, !isArrow, code).stream()).toList();
        List<Fix> fixes = new ArrayList<>();
        sign(branch, isArrow, code).ifPresent(sign -> fixes.add(Fix.of("write '" + (isArrow ? ":" : "->") + "'",
                edits -> edits.replace(sign, isArrow ? ":" : " ->"))));
        fixes.add(Fix.of("write '" + (isArrow ? "->" : ":") + "' in the other cases",
                edits -> others.forEach(sign -> edits.replace(sign, isArrow ? " ->" : ":"))));
        return fixes;
    }

    /** What stands between the label of a case and its code. */
    private static Optional<Range> sign(CaseTree branch, boolean isArrow, AttributedFile code) {
        Range range = code.range(branch);
        for (int i = code.tokens().at(range.start()); i < code.tokens().count() && code.tokens()
                .start(i) < range.end(); i++) {
            if (code.tokens().text(i).equals(isArrow ? "->" : ":")) {
                return Optional.of(code.tokens().range(i));
            }
        }
        return Optional.empty();
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

    /** As many type arguments as the type has parameters. */
    private static List<Fix> typeArguments(TreePath path, AttributedFile code) {
        ParameterizedTypeTree tree = (ParameterizedTypeTree) path.getLeaf();
        int own = tree.getTypeArguments().size();
        int wanted = code.element(new TreePath(path, tree.getType())).filter(element -> element instanceof TypeElement)
                .map(element -> ((TypeElement) element).getTypeParameters().size()).orElse(own);
        if (own == 0 || wanted == own) {
            return List.of();
        } else if (wanted == 0) {
            return List.of(Fix.of("leave out the type arguments",
                    edits -> edits.cut(new Range(code.range(tree.getType()).end(), code.range(tree).end()))));
        } else if (wanted < own) {
            return List.of(Fix.of("leave out what is too much",
                    edits -> edits.cut(new Range(code.range(tree.getTypeArguments().get(wanted - 1)).end(),
                    code.range(tree.getTypeArguments().get(own - 1)).end()))));
        }
        int end = code.range(tree.getTypeArguments().get(own - 1)).end();
        return List.of(Fix.of("add 'Object'", edits -> edits.insert(end, ", Object".repeat(wanted - own))));
    }

    /** {@code break} where nothing can be left but the method. */
    private static List<Fix> jump(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> statement = site.around().stream().filter(path -> path.getLeaf().getKind() == Tree.Kind.BREAK
                || path.getLeaf().getKind() == Tree.Kind.CONTINUE).findFirst();
        boolean isVoid = site.nearest(MethodTree.class)
                .filter(path -> ((MethodTree) path.getLeaf()).getReturnType() == null
                || code.text(((MethodTree) path.getLeaf()).getReturnType()).equals("void")).isPresent();
        return statement.filter(path -> isVoid || TreePaths.leadsThrough(path, null,
                tree -> tree instanceof LambdaExpressionTree))
                .map(path -> List.of(Fix.of("write 'return'",
                        edits -> edits.replace(code.range(path.getLeaf()), "return;")))).orElse(List.of());
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

    /** A loop over a number, the characters of a text, or a stream. */
    private static List<Fix> loop(TreePath path, AttributedFile code) {
        EnhancedForLoopTree loop = (EnhancedForLoopTree) path.getLeaf();
        Optional<TypeMirror> type = code.type(new TreePath(path, loop.getExpression()));
        Range source = code.range(loop.getExpression());
        String name = loop.getVariable().getName().toString();
        List<Fix> fixes = new ArrayList<>();
        if (type.filter(known -> known.getKind().isPrimitive()).isPresent()) {
            Range header = new Range(code.range(loop.getVariable()).start(), source.end());
            fixes.add(Fix.of("count up to it", edits -> edits.replace(header, code.text(loop.getVariable().getType())
                    + " " + name + " = 0; " + name
                    + " < " + code.text(source) + "; " + name + "++")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.lang.String")).isPresent()) {
            boolean isWords = code.text(loop.getVariable().getType()).equals("String");
            fixes.add(Fix.of(isWords ? "go over its parts" : "go over its characters",
                    edits -> edits.insert(source.end(), isWords ? ".split(\"\")" : ".toCharArray()")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.stream.Stream")).isPresent()) {
            fixes.add(Fix.of("go over its elements",
                    edits -> edits.insert(source.end(), code.file().module().level() >= 16 ? ".toList()"
                    : ".collect(java.util.stream.Collectors.toList())")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.stream.IntStream")).isPresent()) {
            fixes.add(Fix.of("go over its elements", edits -> edits.insert(source.end(), ".toArray()")));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.Iterator")).isPresent()) {
            fixes.add(Fix.of("go on while it has another",
                    edits -> edits.replace(source, "() -> " + code.text(source))));
        } else if (type.filter(known -> NamedTypes.is(known, "java.util.Optional")).isPresent()) {
            fixes.add(Fix.of("go over what it holds", edits -> edits.insert(source.end(), ".stream().toList()")));
        }
        return fixes;
    }

    /** A label must be a constant: the variable becomes one. */
    private static List<Fix> label(ErrorSite site) {
        Optional<TreePath> declared = site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree)
                .findFirst()
                .flatMap(site::declaration).filter(path -> path.getLeaf() instanceof VariableTree);
        return declared.filter(path -> !((VariableTree) path.getLeaf()).getModifiers().getFlags()
                .contains(Modifier.FINAL))
                .map(path -> List.of(Fix.of("make '" + ((VariableTree) path.getLeaf()).getName() + "' final",
                        edits -> ModifierWords.add(edits, path.getLeaf(), "final")))).orElse(List.of());
    }

    /** The constants of an enum stand without its name in labels before Java 21 (JLS 14.11.1). */
    private static List<Fix> labels(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> choice = site.around().stream().filter(path -> path.getLeaf() instanceof SwitchTree
                || path.getLeaf() instanceof SwitchExpressionTree).findFirst();
        Optional<TreePath> named = site.nearest(CaseTree.class);
        Optional<String> unknown = named.flatMap(path -> ((CaseTree) path.getLeaf()).getExpressions().stream()
                .filter(label -> label instanceof IdentifierTree && code.range(label).encloses(site.error().range()))
                .map(label -> ((IdentifierTree) label).getName().toString()).findFirst());
        if (unknown.isPresent() && choice.isPresent()) {
            return unknownConstant(unknown.get(), named.get(), choice.get(), site);
        }
        return choice.map(path -> List.of(Fix.of("write the constants alone",
                edits -> TreePaths.cases(path.getLeaf()).stream()
                .flatMap(branch -> branch.getExpressions().stream())
                .filter(label -> label instanceof MemberSelectTree)
                .forEach(label -> edits.cut(new Range(code.range(label).start(),
                        code.range(label).end() - ((MemberSelectTree) label).getIdentifier().length()))))))
                        .orElse(List.of());
    }

    /** A label that names no constant of the enum: it is one of another name, goes, or is declared. */
    private static List<Fix> unknownConstant(String name, TreePath branch, TreePath choice, ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TypeElement> type = code.type(new TreePath(choice, TreePaths.chosenFrom(choice.getLeaf())))
                .filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement());
        List<VariableElement> constants = type.map(known -> ElementFilter.fieldsIn(known.getEnclosedElements()).stream()
                .filter(field -> field.getKind() == ElementKind.ENUM_CONSTANT).toList()).orElse(List.of());
        Set<String> used = TreePaths.cases(choice.getLeaf()).stream().flatMap(one -> one.getExpressions().stream())
                .map(code::text).collect(Collectors.toSet());
        List<Fix> fixes = new ArrayList<>();
        Spelling.near(name, constants.stream().map(constant -> constant.getSimpleName().toString())
                .filter(one -> !used.contains(one)).collect(Collectors.toSet()))
                .forEach(near -> fixes.add(Fix.of("write '" + near + "'",
                        edits -> edits.replace(site.error().range(), near))));
        if (!constants.isEmpty()) {
            site.context().names().declaration(constants.get(constants.size() - 1))
                    .ifPresent(last -> fixes.add(Fix.of("declare the constant '" + name + "'",
                    edits -> edits.insert(code.range(last.getLeaf()).end(), ", " + name))));
        }
        fixes.add(Fix.of("remove the case", edits -> edits.remove(code.range(branch.getLeaf()))));
        return fixes;
    }

    private static List<Fix> rawArray(TreePath path, AttributedFile code) {
        NewArrayTree tree = (NewArrayTree) path.getLeaf();
        Optional<TypeMirror> element = code.type(new TreePath(path, tree.getType()));
        if (element.filter(type -> type.getKind() == TypeKind.TYPEVAR).isPresent()) {
            // a field of such an array can only be filled by a cast, which is unchecked (JLS 15.10.1)
            String bound = Conversion.shown(code.types().erasure(element.get()));
            String name = code.text(tree.getType());
            String dimensions = "[]".repeat(Math.max(1, tree.getDimensions().size()));
            return List.of(Fix.of("make an array of '" + bound + "' and cast it", edits -> {
                edits.insert(code.range(tree).start(), "(" + name + dimensions + ") ");
                edits.replace(code.range(tree.getType()), edits.types().write(code.types().erasure(element.get()))
                        .orElse("Object"));
            }));
        }
        return tree.getType() instanceof ParameterizedTypeTree type
                ? List.of(Fix.of("make an array of '" + code.text(type.getType()) + "'",
                edits -> edits.cut(new Range(code.range(type.getType()).end(), code.range(type).end())))) : List.of();
    }

    /** {@code var} where the type cannot be told: it is written. */
    private static List<Fix> variable(TreePath path, AttributedFile code) {
        VariableTree tree = (VariableTree) path.getLeaf();
        int start = code.range(tree).start();
        int end = code.name(tree).start();
        String head = code.text(new Range(start, end));
        int word = head.lastIndexOf("var");
        if (word < 0) {
            return List.of();
        }
        Range range = new Range(start + word, start + word + "var".length());
        List<Fix> fixes = new ArrayList<>();
        Optional<TypeMirror> assigned = tree.getInitializer() != null && tree.getInitializer()
                .getKind() != Tree.Kind.NULL_LITERAL
                && !(tree.getInitializer() instanceof LambdaExpressionTree)
                ? code.type(new TreePath(path, tree.getInitializer()))
                : firstAssigned(path, tree, code);
        assigned.filter(type -> type.getKind() != TypeKind.ERROR && type.getKind() != TypeKind.NULL
                && !(type instanceof ArrayType array
                && array.getComponentType().getKind() == TypeKind.ERROR))
                .ifPresent(type -> fixes.add(Fix.of("write its type",
                edits -> edits.replace(range, edits.types().write(type).orElse(NamedTypes.shown(type))))));
        if (tree.getInitializer() instanceof NewArrayTree array && array.getInitializers() != null
                && !array.getInitializers().isEmpty()) {
            code.type(new TreePath(new TreePath(path, array), array.getInitializers().get(0)))
                    .ifPresent(type -> fixes.add(Fix.of("write its type",
                    edits -> edits.replace(range, edits.types().write(type).orElse("Object") + "[]"))));
        }
        if (tree.getInitializer() instanceof LambdaExpressionTree function) {
            for (String type : functions(function)) {
                fixes.add(Fix.of("make it a '" + type + "'", edits -> {
                    var known = code.elements().getTypeElement(type.equals("Runnable") ? "java.lang.Runnable"
                            : "java.util.function." + type.replaceFirst("<.*", ""));
                    edits.replace(range, edits.types().name(known) + type.replaceFirst("^[^<]*", ""));
                }));
            }
        }
        if (fixes.isEmpty() && tree.getInitializer() != null && tree.getInitializer()
                .getKind() == Tree.Kind.NULL_LITERAL) {
            fixes.add(Fix.of("let it be an Object", edits -> edits.replace(range, "Object")));
        }
        return fixes;
    }

    /** What a function may be by the number of its parameters; the compiler tells which. */
    private static List<String> functions(LambdaExpressionTree function) {
        return switch (function.getParameters().size()) {
            case 0 -> List.of("Runnable", "Supplier<Integer>", "Supplier<String>", "Supplier<Object>");
            case 1 -> List.of("Function<Integer, Integer>", "Predicate<String>", "Function<String, String>",
                    "Function<String, Integer>", "Consumer<String>", "Consumer<Object>");
            default -> List.of("BinaryOperator<Integer>", "BiFunction<Integer, Integer, Integer>",
                    "BinaryOperator<String>");
        };
    }

    private static Optional<TypeMirror> firstAssigned(TreePath path, VariableTree tree, AttributedFile code) {
        return TreePaths.statements(path.getParentPath().getLeaf()).stream()
                .filter(statement -> statement instanceof ExpressionStatementTree alone
                        && alone.getExpression() instanceof AssignmentTree set && code.text(set.getVariable())
                        .equals(tree.getName().toString()))
                .map(statement -> (AssignmentTree) ((ExpressionStatementTree) statement).getExpression())
                .flatMap(set -> code.around(code.range(set.getExpression())).stream()
                        .filter(found -> found.getLeaf() == set.getExpression())
                        .flatMap(found -> code.type(found).stream()))
                .findFirst();
    }

    /** A switch over a long, a double or a boolean. */
    private static List<Fix> selector(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> choice = site.around().stream().filter(path -> path.getLeaf() instanceof SwitchTree
                || path.getLeaf() instanceof SwitchExpressionTree).findFirst();
        return choice.map(path -> TreePaths.inner(new TreePath(path, TreePaths.chosenFrom(path.getLeaf()))))
                .filter(path -> code.type(path).filter(type -> type.getKind() == TypeKind.LONG
                        || type.getKind() == TypeKind.DOUBLE
                        || type.getKind() == TypeKind.FLOAT || type instanceof DeclaredType
                        && NamedTypes.is(type, "java.lang.Long")).isPresent())
                .map(path -> List.of(Fix.of("cast it to int", edits -> Conversion.cast(edits, path, "int"))))
                .orElse(List.of());
    }
}
