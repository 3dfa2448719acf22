package dev.deftchisel.repair;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
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
 * What a container holds where that is wanted, and the other way round: optional values, streams, collections, arrays
 * (java.util).
 */
public final class ContainerContent {

    /** What makes a collection of another one. */
    private static final Map<String, String> COPIES = Map.of("java.util.Set", "java.util.HashSet", "java.util.List",
            "java.util.ArrayList",
            "java.util.HashSet", "java.util.HashSet", "java.util.ArrayList", "java.util.ArrayList", "java.util.Queue",
            "java.util.ArrayDeque",
            "java.util.Deque", "java.util.ArrayDeque", "java.util.TreeSet", "java.util.TreeSet", "java.util.LinkedList",
            "java.util.LinkedList",
            "java.util.SortedSet", "java.util.TreeSet", "java.util.Collection", "java.util.ArrayList");
    /** From this level on a stream has {@code toList}. */
    static final int LEVEL_OF_TO_LIST = 16;

    private ContainerContent() {
    }

    /** What is in a container, or all that is, in a container of the other sort. */
    public static List<Fix> content(TreePath path, TypeMirror own, TypeMirror wanted, AttributedFile code) {
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
        if (wanted instanceof ArrayType array && own instanceof ArrayType
                && path.getLeaf() instanceof MethodInvocationTree call
                && call.getArguments().isEmpty() && code.text(call.getMethodSelect()).endsWith(".toArray")
                && !array.getComponentType().getKind().isPrimitive()) {
            fixes.add(Fix.of("make an array of '" + Conversion.shown(array.getComponentType()) + "'",
                    edits -> edits.insert(code.range(call).end() - 1,
                    "new " + edits.types().write(code.types().erasure(array.getComponentType()))
                    .orElse("Object") + "[0]")));
        }
        String target = wanted instanceof DeclaredType declared ? ((TypeElement) declared.asElement())
                .getQualifiedName().toString() : "";
        if (wanted instanceof DeclaredType map && NamedTypes.is(wanted, "java.util.Map")
                && path.getLeaf() instanceof MethodInvocationTree call
                && call.getArguments().size() == 1 && call.getArguments()
                .get(0) instanceof MethodInvocationTree grouping
                && code.text(grouping.getMethodSelect()).endsWith("groupingBy") && grouping.getArguments().size() == 1
                && NamedTypes.is(map.getTypeArguments().get(1), "java.lang.Long")) {
            String prefix = code.text(grouping.getMethodSelect()).replaceFirst("groupingBy$", "");
            fixes.add(Fix.of("count them", edits -> edits.insert(code.range(grouping.getArguments().get(0))
                    .end(), ", " + prefix + "counting()")));
        }
        if (path.getLeaf() instanceof MethodInvocationTree call && call.getArguments().size() == 1) {
            String collector = code.text(call.getArguments().get(0));
            Map.of("java.util.List", "toSet()", "java.util.Set", "toList()").forEach((type, other) -> {
                if (target.equals(type) && collector.endsWith(other)) {
                    int end = code.range(call.getArguments().get(0)).end();
                    String right = other.equals("toSet()") ? "toList" : "toSet";
                    fixes.add(Fix.of("collect by '" + right + "'",
                            edits -> edits.replace(new Range(end - other.length(), end - 2), right)));
                }
            });
        }
        TypeMirror collection = code.elements().getTypeElement("java.util.Collection").asType();
        if (own instanceof DeclaredType && code.isKind(own, collection) && COPIES.containsKey(target)
                && !code.isKind(own, wanted)) {
            fixes.add(Fix.of("make a " + COPIES.get(target).replaceFirst(".*\\.", "") + " of it",
                    edits -> edits.replace(path.getLeaf(), to -> to
                    .write("new " + edits.types().name(code.elements().getTypeElement(COPIES.get(target))) + "<>(")
                    .carry(code.range(path.getLeaf())).write(")"))));
        }
        if (own.getKind() == TypeKind.CHAR && NamedTypes.is(wanted, "java.lang.String")) {
            fixes.add(Fix.of("make text of it", edits -> edits.replace(path.getLeaf(),
                    to -> to.write("String.valueOf(").carry(code.range(path.getLeaf())).write(")"))));
        } else if (NamedTypes.is(own, "java.lang.String") && wanted.getKind() == TypeKind.CHAR) {
            fixes.add(suffixed(path, ".charAt(0)", "take its first character"));
        } else if (NamedTypes.is(own, "java.lang.String") && wanted instanceof ArrayType array
                && array.getComponentType().getKind() == TypeKind.CHAR) {
            fixes.add(suffixed(path, ".toCharArray()", "take its characters"));
        } else if (NamedTypes.is(own, "java.util.Optional") && wanted.getKind() == TypeKind.BOOLEAN) {
            fixes.add(0, suffixed(path, ".isPresent()", "ask whether it holds something"));
        } else if (NamedTypes.is(own, "java.lang.String") && wanted.getKind() == TypeKind.BOOLEAN) {
            fixes.add(suffixed(path, " != null", "compare it with null"));
        } else if (own.getKind().isPrimitive() && NamedTypes.is(wanted, "java.lang.Long")) {
            fixes.add(Fix.of("cast it to long", edits -> Conversion.cast(edits, path, "long")));
        } else if (own.getKind().isPrimitive() && NamedTypes.is(wanted, "java.lang.Double")) {
            fixes.add(Fix.of("cast it to double", edits -> Conversion.cast(edits, path, "double")));
        } else if (own.getKind().isPrimitive() && wanted.getKind().isPrimitive() && TreePaths.outer(path)
                .getLeaf() instanceof ArrayAccessTree) {
            fixes.add(Fix.of("cast it to int", edits -> Conversion.cast(edits, path, "int")));
        }
        return fixes;
    }

    /** <code>List&lt;String&gt; names = {"a", "b"}</code>: only an array is written like that (JLS 10.6). */
    public static List<Fix> collection(TreePath path, Optional<TypeMirror> wanted, AttributedFile code) {
        Optional<String> factory = wanted.filter(type -> type instanceof DeclaredType)
                .map(type -> ((TypeElement) ((DeclaredType) type).asElement())
                .getQualifiedName().toString()).filter(COPIES::containsKey);
        Tree array = path.getLeaf();
        Range all = code.range(array);
        boolean isInitialiser = array instanceof NewArrayTree && code.text(all).startsWith("{");
        if (factory.isEmpty() || !isInitialiser) {
            return List.of();
        }
        String name = factory.get().equals("java.util.Set") ? "java.util.Set" : "java.util.List";
        boolean isInterface = factory.get().equals("java.util.List") || factory.get().equals("java.util.Set")
                || factory.get().equals("java.util.Collection");
        Range within = new Range(all.start() + 1, all.end() - 1);
        List<Fix> fixes = new ArrayList<>();
        if (isInterface) {
            fixes.add(Fix.of("write '" + name.replaceFirst(".*\\.", "") + ".of'", edits -> edits.replace(all, to -> to
                    .write(edits.types().name(code.elements().getTypeElement(name)) + ".of(").carry(within)
                    .write(")"))));
        }
        fixes.add(Fix.of("make a " + COPIES.get(factory.get()).replaceFirst(".*\\.", "") + " of it",
                edits -> edits.replace(all, to -> to
                .write("new " + edits.types().name(code.elements().getTypeElement(COPIES.get(factory.get()))) + "<>("
                        + edits.types().name(code.elements().getTypeElement(name)) + ".of(").carry(within)
                        .write("))"))));
        return fixes;
    }

    /** The elements of a stream as a list, set or array. */
    public static List<Fix> ofStream(TreePath path, TypeMirror wanted, AttributedFile code) {
        Optional<TypeMirror> own = code.ownType(path).or(() -> code.type(path));
        String from = own.filter(type -> type instanceof DeclaredType)
                .map(type -> ((TypeElement) ((DeclaredType) type).asElement())
                .getQualifiedName().toString()).orElseGet(() -> calls(path, code));
        boolean isNumbers = Set.of("java.util.stream.IntStream", "java.util.stream.LongStream",
                "java.util.stream.DoubleStream").contains(from);
        if (!from.equals("java.util.stream.Stream") && !isNumbers) {
            return List.of();
        }
        String boxed = isNumbers ? ".boxed()" : "";
        List<Fix> fixes = new ArrayList<>();
        boolean isList = NamedTypes.is(wanted, "java.util.List") || NamedTypes.is(wanted, "java.util.Collection")
                || NamedTypes.is(wanted, "java.lang.Iterable");
        if (isList && code.file().module().level() >= LEVEL_OF_TO_LIST) {
            fixes.add(suffixed(path, boxed + ".toList()", "make a list of its elements"));
        }
        for (String sort : List.of("List", "Set")) {
            if (NamedTypes.is(wanted, "java.util." + sort)
                    && !(isList && code.file().module().level() >= LEVEL_OF_TO_LIST)) {
                fixes.add(Fix.of("collect its elements",
                        edits -> edits.insert(code.range(path.getLeaf()).end(), boxed + ".collect("
                        + edits.types().name(code.elements().getTypeElement("java.util.stream.Collectors")) + ".to"
                        + sort + "())")));
            }
        }
        if (wanted instanceof ArrayType array) {
            boolean isPrimitive = array.getComponentType().getKind().isPrimitive();
            String element = Conversion.shown(code.types().erasure(array.getComponentType()));
            String sort;
            if (element.equals("int")) {
                sort = "Int";
            } else if (element.equals("long")) {
                sort = "Long";
            } else {
                sort = "Double";
            }
            String box;
            if (element.equals("int")) {
                box = "Integer::intValue";
            } else if (element.equals("long")) {
                box = "Long::longValue";
            } else {
                box = "Double::doubleValue";
            }
            fixes.add(suffixed(path, isNumbers && isPrimitive ? ".toArray()" : isPrimitive
                    ? ".mapTo" + sort + "(" + box + ").toArray()"
                    : boxed + ".toArray(" + element + "[]::new)", "make an array of its elements"));
        }
        return fixes;
    }

    /** The type that declares the method which is called, where the type of the call is in doubt. */
    private static String calls(TreePath path, AttributedFile code) {
        return path.getLeaf() instanceof MethodInvocationTree ? code.element(path)
                .filter(element -> element instanceof ExecutableElement)
                .map(element -> ((ExecutableElement) element).getReturnType())
                .filter(type -> type instanceof DeclaredType)
                .map(type -> ((TypeElement) ((DeclaredType) type).asElement()).getQualifiedName().toString()).orElse("")
                : "";
    }

    /** What makes a list of a stream's elements, after it. */
    public static String listed(FixEdits edits) {
        AttributedFile code = edits.code();
        return code.file().module().level() >= LEVEL_OF_TO_LIST ? ".toList()"
                : ".collect(" + edits.types().name(code.elements().getTypeElement("java.util.stream.Collectors"))
                + ".toList())";
    }

    public static Fix suffixed(TreePath path, String suffix, String title) {
        boolean isOperator = suffix.startsWith(" ");
        boolean isGrouped = isOperator ? Set.of(Tree.Kind.CONDITIONAL_EXPRESSION, Tree.Kind.ASSIGNMENT,
                Tree.Kind.LAMBDA_EXPRESSION)
                .contains(path.getLeaf().getKind()) : Precedence
                .needsParenthesesBeforeDot((ExpressionTree) path.getLeaf());
        return Fix.of(title, edits -> edits.replace(path.getLeaf(), to -> to.write(isGrouped ? "(" : "")
                .carry(edits.code().range(path.getLeaf())).write((isGrouped ? ")" : "") + suffix)));
    }
}
