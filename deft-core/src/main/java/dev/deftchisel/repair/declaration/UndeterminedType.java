package dev.deftchisel.repair.declaration;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
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
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Types that cannot stand as they do: {@code var} without a value, generic arrays, the wrong number of arguments
 * (JLS 4.5, 14.4.1, 15.10.1).
 */
public final class UndeterminedType implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("wrong.number.type.args", "generic.array.creation", "cant.infer.local.var.type",
                "restricted.type.not.allowed.here", "restricted.type.not.allowed");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        return switch (site.id()) {
            case "wrong.number.type.args" -> site.nearest(ParameterizedTypeTree.class)
                    .map(path -> typeArguments(path, code)).orElse(List.of());
            case "generic.array.creation" -> site.nearest(NewArrayTree.class).map(path -> rawArray(path, code))
                    .orElse(List.of());
            default -> site.nearest(VariableTree.class).map(path -> variable(path, code)).orElse(List.of());
        };
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
}
