package dev.deftchisel.repair.type;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.StatementLines;
import dev.deftchisel.repair.name.MeantName;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeKind;

/**
 * Functions that change what is around them, end in what they may not, or have another shape than is asked for (JLS
 * 15.27).
 */
public final class WrongLambda implements Repair {

    /** How many parameters a function may have, the most usual first. */
    private static final List<Integer> USUAL_COUNTS = List.of(2, 1, 0, 3);
    private static final List<String> NAMES = List.of("key", "value", "other");

    @Override
    public Set<String> codes() {
        return Set.of("cant.ref.non.effectively.final.var", "local.var.accessed.from.icls.needs.final",
                "prob.found.req", "incompatible.types",
                "unreported.exception.need.to.catch.or.throw", "incompatible.thrown.types.in.mref",
                "stat.expr.expected", "lambda.body.neither.value.nor.void.compatible",
                "cant.apply.symbol", "cant.apply.symbols", "unexpected.lambda", "incompatible.ret.type.in.lambda");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        List<Fix> fixes = new ArrayList<>();
        switch (site.id()) {
            case "cant.ref.non.effectively.final.var", "local.var.accessed.from.icls.needs.final" -> counted(site)
                    .ifPresent(fixes::add);
            case "unreported.exception.need.to.catch.or.throw" -> site.nearest(LambdaExpressionTree.class)
                    .filter(path -> ((LambdaExpressionTree) path.getLeaf())
                            .getBodyKind() == LambdaExpressionTree.BodyKind.EXPRESSION
                            && nearestBody(site).filter(body -> body == path.getLeaf()).isPresent())
                    .ifPresent(path -> fixes.add(caught(path, site)));
            case "incompatible.thrown.types.in.mref" -> site.nearest(MemberReferenceTree.class)
                    .flatMap(path -> reference(path, site)).ifPresent(fixes::add);
            default -> {
                forEach(site).ifPresent(fixes::add);
                shape(site).ifPresent(fixes::addAll);
            }
        }
        return fixes;
    }

    private static Optional<Tree> nearestBody(ErrorSite site) {
        return site.around().stream().map(TreePath::getLeaf)
                .filter(tree -> tree instanceof LambdaExpressionTree || tree instanceof MethodTree).findFirst();
    }

    /** A variable that a function counts up: an array of one element can be changed where a variable cannot. */
    private static Optional<Fix> counted(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> name = site.around().stream().filter(path -> path.getLeaf() instanceof IdentifierTree)
                .findFirst();
        Optional<TreePath> declared = name.flatMap(site::declaration)
                .filter(path -> path.getLeaf() instanceof VariableTree variable
                && variable.getInitializer() != null && path.getParentPath().getLeaf() instanceof BlockTree);
        if (declared.isEmpty()) {
            return Optional.empty();
        }
        VariableTree variable = (VariableTree) declared.get().getLeaf();
        Optional<VariableElement> element = code.element(declared.get()).map(known -> (VariableElement) known);
        TreePath block = declared.get().getParentPath();
        List<Occurrence> all = code.occurrences(block).stream()
                .filter(one -> element.filter(one.variable()::equals).isPresent()).toList();
        boolean isChangedWithin = all.stream().anyMatch(one -> one.isWritten()
                && TreePaths.leadsThrough(one.path(), block.getLeaf(), TreePaths::runsApart));
        return isChangedWithin ? element.map(known -> Fix.of("keep '" + variable.getName() + "' in an array", edits -> {
            String type = edits.types().write(known.asType()).orElse("Object");
            Range initial = code.range(variable.getInitializer());
            edits.replace(new Range(code.range(variable).start(), code.name(variable).start()), type + "[] ");
            edits.replace(initial, to -> to.write("{").carry(initial).write("}"));
            all.stream().filter(one -> one.access() != Occurrence.Access.DECLARED)
                    .forEach(one -> edits.insert(code.range(one.path().getLeaf()).end(), "[0]"));
        })) : Optional.empty();
    }

    /** The checked exceptions that an expression ends in. */
    private static String exceptions(FixEdits edits, TreePath body) {
        return edits.code().thrown(List.of(body)).stream().map(type -> edits.types().write(type).orElse("Exception"))
                .distinct()
                .collect(Collectors.joining(" | "));
    }

    /** {@code name -> read(name)}: the exception is caught in a block. */
    private static Fix caught(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        LambdaExpressionTree lambda = (LambdaExpressionTree) path.getLeaf();
        TreePath body = new TreePath(path, lambda.getBody());
        boolean isVoid = isVoid(path, code);
        return Fix.of("catch it in the function",
                edits -> edits.replace(lambda.getBody(), to -> to.write(block(edits, path, isVoid ? "" : "return ",
                code.text(lambda.getBody()), exceptions(edits, body)))));
    }

    private static String block(FixEdits edits, TreePath path, String result, String value, String exceptions) {
        Layout layout = Layout.of(edits.code().file());
        String indent = Layout.indentOf(edits.code().file(), edits.code().range(path.getLeaf()).start());
        String in = layout.lineEnd() + indent + layout.unit();
        return "{" + in + "try {" + in + layout.unit() + result + value + ";" + in + "} catch (" + exceptions + " e) {"
                + in + layout.unit()
                + "throw new IllegalStateException(e);" + in + "}" + layout.lineEnd() + indent + "}";
    }

    private static boolean isVoid(TreePath path, AttributedFile code) {
        return code.type(path).flatMap(type -> MeantName.function(type, code))
                .map(method -> method.getReturnType().getKind() == TypeKind.VOID)
                .orElse(false);
    }

    /** {@code Main::read}: a function that catches the exception. */
    private static Optional<Fix> reference(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        MemberReferenceTree reference = (MemberReferenceTree) path.getLeaf();
        Optional<ExecutableElement> method = code.element(path).filter(element -> element instanceof ExecutableElement)
                .map(element -> (ExecutableElement) element);
        if (method.isEmpty()) {
            return Optional.empty();
        }
        boolean isStatic = method.get().getModifiers().contains(Modifier.STATIC);
        boolean isOfType = code.element(new TreePath(path, reference.getQualifierExpression()))
                .filter(element -> element.getKind().isClass()
                || element.getKind().isInterface()).isPresent();
        int count = method.get().getParameters().size() + (isOfType && !isStatic ? 1 : 0);
        List<String> names = IntStream.range(0, count).mapToObj(i -> count == 1 ? "it" : "it" + (i + 1)).toList();
        String object = isOfType && !isStatic ? names.get(0) : code.text(reference.getQualifierExpression());
        List<String> arguments = isOfType && !isStatic ? names.subList(1, names.size()) : names;
        String call = object + "." + reference.getName() + "(" + String.join(", ", arguments) + ")";
        String head = count == 1 ? "it -> " : "(" + String.join(", ", names) + ") -> ";
        boolean isVoid = method.get().getReturnType().getKind() == TypeKind.VOID || isVoid(path, code);
        return Optional.of(Fix.of("catch it in a function",
                edits -> edits.replace(code.range(reference), head + block(edits, path,
                isVoid ? "" : "return ", call, method.get().getThrownTypes().stream()
                .map(type -> edits.types().write(type).orElse("Exception"))
                        .collect(Collectors.joining(" | "))))));
    }

    /** Parameters, result and target of a function. */
    private static Optional<List<Fix>> shape(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(LambdaExpressionTree.class)
                .or(() -> site.id().startsWith("cant.apply") ? passed(site) : Optional.empty());
        if (found.isEmpty()) {
            return Optional.empty();
        }
        LambdaExpressionTree lambda = (LambdaExpressionTree) found.get().getLeaf();
        String message = site.error().message();
        List<Fix> fixes = new ArrayList<>();
        if (message.contains("incompatible parameter types in lambda")) {
            fixes.addAll(parameters(found.get(), site));
        }
        if (message.contains("not a functional interface")) {
            fixes.addAll(cast(found.get(), code));
        }
        boolean isBlock = lambda.getBody() instanceof BlockTree;
        if (isBlock && (message.contains("missing return value") || message.contains("neither value nor void")
                || message.contains("bad return type"))) {
            last((BlockTree) lambda.getBody()).ifPresent(value -> fixes.add(Fix.of("return what it ends with",
                    edits -> edits.insert(code.range(value).start(), "return "))));
            fixes.add(Fix.of("return null in the end",
                    edits -> StatementLines.atEnd(edits, (BlockTree) lambda.getBody(), "return null;")));
        }
        if (isBlock && message.contains("unexpected return value")) {
            fixes.addAll(returns(found.get(), code));
        }
        return Optional.of(fixes);
    }

    /** {@code map(x -> System.out.println(x))}: what is done for each gives nothing that could go on. */
    private static Optional<Fix> forEach(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(MethodInvocationTree.class).map(path -> (MethodInvocationTree) path.getLeaf())
                .filter(call -> site.error().message().contains("void")
                        && call.getMethodSelect() instanceof MemberSelectTree select
                        && select.getIdentifier().contentEquals("map") && call.getArguments().stream()
                        .anyMatch(argument -> argument instanceof LambdaExpressionTree))
                .map(call -> code.range(call.getMethodSelect()).end())
                .map(end -> Fix.of("call 'forEach'", edits -> edits.replace(new Range(end - "map".length(), end),
                        "forEach")));
    }

    /** The function with a block that is passed to the call which does not take it. */
    private static Optional<TreePath> passed(ErrorSite site) {
        return site.nearest(MethodInvocationTree.class).stream()
                .flatMap(path -> ((MethodInvocationTree) path.getLeaf()).getArguments().stream()
                .filter(argument -> argument instanceof LambdaExpressionTree lambda
                        && lambda.getBody() instanceof BlockTree)
                .map(argument -> new TreePath(path, argument))).findFirst();
    }

    /** The call that a block ends with, which may be what was to be returned. */
    private static Optional<StatementTree> last(BlockTree block) {
        int count = block.getStatements().size();
        return count > 0 && block.getStatements().get(count - 1) instanceof ExpressionStatementTree alone
                && alone.getExpression() instanceof MethodInvocationTree ? Optional.of(alone) : Optional.empty();
    }

    /** As many parameters as the function is called with. */
    private static List<Fix> parameters(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        LambdaExpressionTree lambda = (LambdaExpressionTree) path.getLeaf();
        List<String> own = lambda.getParameters().stream().map(parameter -> parameter.getName().toString()).toList();
        Range head = new Range(code.range(lambda).start(), code.range(lambda.getBody()).start());
        return USUAL_COUNTS.stream().filter(count -> count != own.size()).map(count -> {
            List<String> names = new ArrayList<>(own.subList(0, Math.min(own.size(), count)));
            NAMES.stream().filter(name -> !own.contains(name)).skip(own.isEmpty() || count < 2 ? 0 : 1)
                    .limit(Math.max(0, count - names.size())).forEach(names::add);
            return Fix.of("take " + (count == 1 ? "1 value" : count + " values"),
                    edits -> edits.replace(head, names.size() == 1 ? names.get(0) + " -> "
                    : "(" + String.join(", ", names) + ") -> "));
        }).toList();
    }

    /** What a function is when nothing asks for a kind. */
    private static List<Fix> cast(TreePath path, AttributedFile code) {
        LambdaExpressionTree lambda = (LambdaExpressionTree) path.getLeaf();
        List<String> types;
        if (lambda.getParameters().isEmpty()) {
            types = List.of("java.lang.Runnable", "java.util.function.Supplier");
        } else if (lambda.getParameters().size() == 1) {
            types = List.of("java.util.function.Function", "java.util.function.Consumer");
        } else {
            types = List.of("java.util.function.BiFunction");
        }
        return types.stream().map(type -> Fix.of("let it be a " + type.replaceFirst(".*\\.", ""), edits -> {
            String written = edits.types().name(code.elements().getTypeElement(type));
            String arguments;
            if (type.endsWith("Supplier") || type.endsWith("Consumer")) {
                arguments = "<Object>";
            } else if (type.endsWith("BiFunction")) {
                arguments = "<Object, Object, Object>";
            } else if (type.endsWith("Function")) {
                arguments = "<Object, Object>";
            } else {
                arguments = "";
            }
            edits.insert(code.range(lambda).start(), "(" + written + arguments + ") ");
        })).toList();
    }

    /** What a function without result returns is left out. */
    private static List<Fix> returns(TreePath path, AttributedFile code) {
        List<Range> values = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitReturn(ReturnTree tree, Void unused) {
                if (tree.getExpression() != null) {
                    values.add(new Range(code.range(tree).start(), code.range(tree).end()));
                }
                return null;
            }

            @Override
            public Void visitLambdaExpression(LambdaExpressionTree tree, Void unused) {
                return tree == path.getLeaf() ? super.visitLambdaExpression(tree, null) : null;
            }
        }.scan(path, null);
        return values.isEmpty() ? List.of() : List
                .of(Fix.of("return nothing", edits -> values.forEach(range -> edits.replace(range, "return;"))));
    }
}
