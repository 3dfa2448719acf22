package dev.deftchisel.repair;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * A value of another type than its place asks for, where what was meant is plain: the elements of a stream, the content of a
 * container, a literal of the other sort, the result of a function (JLS 5.2, 5.3).
 */
public final class MeantValue implements Repair {

    /** What makes a collection of another one. */
    private static final Map<String, String> COPIES = Map.of("java.util.Set", "java.util.HashSet", "java.util.List", "java.util.ArrayList",
            "java.util.HashSet", "java.util.HashSet", "java.util.ArrayList", "java.util.ArrayList", "java.util.Queue", "java.util.ArrayDeque",
            "java.util.Deque", "java.util.ArrayDeque", "java.util.TreeSet", "java.util.TreeSet", "java.util.LinkedList", "java.util.LinkedList",
            "java.util.SortedSet", "java.util.TreeSet", "java.util.Collection", "java.util.ArrayList");
    private static final int LEVEL_OF_TO_LIST = 16;

    @Override
    public Set<String> codes() {
        return Set.of("prob.found.req", "incompatible.types", "void.not.allowed.here", "illegal.initializer.for.type", "cant.apply.symbol",
                "cant.apply.symbols", "illegal.parenthesized.expression");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Code code = site.code();
        Optional<TreePath> value = site.exact().filter(path -> path.getLeaf() instanceof ExpressionTree)
                .or(() -> site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree
                        && WantedType.at(path, site).isPresent()).findFirst())
                .or(() -> site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree).findFirst());
        List<Fix> fixes = new ArrayList<>(site.nearest(ReturnTree.class).map(path -> returned(path, site)).orElse(List.of()));
        if (value.isEmpty()) {
            site.nearest(ThrowTree.class).map(thrown -> new TreePath(thrown, ((ThrowTree) thrown.getLeaf()).getExpression()))
                    .ifPresent(thrown -> fixes.addAll(around(thrown, code.type(thrown), site)));
            return fixes;
        }
        TreePath path = value.get();
        Optional<TypeMirror> own = code.ownType(path).or(() -> code.type(path));
        Optional<TypeMirror> wanted = WantedType.at(path, site).map(WantedType::type).or(() -> wanted(path, code));
        fixes.addAll(around(path, own, site));
        fixes.addAll(assigned(path, code));
        if (own.isPresent() && wanted.isPresent()) {
            fixes.addAll(literal(path, wanted.get(), code));
            fixes.addAll(content(path, own.get(), wanted.get(), code));
            result(path, own.get(), wanted.get(), code).ifPresent(fixes::add);
        } else if (wanted.isPresent()) {
            fixes.addAll(ofStream(path, wanted.get(), code));
        }
        if (site.id().equals("illegal.initializer.for.type")) {
            fixes.addAll(collection(path, wanted, code));
        }
        if (site.error().message().contains("bad return type in lambda")) {
            fixes.addAll(lambdaResult(path, own, code, site));
        }
        if (site.error().message().contains("? extends")) {
            lowered(path, site).ifPresent(fixes::add);
        }
        wanted.ifPresent(type -> fixes.addAll(wildcard(path, own, type, site)));
        return fixes;
    }

    /** {@code if (level = 3 && isOpen)}: an assignment in a condition binds less tightly than its operators (JLS 15.26). */
    private static List<Fix> assigned(TreePath path, Code code) {
        TreePath at = path;
        if (path.getLeaf() instanceof AssignmentTree whole && whole.getExpression() instanceof BinaryTree) {
            at = new TreePath(path, whole.getExpression());
        }
        while (at.getParentPath().getLeaf() instanceof BinaryTree) {
            at = at.getParentPath();
        }
        boolean isInCondition = at != path && at.getParentPath().getLeaf() instanceof AssignmentTree set && set.getExpression() == at.getLeaf()
                && (Code.outer(at.getParentPath()).getLeaf() instanceof IfTree || Code.outer(at.getParentPath()).getLeaf() instanceof WhileLoopTree);
        if (!isInCondition) {
            return List.of();
        }
        AssignmentTree set = (AssignmentTree) at.getParentPath().getLeaf();
        Range sign = new Range(code.range(set.getVariable()).end(), code.range(set.getExpression()).start());
        return List.of(Fix.of("write '=='", edits -> edits.replace(sign, " == ")));
    }

    /** What other places ask for: an index, a label, what is thrown, the condition of a switch. */
    private static Optional<TypeMirror> wanted(TreePath path, Code code) {
        TreePath parent = Code.outer(path);
        if (parent.getLeaf() instanceof ArrayAccessTree access && access.getIndex() == path.getLeaf()) {
            return Optional.of(code.types().getPrimitiveType(TypeKind.INT));
        } else if (parent.getLeaf() instanceof CaseTree && parent.getParentPath().getLeaf() instanceof SwitchTree choice) {
            return code.type(new TreePath(parent.getParentPath(), choice.getExpression()));
        } else if (parent.getLeaf() instanceof CaseTree && parent.getParentPath().getLeaf() instanceof SwitchExpressionTree choice) {
            return code.type(new TreePath(parent.getParentPath(), choice.getExpression()));
        } else if (parent.getLeaf() instanceof NewArrayTree) {
            return code.type(parent).filter(type -> type instanceof ArrayType).map(type -> ((ArrayType) type).getComponentType());
        } else if (parent.getLeaf() instanceof TypeCastTree cast) {
            return code.type(new TreePath(parent, cast.getType()));
        } else if (parent.getLeaf() instanceof ParameterizedTypeTree) {
            return Optional.empty();
        } else if (parent.getLeaf() instanceof LambdaExpressionTree) {
            return Optional.empty();
        }
        return code.target(path);
    }

    /** Where the statement or expression around shows what was meant. */
    private static List<Fix> around(TreePath path, Optional<TypeMirror> own, ErrorSite site) {
        Code code = site.code();
        TreePath parent = Code.outer(path);
        List<Fix> fixes = new ArrayList<>();
        if (parent.getLeaf() instanceof EnhancedForLoopTree loop && loop.getExpression() == Code.outer(path).getLeaf()
                || parent.getLeaf() instanceof EnhancedForLoopTree) {
            EnhancedForLoopTree loop = (EnhancedForLoopTree) parent.getLeaf();
            element(own).ifPresent(type -> fixes.add(Fix.of("let '" + loop.getVariable().getName() + "' be of the type "
                    + Conversion.shown(type), edits -> edits.replace(code.range(loop.getVariable().getType()),
                    edits.types().write(type).orElse("var")))));
        }
        if (parent.getLeaf() instanceof ThrowTree && own.filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent()) {
            fixes.add(Fix.of("throw a RuntimeException with this message", edits -> edits.replace(path.getLeaf(),
                    to -> to.write("new RuntimeException(").carry(code.range(path.getLeaf())).write(")"))));
        }
        if (parent.getLeaf() instanceof InstanceOfTree) {
            fixes.add(Fix.of("look at it as an Object", edits -> Conversion.cast(edits, path, "Object")));
        }
        site.nearest(ThrowTree.class).map(thrown -> new TreePath(thrown, ((ThrowTree) thrown.getLeaf()).getExpression()))
                .filter(thrown -> parent.getLeaf() != thrown.getParentPath().getLeaf() && code.type(thrown)
                        .filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent())
                .ifPresent(thrown -> fixes.add(Fix.of("throw a RuntimeException with this message", edits -> edits.replace(thrown.getLeaf(),
                        to -> to.write("new RuntimeException(").carry(code.range(thrown.getLeaf())).write(")")))));
        boolean isVoid = own.filter(type -> type.getKind() == TypeKind.VOID).isPresent();
        if (isVoid) {
            fixes.addAll(ofVoid(path, parent, code));
        }
        if (path.getLeaf() instanceof TypeCastTree cast) {
            TreePath inner = Code.inner(new TreePath(path, cast.getExpression()));
            code.type(inner).ifPresent(from -> code.type(new TreePath(path, cast.getType())).ifPresent(to ->
                    fixes.addAll(instead(path, inner, from, to, code))));
        } else if (parent.getLeaf() instanceof TypeCastTree cast) {
            own.ifPresent(from -> code.type(new TreePath(parent, cast.getType())).ifPresent(to ->
                    fixes.addAll(instead(parent, path, from, to, code))));
        }
        return fixes;
    }

    /** {@code (int) "12"} is {@code Integer.parseInt("12")}. */
    private static List<Fix> instead(TreePath cast, TreePath inner, TypeMirror from, TypeMirror to, Code code) {
        if (NamedTypes.is(from, "java.lang.String") && (to.getKind().isPrimitive() || NamedTypes.is(to, "java.lang.Integer"))) {
            String parser = switch (to.getKind()) {
                case LONG -> "Long.parseLong(";
                case DOUBLE -> "Double.parseDouble(";
                case FLOAT -> "Float.parseFloat(";
                case BOOLEAN -> "Boolean.parseBoolean(";
                case CHAR -> "";
                default -> "Integer.parseInt(";
            };
            return List.of(Fix.of("read it as " + to, edits -> edits.replace(cast.getLeaf(), text -> text.write(parser)
                    .carry(code.range(inner.getLeaf())).write(parser.isEmpty() ? ".charAt(0)" : ")"))));
        } else if (NamedTypes.is(to, "java.lang.String")) {
            return List.of(Fix.of("make text of it", edits -> edits.replace(cast.getLeaf(), text -> text.write("String.valueOf(")
                    .carry(code.range(inner.getLeaf())).write(")"))));
        }
        return List.of();
    }

    /** A call without a result where one is wanted. */
    private static List<Fix> ofVoid(TreePath path, TreePath parent, Code code) {
        List<Fix> fixes = new ArrayList<>();
        boolean isPrinted = parent.getLeaf() instanceof MethodInvocationTree && parent.getParentPath().getLeaf() instanceof ExpressionStatementTree;
        if (isPrinted) {
            fixes.add(Fix.of("only call it", edits -> edits.replace(parent.getLeaf(), to -> to.carry(code.range(path.getLeaf())))));
        }
        if (path.getLeaf() instanceof MethodInvocationTree call && call.getMethodSelect() instanceof MemberSelectTree select
                && select.getIdentifier().contentEquals("forEach")) {
            int end = code.range(select).end();
            boolean isStream = code.type(new TreePath(new TreePath(path, select), select.getExpression())).filter(type -> NamedTypes.is(type, "java.util.stream.Stream")).isPresent();
            fixes.add(Fix.of("collect what it gives for each", edits -> {
                edits.replace(new Range(end - "forEach".length(), end), isStream ? "map" : "stream().map");
                edits.insert(code.range(call).end(), code.file().module().level() >= LEVEL_OF_TO_LIST ? ".toList()"
                        : ".collect(" + edits.types().name(code.elements().getTypeElement("java.util.stream.Collectors")) + ".toList())");
            }));
        }
        if (parent.getLeaf() instanceof VariableTree variable && path.getLeaf() instanceof MethodInvocationTree call
                && !call.getArguments().isEmpty() && parent.getParentPath().getLeaf() instanceof BlockTree) {
            Range argument = code.range(call.getArguments().get(0));
            fixes.add(Fix.of("call it first, and use '" + code.shown(argument, 30) + "'", edits -> {
                int start = code.range(variable).start();
                String line = code.text(call) + ";" + Layout.of(code.file()).lineEnd() + Layout.indentOf(code.file(), start);
                edits.insert(start, line);
                edits.replace(code.range(call), code.text(argument));
            }));
        }
        return fixes;
    }

    /** A literal of another sort. */
    private static List<Fix> literal(TreePath path, TypeMirror wanted, Code code) {
        if (!(path.getLeaf() instanceof LiteralTree literal)) {
            return List.of();
        }
        Range range = code.range(literal);
        String text = code.text(range);
        boolean isLong = wanted.getKind() == TypeKind.LONG || NamedTypes.is(wanted, "java.lang.Long");
        boolean isFloat = wanted.getKind() == TypeKind.FLOAT || NamedTypes.is(wanted, "java.lang.Float");
        boolean isDouble = wanted.getKind() == TypeKind.DOUBLE || NamedTypes.is(wanted, "java.lang.Double");
        boolean isChar = wanted.getKind() == TypeKind.CHAR || NamedTypes.is(wanted, "java.lang.Character");
        boolean isText = NamedTypes.is(wanted, "java.lang.String");
        return switch (literal.getKind()) {
            case STRING_LITERAL -> isChar && String.valueOf(literal.getValue()).length() == 1
                    ? List.of(letters(path, code))
                    : wanted.getKind() == TypeKind.INT && String.valueOf(literal.getValue()).matches("-?\\d{1,9}")
                            && Code.outer(path).getLeaf() instanceof CaseTree ? List.of(numberLabels(path, code)) : List.of();
            case CHAR_LITERAL -> isText ? List.of(write(range, "\"" + text.substring(1, text.length() - 1).replace("\"", "\\\"") + "\"")) : List.of();
            case INT_LITERAL -> isLong ? List.of(write(range, text + "L")) : isDouble ? List.of(write(range, text + ".0"))
                    : isFloat ? List.of(write(range, text + "f")) : isText ? List.of(write(range, "\"" + text + "\"")) : List.of();
            case DOUBLE_LITERAL -> isFloat ? List.of(write(range, text.replaceFirst("[dD]$", "") + "f")) : List.of();
            case NULL_LITERAL -> wanted.getKind().isPrimitive() ? List.of(write(range, Defaults.of(wanted))) : List.of();
            default -> List.of();
        };
    }

    /** A string of one letter as a character, with all others among the labels of the same switch. */
    private static Fix letters(TreePath path, Code code) {
        TreePath choice = Code.outer(path).getParentPath();
        List<Tree> all = choice.getLeaf() instanceof SwitchTree || choice.getLeaf() instanceof SwitchExpressionTree ? Code.cases(choice.getLeaf()).stream()
                .flatMap(one -> one.getExpressions().stream()).filter(label -> label instanceof LiteralTree literal && literal.getValue() instanceof String one
                        && one.length() == 1).map(label -> (Tree) label).toList() : List.of(path.getLeaf());
        return Fix.of(all.size() > 1 ? "write characters" : "write " + letter(path.getLeaf(), code),
                edits -> all.forEach(one -> edits.replace(code.range(one), letter(one, code))));
    }

    /** Labels that are numbers in quotation marks, all of the switch. */
    private static Fix numberLabels(TreePath path, Code code) {
        List<Tree> all = Code.cases(Code.outer(path).getParentPath().getLeaf()).stream().flatMap(one -> one.getExpressions().stream())
                .filter(label -> label instanceof LiteralTree literal && literal.getValue() instanceof String text && text.matches("-?\\d{1,9}"))
                .map(label -> (Tree) label).toList();
        return Fix.of(all.size() > 1 ? "write numbers" : "write " + ((LiteralTree) path.getLeaf()).getValue(),
                edits -> all.forEach(one -> edits.replace(code.range(one), String.valueOf(((LiteralTree) one).getValue()))));
    }

    private static String letter(Tree string, Code code) {
        String text = code.text(string);
        return "'" + text.substring(1, text.length() - 1).replace("'", "\\'").replace("\\\"", "\"") + "'";
    }

    private static Fix write(Range range, String text) {
        return Fix.of("write " + text, edits -> edits.replace(range, text));
    }

    /** What is in a container, or all that is, in a container of the other sort. */
    private static List<Fix> content(TreePath path, TypeMirror own, TypeMirror wanted, Code code) {
        List<Fix> fixes = new ArrayList<>();
        boolean isBare = !NamedTypes.is(wanted, "java.util.Optional");
        if (NamedTypes.is(own, "java.util.Optional") && isBare) {
            fixes.add(suffixed(path, ".orElseThrow()", "take what the Optional holds"));
        } else if (NamedTypes.is(own, "java.util.OptionalInt") || NamedTypes.is(own, "java.util.OptionalDouble")
                || NamedTypes.is(own, "java.util.OptionalLong")) {
            String sort = NamedTypes.shown(own).replaceFirst(".*Optional", "");
            fixes.add(suffixed(path, ".getAs" + sort + "()", "take what it holds"));
        }
        fixes.addAll(ofStream(path, wanted, code));
        if (wanted instanceof ArrayType array && own instanceof ArrayType && path.getLeaf() instanceof MethodInvocationTree call
                && call.getArguments().isEmpty() && code.text(call.getMethodSelect()).endsWith(".toArray") && !array.getComponentType().getKind().isPrimitive()) {
            fixes.add(Fix.of("make an array of '" + Conversion.shown(array.getComponentType()) + "'", edits -> edits.insert(code.range(call).end() - 1,
                    "new " + edits.types().write(code.types().erasure(array.getComponentType())).orElse("Object") + "[0]")));
        }
        String target = wanted instanceof DeclaredType declared ? ((TypeElement) declared.asElement()).getQualifiedName().toString() : "";
        if (wanted instanceof DeclaredType map && NamedTypes.is(wanted, "java.util.Map") && path.getLeaf() instanceof MethodInvocationTree call
                && call.getArguments().size() == 1 && call.getArguments().get(0) instanceof MethodInvocationTree grouping
                && code.text(grouping.getMethodSelect()).endsWith("groupingBy") && grouping.getArguments().size() == 1
                && NamedTypes.is(map.getTypeArguments().get(1), "java.lang.Long")) {
            String prefix = code.text(grouping.getMethodSelect()).replaceFirst("groupingBy$", "");
            fixes.add(Fix.of("count them", edits -> edits.insert(code.range(grouping.getArguments().get(0)).end(), ", " + prefix + "counting()")));
        }
        if (path.getLeaf() instanceof MethodInvocationTree call && call.getArguments().size() == 1) {
            String collector = code.text(call.getArguments().get(0));
            Map.of("java.util.List", "toSet()", "java.util.Set", "toList()").forEach((type, other) -> {
                if (target.equals(type) && collector.endsWith(other)) {
                    int end = code.range(call.getArguments().get(0)).end();
                    String right = other.equals("toSet()") ? "toList" : "toSet";
                    fixes.add(Fix.of("collect by '" + right + "'", edits -> edits.replace(new Range(end - other.length(), end - 2), right)));
                }
            });
        }
        TypeMirror collection = code.elements().getTypeElement("java.util.Collection").asType();
        if (own instanceof DeclaredType && code.isKind(own, collection) && COPIES.containsKey(target) && !code.isKind(own, wanted)) {
            fixes.add(Fix.of("make a " + COPIES.get(target).replaceFirst(".*\\.", "") + " of it", edits -> edits.replace(path.getLeaf(), to -> to
                    .write("new " + edits.types().name(code.elements().getTypeElement(COPIES.get(target))) + "<>(")
                    .carry(code.range(path.getLeaf())).write(")"))));
        }
        if (own.getKind() == TypeKind.CHAR && NamedTypes.is(wanted, "java.lang.String")) {
            fixes.add(Fix.of("make text of it", edits -> edits.replace(path.getLeaf(),
                    to -> to.write("String.valueOf(").carry(code.range(path.getLeaf())).write(")"))));
        } else if (NamedTypes.is(own, "java.lang.String") && wanted.getKind() == TypeKind.CHAR) {
            fixes.add(suffixed(path, ".charAt(0)", "take its first character"));
        } else if (NamedTypes.is(own, "java.lang.String") && wanted instanceof ArrayType array && array.getComponentType().getKind() == TypeKind.CHAR) {
            fixes.add(suffixed(path, ".toCharArray()", "take its characters"));
        } else if (NamedTypes.is(own, "java.util.Optional") && wanted.getKind() == TypeKind.BOOLEAN) {
            fixes.add(0, suffixed(path, ".isPresent()", "ask whether it holds something"));
        } else if (NamedTypes.is(own, "java.lang.String") && wanted.getKind() == TypeKind.BOOLEAN) {
            fixes.add(suffixed(path, " != null", "compare it with null"));
        } else if (own.getKind().isPrimitive() && NamedTypes.is(wanted, "java.lang.Long")) {
            fixes.add(Fix.of("cast it to long", edits -> Conversion.cast(edits, path, "long")));
        } else if (own.getKind().isPrimitive() && NamedTypes.is(wanted, "java.lang.Double")) {
            fixes.add(Fix.of("cast it to double", edits -> Conversion.cast(edits, path, "double")));
        } else if (own.getKind().isPrimitive() && wanted.getKind().isPrimitive() && Code.outer(path).getLeaf() instanceof ArrayAccessTree) {
            fixes.add(Fix.of("cast it to int", edits -> Conversion.cast(edits, path, "int")));
        }
        return fixes;
    }

    /** <code>List&lt;String&gt; names = {"a", "b"}</code>: only an array is written like that (JLS 10.6). */
    private static List<Fix> collection(TreePath path, Optional<TypeMirror> wanted, Code code) {
        Optional<String> factory = wanted.filter(type -> type instanceof DeclaredType).map(type -> ((TypeElement) ((DeclaredType) type).asElement())
                .getQualifiedName().toString()).filter(COPIES::containsKey);
        Tree array = path.getLeaf();
        Range all = code.range(array);
        boolean isInitialiser = array instanceof NewArrayTree && code.text(all).startsWith("{");
        if (factory.isEmpty() || !isInitialiser) {
            return List.of();
        }
        String name = factory.get().equals("java.util.Set") ? "java.util.Set" : "java.util.List";
        boolean isInterface = factory.get().equals("java.util.List") || factory.get().equals("java.util.Set") || factory.get().equals("java.util.Collection");
        Range within = new Range(all.start() + 1, all.end() - 1);
        List<Fix> fixes = new ArrayList<>();
        if (isInterface) {
            fixes.add(Fix.of("write '" + name.replaceFirst(".*\\.", "") + ".of'", edits -> edits.replace(all, to -> to
                    .write(edits.types().name(code.elements().getTypeElement(name)) + ".of(").carry(within).write(")"))));
        }
        fixes.add(Fix.of("make a " + COPIES.get(factory.get()).replaceFirst(".*\\.", "") + " of it", edits -> edits.replace(all, to -> to
                .write("new " + edits.types().name(code.elements().getTypeElement(COPIES.get(factory.get()))) + "<>("
                        + edits.types().name(code.elements().getTypeElement(name)) + ".of(").carry(within).write("))"))));
        return fixes;
    }

    /** The elements of a stream as a list, set or array. */
    private static List<Fix> ofStream(TreePath path, TypeMirror wanted, Code code) {
        Optional<TypeMirror> own = code.ownType(path).or(() -> code.type(path));
        String from = own.filter(type -> type instanceof DeclaredType).map(type -> ((TypeElement) ((DeclaredType) type).asElement())
                .getQualifiedName().toString()).orElseGet(() -> calls(path, code));
        boolean isNumbers = Set.of("java.util.stream.IntStream", "java.util.stream.LongStream", "java.util.stream.DoubleStream").contains(from);
        if (!from.equals("java.util.stream.Stream") && !isNumbers) {
            return List.of();
        }
        String boxed = isNumbers ? ".boxed()" : "";
        List<Fix> fixes = new ArrayList<>();
        boolean isList = NamedTypes.is(wanted, "java.util.List") || NamedTypes.is(wanted, "java.util.Collection") || NamedTypes.is(wanted, "java.lang.Iterable");
        if (isList && code.file().module().level() >= LEVEL_OF_TO_LIST) {
            fixes.add(suffixed(path, boxed + ".toList()", "make a list of its elements"));
        }
        for (String sort : List.of("List", "Set")) {
            if (NamedTypes.is(wanted, "java.util." + sort) && !(isList && code.file().module().level() >= LEVEL_OF_TO_LIST)) {
                fixes.add(Fix.of("collect its elements", edits -> edits.insert(code.range(path.getLeaf()).end(), boxed + ".collect("
                        + edits.types().name(code.elements().getTypeElement("java.util.stream.Collectors")) + ".to" + sort + "())")));
            }
        }
        if (wanted instanceof ArrayType array) {
            boolean isPrimitive = array.getComponentType().getKind().isPrimitive();
            String element = Conversion.shown(code.types().erasure(array.getComponentType()));
            String sort = element.equals("int") ? "Int" : element.equals("long") ? "Long" : "Double";
            String box = element.equals("int") ? "Integer::intValue" : element.equals("long") ? "Long::longValue" : "Double::doubleValue";
            fixes.add(suffixed(path, isNumbers && isPrimitive ? ".toArray()" : isPrimitive ? ".mapTo" + sort + "(" + box + ").toArray()"
                    : boxed + ".toArray(" + element + "[]::new)", "make an array of its elements"));
        }
        return fixes;
    }

    /** The type that declares the method which is called, where the type of the call is in doubt. */
    private static String calls(TreePath path, Code code) {
        return path.getLeaf() instanceof MethodInvocationTree ? code.element(path).filter(element -> element instanceof ExecutableElement)
                .map(element -> ((ExecutableElement) element).getReturnType()).filter(type -> type instanceof DeclaredType)
                .map(type -> ((TypeElement) ((DeclaredType) type).asElement()).getQualifiedName().toString()).orElse("") : "";
    }

    /** A function where its result is wanted: it is called. */
    private static Optional<Fix> result(TreePath path, TypeMirror own, TypeMirror wanted, Code code) {
        return path.getLeaf() instanceof IdentifierTree ? MeantName.function(own, code).filter(method -> method.getParameters().isEmpty()
                && !NamedTypes.is(wanted, "java.lang.Object"))
                .map(method -> suffixed(path, "." + method.getSimpleName() + "()", "call its method '" + method.getSimpleName() + "'")) : Optional.empty();
    }

    /** A number where a function should say yes or no, or the other way round. */
    private static List<Fix> lambdaResult(TreePath path, Optional<TypeMirror> own, Code code, ErrorSite site) {
        Optional<TreePath> set = site.nearest(AssignmentTree.class).filter(assignment -> assignment.getParentPath().getLeaf() instanceof LambdaExpressionTree);
        if (set.isPresent()) {
            AssignmentTree tree = (AssignmentTree) set.get().getLeaf();
            Range sign = new Range(code.range(tree.getVariable()).end(), code.range(tree.getExpression()).start());
            return List.of(Fix.of("write '=='", edits -> edits.replace(sign, " == ")));
        }
        boolean isComparator = site.nearest(LambdaExpressionTree.class).filter(lambda -> ((LambdaExpressionTree) lambda.getLeaf()).getParameters().size() == 2).isPresent();
        if (isComparator && path.getLeaf() instanceof BinaryTree minus && minus.getKind() == Tree.Kind.MINUS) {
            return List.of(compared(minus, minus.getLeftOperand(), minus.getRightOperand(), numbers(new TreePath(path, minus.getLeftOperand()), code), code));
        }
        boolean isNumber = own.filter(type -> type.getKind().isPrimitive() && type.getKind() != TypeKind.BOOLEAN).isPresent();
        if (isNumber) {
            return List.of(suffixed(path, " != 0", "compare it with 0"));
        }
        if (path.getLeaf() instanceof BinaryTree compared && own.filter(type -> type.getKind() == TypeKind.BOOLEAN).isPresent()) {
            TreePath left = new TreePath(path, compared.getLeftOperand());
            String sort = numbers(left, code);
            boolean isTurned = compared.getKind() == Tree.Kind.LESS_THAN || compared.getKind() == Tree.Kind.LESS_THAN_EQUAL;
            ExpressionTree one = isTurned ? compared.getRightOperand() : compared.getLeftOperand();
            ExpressionTree other = isTurned ? compared.getLeftOperand() : compared.getRightOperand();
            return sort.isEmpty() ? List.of() : List.of(compared(compared, one, other, sort, code));
        }
        return List.of();
    }

    private static Fix compared(BinaryTree whole, ExpressionTree one, ExpressionTree other, String box, Code code) {
        return Fix.of("compare them", edits -> edits.replace(whole, to -> to.write(box + ".compare(")
                .carry(code.range(one)).write(", ").carry(code.range(other)).write(")")));
    }

    /** The class that compares numbers like this one; empty for what is no number. */
    private static String numbers(TreePath path, Code code) {
        return code.type(path).map(code::unboxed).filter(type -> type.getKind().isPrimitive()).map(type -> switch (type.getKind()) {
            case LONG -> "Long";
            case DOUBLE, FLOAT -> "Double";
            default -> "Integer";
        }).orElse("");
    }

    /** {@code List<Integer>} for {@code List<Number>}: the parameter or variable may take a list of any kind of number (JLS 4.5.1). */
    private static List<Fix> wildcard(TreePath path, Optional<TypeMirror> own, TypeMirror wanted, ErrorSite site) {
        Code code = site.code();
        List<Fix> fixes = new ArrayList<>();
        if (path.getLeaf() instanceof NewClassTree made && made.getIdentifier() instanceof ParameterizedTypeTree type && made.getClassBody() == null) {
            Range arguments = new Range(code.range(type.getType()).end(), code.range(type).end());
            fixes.add(Fix.of("leave out the type arguments", edits -> edits.replace(arguments, "<>")));
        }
        Optional<Tree> said = declaredType(path, site);
        said.filter(tree -> tree instanceof ParameterizedTypeTree).map(tree -> (ParameterizedTypeTree) tree)
                .filter(tree -> own.isPresent() && own.get() instanceof DeclaredType type && type.getTypeArguments().stream()
                        .allMatch(argument -> argument instanceof DeclaredType) && code.types().isAssignable(
                        code.types().erasure(own.get()), code.types().erasure(wanted)))
                .ifPresent(tree -> fixes.add(Fix.of("let it take any kind of '" + code.text(tree.getTypeArguments().get(0)) + "'",
                        edits -> tree.getTypeArguments().stream().filter(argument -> !code.text(argument).startsWith("?"))
                                .forEach(argument -> edits.insert(code.range(argument).start(), "? extends ")))));
        return fixes;
    }

    /** What is added to a {@code List<? extends Number>}: it must take such, {@code ? super} (JLS 4.5.1). */
    private static Optional<Fix> lowered(TreePath path, ErrorSite site) {
        Code code = site.code();
        return Optional.of(path.getParentPath().getLeaf()).filter(tree -> tree instanceof MethodInvocationTree)
                .map(tree -> ((MethodInvocationTree) tree).getMethodSelect()).filter(select -> select instanceof MemberSelectTree)
                .flatMap(select -> site.declaration(new TreePath(new TreePath(path.getParentPath(), select), ((MemberSelectTree) select).getExpression())))
                .filter(found -> found.getLeaf() instanceof VariableTree variable && code.find(variable.getType()).isPresent())
                .map(found -> code.range(((VariableTree) found.getLeaf()).getType()))
                .filter(range -> code.text(range).contains("? extends "))
                .map(range -> Fix.of("write '? super'", edits -> edits.replace(range, code.text(range).replaceFirst("\\? extends ", "? super "))));
    }

    private static Optional<Tree> declaredType(TreePath path, ErrorSite site) {
        Code code = site.code();
        TreePath parent = Code.outer(path);
        if (parent.getLeaf() instanceof VariableTree variable) {
            return Optional.ofNullable(variable.getType());
        } else if (parent.getLeaf() instanceof MethodInvocationTree call) {
            int index = call.getArguments().indexOf(path.getLeaf());
            Optional<TreePath> method = Callable.of(parent, code).stream().filter(known -> known.getParameters().size() == call.getArguments().size())
                    .findFirst().flatMap(site.survey().names()::declaration).filter(found -> found.getLeaf() instanceof MethodTree);
            return method.map(found -> ((MethodTree) found.getLeaf()).getParameters()).filter(all -> index >= 0 && index < all.size())
                    .map(all -> all.get(index).getType());
        }
        return Optional.empty();
    }

    /** {@code return;} where a value is wanted, and the other way round. */
    private static List<Fix> returned(TreePath path, ErrorSite site) {
        Code code = site.code();
        ReturnTree result = (ReturnTree) path.getLeaf();
        Range range = code.range(result);
        if (result.getExpression() == null) {
            return code.result(path).flatMap(code::type).map(type -> List.of(Fix.of("return " + Defaults.of(type),
                    edits -> edits.replace(range, "return " + Defaults.of(type) + ";")))).orElse(List.of());
        }
        boolean isOfMethod = code.result(path).isPresent();
        boolean isUnwanted = site.error().message().contains("unexpected return value") && !isOfMethod;
        return isUnwanted ? List.of(Fix.of("return nothing", edits -> edits.replace(range, "return;")),
                Fix.of("remove the return", edits -> edits.remove(range))) : List.of();
    }

    private static Optional<TypeMirror> element(Optional<TypeMirror> own) {
        if (own.isPresent() && own.get() instanceof ArrayType array) {
            return Optional.of(array.getComponentType());
        }
        return own.filter(type -> type instanceof DeclaredType).map(type -> (DeclaredType) type)
                .filter(type -> type.getTypeArguments().size() == 1).map(type -> (TypeMirror) type.getTypeArguments().get(0));
    }

    private static Fix suffixed(TreePath path, String suffix, String title) {
        boolean isOperator = suffix.startsWith(" ");
        boolean isGrouped = isOperator ? Set.of(Tree.Kind.CONDITIONAL_EXPRESSION, Tree.Kind.ASSIGNMENT, Tree.Kind.LAMBDA_EXPRESSION)
                .contains(path.getLeaf().getKind()) : Precedence.needsParenthesesBeforeDot((ExpressionTree) path.getLeaf());
        return Fix.of(title, edits -> edits.replace(path.getLeaf(), to -> to.write(isGrouped ? "(" : "")
                .carry(edits.code().range(path.getLeaf())).write((isGrouped ? ")" : "") + suffix)));
    }
}
