package dev.deftchisel.repair.call;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Conversion;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.FileTypes;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.repair.StatementLines;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/**
 * Objects that cannot be made in this way, and constructors that do not begin as they must (JLS 8.8, 8.9.2, 8.10.4,
 * 15.9).
 */
public final class WrongConstruction implements Repair {

    /** What an interface of the platform is made as. */
    public static final Map<String, String> CLASSES = Map.of("java.util.List", "java.util.ArrayList", "java.util.Map",
            "java.util.HashMap",
            "java.util.Set", "java.util.HashSet", "java.util.Queue", "java.util.ArrayDeque", "java.util.Deque",
            "java.util.ArrayDeque",
            "java.util.Collection", "java.util.ArrayList", "java.util.SortedMap", "java.util.TreeMap",
            "java.util.SortedSet", "java.util.TreeSet",
            "java.util.NavigableMap", "java.util.TreeMap", "java.util.AbstractList", "java.util.ArrayList");

    @Override
    public Set<String> codes() {
        return Set.of("abstract.cant.be.instantiated", "enum.cant.be.instantiated", "cant.apply.symbol",
                "cant.apply.symbols",
                "call.must.be.first.stmt.in.ctor", "call.must.only.appear.in.ctor",
                "unreported.exception.default.constructor",
                "invalid.meth.decl.ret.type.req", "first.statement.must.be.call.to.another.constructor", "canonical",
                "cant.assign.val.to.final.var",
                "cant.assign.val.to.var", "var.might.not.have.been.initialized",
                "invalid.canonical.constructor.in.record", "missing.meth.body.or.decl.abstract",
                "recursive.ctor.invocation", "var.might.already.be.assigned", "cant.ref.before.ctor.called");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return switch (site.id()) {
            case "abstract.cant.be.instantiated" -> site.nearest(NewClassTree.class).map(path -> ofAbstract(path, site))
                    .orElse(List.of());
            case "enum.cant.be.instantiated" -> site.nearest(NewClassTree.class).map(path -> ofEnum(path, site.code()))
                    .orElse(List.of());
            case "cant.apply.symbol", "cant.apply.symbols" -> arguments(site);
            case "call.must.be.first.stmt.in.ctor", "call.must.only.appear.in.ctor" -> first(site);
            case "unreported.exception.default.constructor" -> throwing(site);
            case "invalid.meth.decl.ret.type.req" -> site.nearest(MethodTree.class)
                    .map(path -> withoutResult(path, site.code())).orElse(List.of());
            case "first.statement.must.be.call.to.another.constructor" -> site.nearest(MethodTree.class)
                    .map(path -> delegating(path, site.code())).orElse(List.of());
            case "missing.meth.body.or.decl.abstract" -> site.nearest(MethodTree.class)
                    .map(path -> detachedBody(path, site.code())).orElse(List.of());
            default -> assigned(site);
        };
    }

    /**
     * An interface of the platform has a usual class; a class of one's own may be not abstract, or implemented in
     * place.
     */
    private static List<Fix> ofAbstract(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        NewClassTree made = (NewClassTree) path.getLeaf();
        Tree named = made.getIdentifier() instanceof ParameterizedTypeTree type ? type.getType() : made.getIdentifier();
        Optional<TypeElement> type = code.type(path).filter(known -> known instanceof DeclaredType)
                .map(known -> (TypeElement) ((DeclaredType) known).asElement())
                .or(() -> code.element(new TreePath(new TreePath(path, made.getIdentifier()), named))
                        .filter(known -> known instanceof TypeElement)
                        .map(known -> (TypeElement) known));
        List<Fix> fixes = new ArrayList<>();
        type.map(known -> CLASSES.get(known.getQualifiedName().toString()))
                .ifPresent(name -> fixes.add(Fix.of("make a '"
                + name.replaceFirst(".*\\.", "") + "'", edits -> edits.replace(code.range(named), edits.types()
                        .name(code.elements().getTypeElement(name))))));
        type.ifPresent(known -> fixes.addAll(ofSubclass(known, named, code)));
        boolean isComplete = type.filter(known -> ElementFilter.methodsIn(code.elements().getAllMembers(known)).stream()
                .noneMatch(method -> method.getModifiers().contains(Modifier.ABSTRACT))).isPresent();
        type.flatMap(site.context().names()::declaration)
                .filter(found -> isComplete && found.getLeaf() instanceof ClassTree)
                .ifPresent(found -> fixes.add(Fix.of("let '" + ((ClassTree) found.getLeaf())
                        .getSimpleName() + "' be not abstract",
                        edits -> ModifierWords.remove(edits, code.range(((ClassTree) found.getLeaf()).getModifiers()),
                                "abstract"))));
        type.filter(known -> !CLASSES.containsKey(known.getQualifiedName().toString()))
                .ifPresent(known -> fixes.add(Fix.of(
                "implement it here", edits -> edits.insert(code.range(made).end(), body(edits, known, path)))));
        return fixes;
    }

    /** A class of the file that extends or implements the one that cannot be made. */
    private static List<Fix> ofSubclass(TypeElement type, Tree named, AttributedFile code) {
        return FileTypes.of(code).stream().filter(own -> own.getKind() == ElementKind.CLASS && !own.getModifiers()
                .contains(Modifier.ABSTRACT)
                        && !own.equals(type) && !own.getSimpleName().isEmpty()
                        && code.isKind(own.asType(), type.asType()))
                .map(own -> Fix.of("make a '" + own.getSimpleName() + "'",
                        edits -> edits.replace(code.range(named), edits.types().name(own)))).toList();
    }

    private static String body(FixEdits edits, TypeElement type, TreePath path) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(path.getLeaf()).start());
        String methods = ElementFilter.methodsIn(code.elements().getAllMembers(type)).stream()
                .filter(method -> method.getModifiers().contains(Modifier.ABSTRACT))
                .map(method -> {
                    var own = (ExecutableType) code.types().asMemberOf((DeclaredType) type.asType(), method);
                    String parameters = IntStream.range(0, own.getParameterTypes().size()).mapToObj(i -> edits.types()
                            .write(own.getParameterTypes().get(i)).orElse("Object") + " " + method.getParameters()
                            .get(i).getSimpleName())
                            .collect(Collectors.joining(", "));
                    boolean isVoid = own.getReturnType().getKind() == TypeKind.VOID;
                    return indent + layout.unit() + "@Override" + layout.lineEnd() + indent + layout.unit()
                            + (method.getModifiers().contains(Modifier.PUBLIC) ? "public " : "") + edits.types()
                            .write(own.getReturnType()).orElse("void") + " "
                            + method.getSimpleName() + "(" + parameters + ") {" + layout.lineEnd()
                            + (isVoid ? "" : indent + layout.unit() + layout.unit()
                            + "return " + DefaultValues.of(own.getReturnType()) + ";" + layout.lineEnd()) + indent
                            + layout.unit() + "}" + layout.lineEnd();
                }).collect(Collectors.joining(layout.lineEnd()));
        return methods.isEmpty() ? " { }" : " {" + layout.lineEnd() + methods + indent + "}";
    }

    /** A constant stands for itself. */
    private static List<Fix> ofEnum(TreePath path, AttributedFile code) {
        NewClassTree made = (NewClassTree) path.getLeaf();
        String type = code.text(made.getIdentifier());
        List<String> constants = code.element(new TreePath(path, made.getIdentifier()))
                .map(element -> element.getEnclosedElements().stream()
                .filter(member -> member.getKind() == ElementKind.ENUM_CONSTANT)
                .map(member -> member.getSimpleName().toString()).toList()).orElse(List.of());
        Optional<String> named = made.getArguments().stream().filter(argument -> argument instanceof LiteralTree)
                .map(argument -> String.valueOf(((LiteralTree) argument).getValue())).filter(constants::contains)
                .findFirst();
        List<Fix> fixes = new ArrayList<>();
        named.or(() -> constants.stream().findFirst())
                .ifPresent(constant -> fixes.add(Fix.of("write '" + type + "." + constant + "'",
                edits -> edits.replace(code.range(made), type + "." + constant))));
        if (named.isEmpty() && made.getArguments().size() == 1) {
            fixes.add(Fix.of("use 'valueOf'", edits -> edits.replace(made, to -> to.write(type + ".valueOf(")
                    .carry(code.range(made.getArguments().get(0))).write(")"))));
        }
        return fixes;
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
                edits -> constructor(edits, (ClassTree) type.get().getLeaf(), one, List.of())));
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
                edits -> constructor(edits, (ClassTree) type.getLeaf(), above.get(), List.of())));
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

    private static void constructor(FixEdits edits, ClassTree type, ExecutableElement above, List<TypeMirror> thrown) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(type).start()) + layout.unit();
        String parameters = above.getParameters().stream()
                .map(parameter -> edits.types().write(parameter.asType()).orElse("Object") + " "
                + parameter.getSimpleName()).collect(Collectors.joining(", "));
        String names = above.getParameters().stream().map(parameter -> parameter.getSimpleName().toString())
                .collect(Collectors.joining(", "));
        String exceptions = thrown.stream().map(known -> edits.types().write(known).orElse("Exception"))
                .collect(Collectors.joining(", "));
        String text = indent + type.getSimpleName() + "(" + parameters + ")"
                + (exceptions.isEmpty() ? "" : " throws " + exceptions) + " {"
                + layout.lineEnd() + indent + layout.unit() + "super(" + names + ");" + layout.lineEnd() + indent + "}"
                + layout.lineEnd();
        int end = code.range(type).end() - 1;
        int brace = code.file().content().lastIndexOf('\n', end) + 1;
        boolean isOwnLine = code.file().content().substring(brace, end).isBlank();
        edits.insert(isOwnLine ? brace : end, (isOwnLine ? "" : layout.lineEnd()) + text
                + (isOwnLine ? "" : Layout.indentOf(code.file(), code.range(type).start())));
    }

    /** The call of another constructor is moved to where it must stand. */
    private static List<Fix> first(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> statement = site.around().stream()
                .filter(path -> path.getLeaf() instanceof ExpressionStatementTree
                && path.getParentPath().getLeaf() instanceof BlockTree).findFirst();
        return statement.map(path -> {
            BlockTree body = (BlockTree) path.getParentPath().getLeaf();
            List<? extends StatementTree> written = body.getStatements().stream()
                    .filter(one -> code.find(one).isPresent()).toList();
            Range range = code.range(path.getLeaf());
            return List.of(Fix.of("put it first", edits -> {
                int start = code.range(written.get(0)).start();
                edits.insert(start, code.text(range) + Layout.of(code.file())
                        .lineEnd() + Layout.indentOf(code.file(), start));
                edits.remove(range);
            }));
        }).orElse(List.of());
    }

    /** The constructor that nobody wrote cannot declare what the one above throws (JLS 8.8.9). */
    private static List<Fix> throwing(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(ClassTree.class).flatMap(type -> code.element(type)
                .map(element -> ((TypeElement) element).getSuperclass())
                .filter(known -> known instanceof DeclaredType).map(known -> ((DeclaredType) known).asElement())
                .flatMap(element -> ElementFilter.constructorsIn(element.getEnclosedElements()).stream()
                        .filter(known -> known.getParameters().isEmpty()).findFirst())
                .map(above -> List.of(Fix.of("declare a constructor that throws it, too",
                        edits -> constructor(edits, (ClassTree) type.getLeaf(), above,
                        List.<TypeMirror>copyOf(above.getThrownTypes())))))).orElse(List.of());
    }

    /**
     * A method that does not say what it returns: a constructor whose name is misspelt, or with the type of its
     * result.
     */
    private static List<Fix> withoutResult(TreePath path, AttributedFile code) {
        MethodTree method = (MethodTree) path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        Range range = code.range(method);
        int brace = method.getBody() == null ? range.end() : code.range(method.getBody()).start();
        String head = code.text(new Range(range.start(), brace));
        Matcher named = Pattern.compile("(\\w+)\\s*\\(").matcher(head);
        if (!named.find()) {
            return fixes;
        }
        int name = range.start() + named.start(1);
        String own = named.group(1);
        boolean isWord = Set.of("constructor", "init", "__init__", "initialize", "ctor", "initializer").contains(own);
        if (path.getParentPath().getLeaf() instanceof ClassTree type
                && (isWord || Spelling.slips(own, type.getSimpleName().toString()) <= 2 && own.length() > 2)) {
            fixes.add(Fix.of("call it '" + type.getSimpleName() + "'",
                    edits -> edits.replace(new Range(name, name + own.length()), type.getSimpleName().toString())));
        }
        List<TypeMirror> results = results(path, code);
        results.stream().findFirst().ifPresent(type -> fixes.add(Fix.of("let it return " + Conversion.shown(type),
                edits -> edits.insert(name, edits.types().write(type).orElse("Object") + " "))));
        for (String type : results.isEmpty() && code.text(range).contains("return ")
                ? List.of("int", "String", "boolean", "double", "Object") : List.<String>of()) {
            fixes.add(Fix.of("let it return " + type, edits -> edits.insert(name, type + " ")));
        }
        return fixes;
    }

    /** The types of what a method returns, in the order of its statements. */
    private static List<TypeMirror> results(TreePath path, AttributedFile code) {
        List<TypeMirror> results = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitReturn(ReturnTree tree, Void unused) {
                if (tree.getExpression() != null) {
                    TreePath value = new TreePath(getCurrentPath(), tree.getExpression());
                    code.ownType(value).or(() -> code.type(value)).filter(type -> type.getKind() != TypeKind.NULL
                            && type.getKind() != TypeKind.ERROR).ifPresent(results::add);
                }
                return null;
            }
        }.scan(path, null);
        return results;
    }

    /** A constructor of a record that sets the fields itself passes the values to the canonical one (JLS 8.10.4). */
    private static List<Fix> delegating(TreePath path, AttributedFile code) {
        MethodTree constructor = (MethodTree) path.getLeaf();
        Optional<TypeElement> record = code.enclosingType(path);
        List<? extends StatementTree> statements = constructor.getBody().getStatements().stream()
                .filter(one -> code.find(one).isPresent()).toList();
        if (record.isEmpty()) {
            return List.of();
        }
        List<String> values = record.get().getRecordComponents().stream().map(component -> statements.stream()
                .filter(one -> one instanceof ExpressionStatementTree alone
                        && alone.getExpression() instanceof AssignmentTree set
                        && code.text(set.getVariable()).matches("(this\\.)?" + component.getSimpleName()))
                .map(one -> code.text(((AssignmentTree) ((ExpressionStatementTree) one).getExpression())
                        .getExpression()))
                .findFirst().orElse(DefaultValues.of(component.asType()))).toList();
        Range all = statements.isEmpty() ? new Range(code.range(constructor.getBody()).start() + 1,
                code.range(constructor.getBody()).start() + 1)
                : new Range(code.range(statements.get(0)).start(), code.range(statements.get(statements.size() - 1))
                        .end());
        return List.of(Fix.of("call this(" + String.join(", ", values) + ")",
                edits -> edits.replace(all, "this(" + String.join(", ", values) + ");")));
    }

    /** {@code int one(); { return 1; }}. */
    private static List<Fix> detachedBody(TreePath path, AttributedFile code) {
        MethodTree method = (MethodTree) path.getLeaf();
        if (!(path.getParentPath().getLeaf() instanceof ClassTree owner)) {
            return List.of();
        }
        int end = code.range(method).end();
        boolean isFollowed = owner.getMembers().stream()
                .anyMatch(member -> member instanceof BlockTree && code.find(member)
                .filter(range -> range.start() >= end && code.text(new Range(end, range.start())).isBlank())
                .isPresent());
        return isFollowed ? List.of(Fix.of("remove the ';'", edits -> edits.cut(new Range(end - 1, end)))) : List.of();
    }

    /**
     * {@code count = count} of a parameter, {@code this.value = ...} in a compact constructor, a final field that is
     * set in a method.
     */
    private static List<Fix> assigned(ErrorSite site) {
        AttributedFile code = site.code();
        List<Fix> fixes = new ArrayList<>();
        Optional<TreePath> method = site.nearest(MethodTree.class);
        if (site.id().equals("var.might.not.have.been.initialized") && method.isPresent()
                && ((MethodTree) method.get().getLeaf()).getReturnType() == null) {
            MethodTree constructor = (MethodTree) method.get().getLeaf();
            constructor.getBody().getStatements().stream()
                    .filter(one -> code.find(one).isPresent() && one instanceof ExpressionStatementTree alone
                            && alone.getExpression() instanceof AssignmentTree set
                            && set.getVariable() instanceof IdentifierTree name && site.error().message()
                            .contains(" " + name.getName() + " "))
                    .findFirst().ifPresent(one -> fixes.add(
                            Fix.of("assign to the field", edits -> edits.insert(code.range(one).start(), "this."))));
            String field = site.error().message().replaceFirst("^variable (\\w+) .*", "$1");
            constructor.getParameters().stream().filter(parameter -> parameter.getName().contentEquals(field))
                    .findFirst()
                    .ifPresent(parameter -> fixes.add(Fix.of("set it to the parameter",
                            edits -> StatementLines.atEnd(edits, constructor.getBody(),
                            "this." + field + " = " + field + ";"))));
        }
        Optional<TreePath> set = site.nearest(AssignmentTree.class);
        boolean isInRecord = method.flatMap(code::enclosingType).filter(type -> type.getKind() == ElementKind.RECORD)
                .isPresent();
        if (set.isPresent() && ((AssignmentTree) set.get().getLeaf()).getVariable() instanceof MemberSelectTree select
                && isInRecord) {
            Range object = new Range(code.range(select).start(), code.range(select).end() - select.getIdentifier()
                    .length());
            boolean isCompact = method.filter(path -> ((MethodTree) path.getLeaf()).getReturnType() == null)
                    .isPresent();
            if (isCompact) {
                fixes.add(Fix.of("assign to the parameter", edits -> edits.cut(object)));
            }
        }
        if (set.isPresent() && isInRecord && set.get().getParentPath()
                .getLeaf() instanceof ExpressionStatementTree alone
                && method.filter(path -> ((MethodTree) path.getLeaf()).getReturnType() instanceof PrimitiveTypeTree)
                .isPresent()) {
            fixes.add(Fix.of("remove the assignment", edits -> edits.remove(code.range(alone))));
        }
        return fixes;
    }
}
