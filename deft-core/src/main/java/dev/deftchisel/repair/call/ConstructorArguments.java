package dev.deftchisel.repair.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.util.ElementFilter;

/**
 * Arguments that no constructor takes: the constructor is declared, or the call is another one (JLS 8.8, 15.9.3).
 */
public final class ConstructorArguments implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.apply.symbol", "cant.apply.symbols");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return arguments(site);
    }

    /** Arguments for a superclass, an enum constant, or a method that only looks like a constructor. */
    private static List<Fix> arguments(ErrorSite site) {
        AttributedFile code = site.code();
        List<Fix> fixes = new ArrayList<>();
        Optional<TreePath> made = site.nearest(NewClassTree.class);
        Optional<TreePath> type = site.nearest(ClassTree.class);
        boolean isCall = site.around().stream().takeWhile(path -> !(path.getLeaf() instanceof MethodTree
                || path.getLeaf() instanceof ClassTree))
                .anyMatch(path -> path.getLeaf() instanceof NewClassTree
                        || path.getLeaf() instanceof MethodInvocationTree);
        made.filter(path -> isCall)
                .flatMap(path -> code.element(new TreePath(path, ((NewClassTree) path.getLeaf()).getIdentifier())))
                .flatMap(site.context().names()::declaration).filter(path -> path.getLeaf() instanceof ClassTree)
                .ifPresent(path -> ((ClassTree) path.getLeaf()).getMembers().stream()
                        .filter(member -> member instanceof MethodTree method && method.getName()
                                .contentEquals(((ClassTree) path.getLeaf()).getSimpleName())
                                && method.getReturnType() != null)
                        .forEach(member -> fixes.add(Fix.of("let '" + ((MethodTree) member)
                                .getName() + "' be a constructor", edits -> edits.cut(
                                new Range(code.range(((MethodTree) member).getReturnType()).start(), code.name(member)
                                        .start()))))));
        Optional<TreePath> constant = site.around().stream().filter(path -> path.getLeaf() instanceof VariableTree
                && code.element(path).filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT).isPresent())
                .findFirst();
        if (constant.isPresent()) {
            TypeElement owner = (TypeElement) code.element(constant.get()).orElseThrow().getEnclosingElement();
            ElementFilter.constructorsIn(owner.getEnclosedElements()).stream()
                    .filter(known -> !known.getParameters().isEmpty()).findFirst()
                    .ifPresent(known -> fixes.add(Fix.of("pass " + defaults(known), edits -> edits.insert(
                            code.name(constant.get().getLeaf()).end(), "(" + defaults(known) + ")"))));
        } else if (!isCall && type.isPresent()) {
            superclass(type.get(), site).ifPresent(fixes::add);
        }
        if (isCall && made.isPresent()) {
            handingOn(made.get(), site).ifPresent(fixes::add);
            fields(made.get(), site).ifPresent(fixes::add);
        }
        if (isCall) {
            receiver(site).ifPresent(fixes::add);
            emptyContainer(site).ifPresent(fixes::add);
        }
        return fixes;
    }

    /**
     * {@code new Full("no berth")} of a class without constructor whose superclass has one for it, as exceptions do
     * (JLS 8.8.9).
     */
    private static Optional<Fix> handingOn(TreePath made, ErrorSite site) {
        AttributedFile code = site.code();
        NewClassTree tree = (NewClassTree) made.getLeaf();
        Optional<TreePath> type = code.element(new TreePath(made, tree.getIdentifier()))
                .flatMap(site.context().names()::declaration)
                .filter(path -> path.getLeaf() instanceof ClassTree owner && owner.getExtendsClause() != null);
        boolean hasOwn = type.filter(path -> ((ClassTree) path.getLeaf()).getMembers().stream()
                .anyMatch(member -> member instanceof MethodTree method
                && method.getReturnType() == null && code.find(method).isPresent())).isPresent();
        Optional<ExecutableElement> above = hasOwn ? Optional.empty() : type.flatMap(code::element)
                .map(element -> ((TypeElement) element).getSuperclass())
                .filter(known -> known instanceof DeclaredType)
                .flatMap(known -> ElementFilter.constructorsIn(((DeclaredType) known).asElement().getEnclosedElements())
                        .stream().filter(one -> one.getParameters().size() == tree.getArguments().size()
                                && IntStream.range(0, tree.getArguments().size())
                                .allMatch(i -> code.type(new TreePath(made, tree.getArguments().get(i)))
                                        .filter(own -> code.types().isAssignable(own, one.getParameters().get(i)
                                                .asType())).isPresent())).findFirst());
        return above.map(one -> Fix.of("declare a constructor that passes it on",
                edits -> PassingConstructor.insert(edits, (ClassTree) type.get().getLeaf(), one, List.of())));
    }

    /** As many values as the class has fields, of their types and in their order, where it has no constructor. */
    private static Optional<Fix> fields(TreePath made, ErrorSite site) {
        AttributedFile code = site.code();
        NewClassTree tree = (NewClassTree) made.getLeaf();
        Optional<TreePath> type = code.element(new TreePath(made, tree.getIdentifier()))
                .flatMap(site.context().names()::declaration)
                .filter(path -> path.getLeaf() instanceof ClassTree);
        if (type.isEmpty() || ((ClassTree) type.get().getLeaf()).getMembers().stream()
                .anyMatch(member -> member instanceof MethodTree method
                && method.getReturnType() == null && code.find(method).isPresent())) {
            return Optional.empty();
        }
        List<VariableTree> fields = ((ClassTree) type.get().getLeaf()).getMembers().stream()
                .filter(member -> member instanceof VariableTree field
                && !field.getModifiers().getFlags().contains(Modifier.STATIC) && field.getInitializer() == null)
                .map(member -> (VariableTree) member).toList();
        boolean fits = fields.size() == tree.getArguments().size() && !fields.isEmpty()
                && IntStream.range(0, fields.size()).allMatch(i ->
                code.type(new TreePath(made, tree.getArguments().get(i)))
                        .filter(own -> code.element(new TreePath(type.get(), fields.get(i)))
                        .filter(field -> code.types().isAssignable(own, field.asType())).isPresent()).isPresent());
        return fits ? Optional.of(Fix.of("declare a constructor that sets " + fields.stream()
                .map(field -> "'" + field.getName() + "'")
                .collect(Collectors.joining(", ")), edits -> {
            Layout layout = Layout.of(code.file());
            VariableTree last = fields.get(fields.size() - 1);
            String indent = Layout.indentOf(code.file(), code.range(last).start());
            String parameters = fields.stream().map(field -> code.text(field.getType()) + " " + field.getName())
                    .collect(Collectors.joining(", "));
            String body = fields.stream().map(field -> indent + layout.unit() + "this." + field.getName() + " = "
                    + field.getName() + ";" + layout.lineEnd())
                    .collect(Collectors.joining());
            edits.insert(code.range(last).end(), layout.lineEnd() + layout.lineEnd() + indent
                    + ((ClassTree) type.get().getLeaf()).getSimpleName()
                    + "(" + parameters + ") {" + layout.lineEnd() + body + indent + "}");
        })) : Optional.empty();
    }

    private static String defaults(ExecutableElement method) {
        return method.getParameters().stream().map(parameter -> DefaultValues.of(parameter.asType()))
                .collect(Collectors.joining(", "));
    }

    /** {@code String.length(text)} is {@code text.length()}. */
    private static Optional<Fix> receiver(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(MethodInvocationTree.class)
                .filter(path -> ((MethodInvocationTree) path.getLeaf())
                        .getMethodSelect() instanceof MemberSelectTree select
                && !((MethodInvocationTree) path.getLeaf()).getArguments().isEmpty()
                && code.element(new TreePath(new TreePath(path, select), select.getExpression()))
                .filter(element -> element instanceof TypeElement).isPresent())
                .map(path -> {
                    MethodInvocationTree call = (MethodInvocationTree) path.getLeaf();
                    ExpressionTree object = call.getArguments().get(0);
                    int last = code.range(call.getArguments().get(call.getArguments().size() - 1)).end();
                    String rest = call.getArguments().size() == 1 ? ""
                            : code.text(new Range(code.range(call.getArguments().get(1)).start(), last));
                    String name = ((MemberSelectTree) call.getMethodSelect()).getIdentifier().toString();
                    return Fix.of("call it on '" + code.shown(code.range(object), 30) + "'",
                            edits -> edits.replace(call,
                            to -> to.carry(code.range(object)).write("." + name + "(" + rest + ")")));
                });
    }

    /** {@code Optional.of()}. */
    private static Optional<Fix> emptyContainer(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(MethodInvocationTree.class)
                .filter(path -> code.text(path.getLeaf()).matches("Optional\\.of(Nullable)?\\(\\s*\\)"))
                .map(path -> Fix.of("use 'empty'", edits -> edits.replace(code.range(path.getLeaf()),
                        "Optional.empty()")));
    }

    /**
     * The superclass has no constructor without parameters: it is passed what the own one has, or a new one passes
     * everything on.
     */
    private static Optional<Fix> superclass(TreePath type, ErrorSite site) {
        AttributedFile code = site.code();
        Optional<ExecutableElement> above = code.element(type).map(element -> ((TypeElement) element).getSuperclass())
                .filter(known -> known instanceof DeclaredType).map(known -> ((DeclaredType) known).asElement())
                .flatMap(element -> ElementFilter.constructorsIn(element.getEnclosedElements()).stream()
                        .filter(known -> !known.getModifiers().contains(Modifier.PRIVATE) && !known.getParameters()
                                .isEmpty()).findFirst());
        Optional<TreePath> own = site.nearest(MethodTree.class)
                .filter(path -> ((MethodTree) path.getLeaf()).getReturnType() == null
                && path.getParentPath().getLeaf() == type.getLeaf());
        if (above.isEmpty()) {
            return Optional.empty();
        }
        if (own.isPresent() && code.find(own.get().getLeaf()).isPresent() && ((MethodTree) own.get().getLeaf())
                .getBody() != null) {
            MethodTree constructor = (MethodTree) own.get().getLeaf();
            String arguments = matching(above.get(), own.get(), code);
            return Optional.of(Fix.of("call super(" + arguments + ")", edits -> {
                Layout layout = Layout.of(code.file());
                int brace = code.range(constructor.getBody()).start() + 1;
                String indent = Layout.indentOf(code.file(), code.range(constructor).start()) + layout.unit();
                edits.insert(brace, layout.lineEnd() + indent + "super(" + arguments + ");");
                inherited(constructor, own.get(), code).forEach(statement -> edits.remove(code.range(statement)));
            }));
        }
        return Optional.of(Fix.of("declare a constructor that passes everything on",
                edits -> PassingConstructor.insert(edits, (ClassTree) type.getLeaf(), above.get(), List.of())));
    }

    /** Statements that set final fields of the superclass, which its constructor does already (JLS 8.1.2, 16.9). */
    private static List<StatementTree> inherited(MethodTree constructor, TreePath own, AttributedFile code) {
        Optional<TypeElement> type = code.enclosingType(own);
        TreePath body = new TreePath(own, constructor.getBody());
        return constructor.getBody().getStatements().stream()
                .filter(statement -> statement instanceof ExpressionStatementTree alone
                && alone.getExpression() instanceof AssignmentTree set
                && code.element(new TreePath(new TreePath(new TreePath(body, statement), set), set.getVariable()))
                .filter(field -> field.getKind().isField() && field.getModifiers().contains(Modifier.FINAL)
                        && type.filter(field.getEnclosingElement()::equals).isEmpty())
                .isPresent()).map(statement -> (StatementTree) statement).toList();
    }

    /** For each parameter above the own one of its name, or else of its type, or else a default. */
    private static String matching(ExecutableElement above, TreePath own, AttributedFile code) {
        MethodTree constructor = (MethodTree) own.getLeaf();
        List<VariableTree> known = List.copyOf(constructor.getParameters());
        return above.getParameters().stream().map(parameter -> {
            Optional<VariableTree> named = known.stream().filter(one -> one.getName().equals(parameter.getSimpleName()))
                    .findFirst();
            return named.or(() -> known.stream().filter(one -> code.element(new TreePath(own, one))
                    .filter(element -> code.types().isAssignable(element.asType(), parameter.asType())).isPresent())
                    .findFirst())
                    .map(one -> one.getName().toString()).orElse(DefaultValues.of(parameter.asType()));
        }).collect(Collectors.joining(", "));
    }
}
