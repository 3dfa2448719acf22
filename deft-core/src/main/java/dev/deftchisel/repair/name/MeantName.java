package dev.deftchisel.repair.name;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BindingPatternTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.CaseLabels;
import dev.deftchisel.repair.FileTypes;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.PackageElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * A simple name that nobody declares here: a word of another language, a constant or method without its class, a type
 * without {@code new}.
 */
public final class MeantName implements Repair {

    private static final Map<String, String> WORDS = Map.ofEntries(Map.entry("bool", "boolean"),
            Map.entry("Bool", "boolean"),
            Map.entry("Int", "int"), Map.entry("integer", "int"), Map.entry("Char", "char"), Map.entry("str", "String"),
            Map.entry("real", "double"),
            Map.entry("number", "double"), Map.entry("decimal", "double"), Map.entry("unsigned", "int"),
            Map.entry("uint", "int"), Map.entry("auto", "var"),
            Map.entry("True", "true"), Map.entry("False", "false"), Map.entry("TRUE", "true"),
            Map.entry("FALSE", "false"),
            Map.entry("NULL", "null"), Map.entry("Null", "null"), Map.entry("nil", "null"), Map.entry("None", "null"),
            Map.entry("nullptr", "null"),
            Map.entry("undefined", "null"), Map.entry("self", "this"), Map.entry("base", "super"),
            Map.entry("This", "this"), Map.entry("let", "var"), Map.entry("val", "var"),
            Map.entry("Void", "void"), Map.entry("Double", "double"), Map.entry("Overide", "Override"),
            Map.entry("Overrides", "Override"), Map.entry("override", "Override"));
    /** Classes whose static members are often called as if they were imported. */
    private static final List<String> HELPERS = List.of("java.lang.Math", "java.util.stream.Collectors",
            "java.util.Arrays", "java.util.Collections",
            "java.util.Objects", "java.lang.Integer", "java.util.List", "java.util.Map", "java.util.Comparator",
            "java.lang.String", "java.lang.System",
            "java.util.concurrent.TimeUnit", "java.util.Map.Entry", "java.time.LocalDate", "java.lang.Thread",
            "java.lang.Character");

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve", "cant.resolve.args", "cant.resolve.location", "cant.resolve.location.args",
                "doesnt.exist",
                "cant.resolve.location.args.params");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.around().stream().filter(path -> path.getLeaf() instanceof IdentifierTree)
                .findFirst();
        if (site.id().equals("doesnt.exist")) {
            return leftmost(site, code);
        }
        if (found.isEmpty()) {
            return List.of();
        }
        TreePath path = found.get();
        String name = ((IdentifierTree) path.getLeaf()).getName().toString();
        Range range = code.range(path.getLeaf());
        boolean isCall = path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() == path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        printed(path, name, code).ifPresent(fixes::add);
        fixes.addAll(result(path, name, code));
        if (!isCall && WORDS.containsKey(name)) {
            fixes.add(Fix.of("write '" + WORDS.get(name) + "'", edits -> edits.replace(range, WORDS.get(name))));
        }
        if (isCall) {
            made(name, range, site).ifPresent(fixes::add);
            functional(path, name, range, code).ifPresent(fixes::add);
            fixes.addAll(elsewhere(path, name, site));
        } else {
            constant(path, name, range, site).forEach(fixes::add);
            thrown(path, name, range).ifPresent(fixes::add);
            typeParameter(path, name, code).ifPresent(fixes::add);
            arrow(path, range, code).ifPresent(fixes::add);
            constants(path, name, code).ifPresent(fixes::add);
            label(path, name, code).ifPresent(fixes::add);
            collector(path, name, code).ifPresent(fixes::add);
            pattern(path, name, code).ifPresent(fixes::add);
        }
        return fixes;
    }

    /** {@code Console.WriteLine(text)}, {@code out.println(text)}: what other languages print by (java.lang.System). */
    private static Optional<Fix> printed(TreePath path, String name, AttributedFile code) {
        String alone = Map.of("print", "print", "println", "println", "printf", "printf", "echo", "println", "puts",
                "println", "writeln", "println")
                .getOrDefault(name, "");
        if (!alone.isEmpty() && path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() == path.getLeaf()) {
            return Optional.of(Fix.of("write 'System.out." + alone + "'",
                    edits -> edits.replace(code.range(path.getLeaf()), "System.out." + alone)));
        }
        if (!(path.getParentPath().getLeaf() instanceof MemberSelectTree select)
                || select.getExpression() != path.getLeaf()) {
            return Optional.empty();
        }
        String method = select.getIdentifier().toString();
        if (Set.of("out", "err", "in").contains(name)) {
            return Optional.of(Fix.of("write 'System." + name + "'",
                    edits -> edits.insert(code.range(path.getLeaf()).start(), "System.")));
        }
        boolean isPrinter = Set.of("Console", "console", "Debug", "fmt", "std", "sys", "stdout", "printer")
                .contains(name);
        String print;
        if (method.matches("(?i)(write|print)")) {
            print = "print";
        } else if (method.matches("(?i)(writeline|println|log|printline|puts|info|debug)")) {
            print = "println";
        } else if (method.matches("(?i)printf")) {
            print = "printf";
        } else {
            print = "";
        }
        return isPrinter && !print.isEmpty() ? Optional.of(Fix.of("write 'System.out." + print + "'",
                edits -> edits.replace(code.range(select), "System.out." + print))) : Optional.empty();
    }

    /**
     * {@code static function twice(int n)}, and {@code static T <T> first()}, where a type is expected that is not
     * there.
     */
    private static List<Fix> result(TreePath path, String name, AttributedFile code) {
        TreePath type = path.getParentPath().getLeaf() instanceof ParameterizedTypeTree ? path.getParentPath() : path;
        if (!(type.getParentPath().getLeaf() instanceof MethodTree method)
                || method.getReturnType() != type.getLeaf()) {
            return List.of();
        }
        Range range = code.range(type.getLeaf());
        if (type.getLeaf() instanceof ParameterizedTypeTree written && written.getTypeArguments().size() == 1
                && code.text(written.getTypeArguments().get(0)).equals(name) && method.getTypeParameters().isEmpty()) {
            return List.of(Fix.of("write '<" + name + ">' before the type",
                    edits -> edits.replace(range, "<" + name + "> " + name)));
        }
        boolean isWord = Set.of("function", "def", "fun", "func", "fn", "let", "var", "auto", "method", "sub", "proc")
                .contains(name);
        // where the type is an error, so are the values that are to be of it; which type they have is seen when the
        // fixes are planned
        return !isWord ? List.of() : Stream.of("int", "String", "boolean", "double", "void", "Object")
                .map(result -> Fix.of("let it return " + result, edits -> edits.replace(range, result))).toList();
    }

    /** {@code system.out}: what stands first is a type whose name is written otherwise. */
    private static List<Fix> leftmost(ErrorSite site, AttributedFile code) {
        Optional<TreePath> select = site.around().stream().filter(path -> path.getLeaf() instanceof MemberSelectTree)
                .findFirst();
        if (select.isEmpty()) {
            return List.of();
        }
        Tree first = select.get().getLeaf();
        while (first instanceof MemberSelectTree inner) {
            first = inner.getExpression();
        }
        if (!(first instanceof IdentifierTree name)) {
            return List.of();
        }
        Set<String> known = new LinkedHashSet<>();
        code.file().outline().imports().stream().filter(line -> !line.isOnDemand())
                .forEach(line -> known.add(line.simpleName()));
        code.file().outline().types().forEach(type -> known.add(type.name()));
        Stream.of(code.elements().getPackageElement("java.lang"), code.elements()
                .getPackageElement(code.file().header().packageName()))
                .filter(home -> home != null).map(PackageElement::getEnclosedElements)
                .forEach(types -> types.forEach(type -> known.add(type.getSimpleName().toString())));
        code.visible(select.get()).stream().filter(element -> element instanceof VariableElement)
                .forEach(element -> known.add(element.getSimpleName().toString()));
        Range range = code.range(first);
        return Spelling.near(name.getName().toString(), known).stream().limit(2)
                .map(near -> Fix.of("write '" + near + "'", edits -> edits.replace(range, near))).toList();
    }

    /** {@code StringBuilder("ab")}. */
    private static Optional<Fix> made(String name, Range range, ErrorSite site) {
        boolean isType = Character.isUpperCase(name.charAt(0))
                && (site.code().file().outline().types().stream().anyMatch(type -> type.name().equals(name))
                || !site.analysis().typesCalled(name, site.code().file().path()).isEmpty());
        return isType ? Optional.of(Fix.of("add 'new'", edits -> edits.insert(range.start(), "new ")))
                : Optional.empty();
    }

    /** {@code twice(4)} where a variable holds a function. */
    private static Optional<Fix> functional(TreePath path, String name, Range range, AttributedFile code) {
        return code.visible(path).stream().filter(element -> element instanceof VariableElement
                && element.getSimpleName().contentEquals(name))
                .flatMap(element -> function(element.asType(), code).stream()).findFirst()
                .map(method -> Fix.of("call its method '" + method.getSimpleName() + "'",
                        edits -> edits.insert(range.end(), "." + method.getSimpleName())));
    }

    /** The one abstract method of an interface (JLS 9.8). */
    public static Optional<ExecutableElement> function(TypeMirror type, AttributedFile code) {
        if (!(type instanceof DeclaredType declared) || !declared.asElement().getKind().isInterface()) {
            return Optional.empty();
        }
        List<ExecutableElement> all = code.elements().getAllMembers((TypeElement) declared.asElement()).stream()
                .filter(member -> member.getKind() == ElementKind.METHOD && member.getModifiers()
                        .contains(Modifier.ABSTRACT))
                .map(member -> (ExecutableElement) member)
                .filter(method -> !Set.of("equals", "hashCode", "toString").contains(method.getSimpleName().toString()))
                .toList();
        return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
    }

    /** A static method of another class of the file, of an imported one, or of one that is often used. */
    private static List<Fix> elsewhere(TreePath path, String name, ErrorSite site) {
        AttributedFile code = site.code();
        Set<TypeElement> types = FileTypes.of(code);
        Stream.concat(code.file().outline().imports().stream().filter(line -> !line.isStatic() && !line.isOnDemand())
                .map(line -> line.name()),
                HELPERS.stream()).map(code.elements()::getTypeElement).filter(type -> type != null).forEach(types::add);
        int count = ((MethodInvocationTree) path.getParentPath().getLeaf()).getArguments().size();
        List<Fix> fixes = new ArrayList<>();
        for (TypeElement type : types) {
            boolean has = type.getEnclosedElements().stream()
                    .anyMatch(member -> member instanceof ExecutableElement method
                    && method.getSimpleName().contentEquals(name) && method.getModifiers().contains(Modifier.STATIC)
                    && (method.getParameters().size() == count || method.isVarArgs()));
            if (has) {
                fixes.add(Fix.of("write '" + type.getSimpleName() + "." + name + "'", edits -> others(type, site)
                        .forEach(at -> edits.insert(at, edits.types().name(type) + "."))));
            }
        }
        return fixes.stream().limit(3).toList();
    }

    /** Where else in the file a method of the type is called as if it were imported. */
    private static List<Integer> others(TypeElement type, ErrorSite site) {
        AttributedFile code = site.code();
        List<Integer> places = new ArrayList<>();
        for (CompilerError error : site.analysis().errors(code.file().path())) {
            String name = code.text(error.range());
            boolean isOfType = error.code().endsWith("cant.resolve.location.args") && error.range()
                    .start() == error.whole().start()
                    && type.getEnclosedElements().stream().anyMatch(member -> member instanceof ExecutableElement
                    && member.getSimpleName().contentEquals(name) && member.getModifiers().contains(Modifier.STATIC));
            if (isOfType && !places.contains(error.range().start())) {
                places.add(error.range().start());
            }
        }
        if (!places.contains(site.error().range().start())) {
            places.add(site.error().range().start());
        }
        return places;
    }

    /** A constant of an enum or class of the file. */
    private static List<Fix> constant(TreePath path, String name, Range range, ErrorSite site) {
        AttributedFile code = site.code();
        Set<TypeElement> types = FileTypes.of(code);
        TargetType.of(path, site.code()).map(TargetType::type).filter(type -> type instanceof DeclaredType)
                .map(type -> (TypeElement) ((DeclaredType) type).asElement()).ifPresent(types::add);
        Stream.of("java.lang.Math", "java.lang.Integer", "java.util.concurrent.TimeUnit",
                "java.nio.charset.StandardCharsets").map(code.elements()::getTypeElement)
                .filter(type -> type != null).forEach(types::add);
        return types.stream().filter(type -> type.getEnclosedElements().stream()
                .anyMatch(member -> member.getKind().isField()
                        && member.getSimpleName().contentEquals(name) && member.getModifiers()
                        .contains(Modifier.STATIC)))
                .limit(2)
                .map(type -> Fix.of("write '" + type.getSimpleName() + "." + name + "'",
                        edits -> edits.replace(range, edits.types().name(type) + "." + name)))
                .toList();
    }

    /** {@code collect(List)}. */
    private static Optional<Fix> collector(TreePath path, String name, AttributedFile code) {
        boolean isCollected = path.getParentPath().getLeaf() instanceof MethodInvocationTree call && call.getArguments()
                .contains(path.getLeaf())
                && code.text(call.getMethodSelect()).endsWith(".collect") && Set.of("List", "Set", "toList", "toSet")
                .contains(name);
        String method = name.startsWith("to") ? name : "to" + name;
        return isCollected ? Optional.of(Fix.of("collect by '" + method + "'",
                edits -> edits.replace(code.range(path.getLeaf()),
                edits.types().name(code.elements().getTypeElement("java.util.stream.Collectors")) + "." + method
                + "()"))) : Optional.empty();
    }

    /** {@code case ferry:} of a switch over strings. */
    private static Optional<Fix> label(TreePath path, String name, AttributedFile code) {
        TreePath branch = CaseLabels.branch(path);
        TreePath choice = branch.getParentPath();
        boolean isOfText = branch.getLeaf() instanceof CaseTree
                && (choice.getLeaf() instanceof SwitchTree || choice.getLeaf() instanceof SwitchExpressionTree)
                && code.type(new TreePath(choice, TreePaths.chosenFrom(choice.getLeaf())))
                .filter(type -> NamedTypes.is(type, "java.lang.String")).isPresent();
        return isOfText ? Optional.of(Fix.of("write \"" + name + "\"",
                edits -> edits.replace(code.range(path.getLeaf()), "\"" + name + "\""))) : Optional.empty();
    }

    /**
     * {@code for (Quay quay : Quay)}, {@code Quay[1]}: the constants of a type are what it gives as its values (JLS
     * 8.9.3).
     */
    private static Optional<Fix> constants(TreePath path, String name, AttributedFile code) {
        boolean isIndexed = path.getParentPath().getLeaf() instanceof ArrayAccessTree access
                && access.getExpression() == path.getLeaf()
                && FileTypes.of(code).stream().anyMatch(type -> type.getKind() == ElementKind.ENUM
                        && type.getSimpleName().contentEquals(name));
        if (isIndexed) {
            return Optional.of(Fix.of("take it of its constants",
                    edits -> edits.insert(code.range(path.getLeaf()).end(), ".values()")));
        }
        boolean isEnum = path.getParentPath().getLeaf() instanceof EnhancedForLoopTree && (FileTypes.of(code).stream()
                .anyMatch(type -> type.getKind() == ElementKind.ENUM && type.getSimpleName().contentEquals(name))
                || code.visible(path).stream().anyMatch(type -> type.getKind() == ElementKind.ENUM
                        && type.getSimpleName().contentEquals(name))
                || path.getParentPath().getLeaf() instanceof EnhancedForLoopTree loop
                && code.text(loop.getVariable().getType()).equals(name));
        return isEnum ? Optional.of(Fix.of("go over its constants",
                edits -> edits.insert(code.range(path.getLeaf()).end(), ".values()"))) : Optional.empty();
    }

    /** {@code throw Full;}. */
    private static Optional<Fix> thrown(TreePath path, String name, Range range) {
        boolean isThrown = path.getParentPath().getLeaf() instanceof ThrowTree && Character.isUpperCase(name.charAt(0));
        return isThrown ? Optional.of(Fix.of("throw a new one", edits -> edits.replace(range, "new " + name + "()")))
                : Optional.empty();
    }

    /** A single capital letter in the head of a method is a type parameter that was not declared. */
    private static Optional<Fix> typeParameter(TreePath path, String name, AttributedFile code) {
        if (!name.matches("[A-Z]\\d?")) {
            return Optional.empty();
        }
        for (TreePath at = path; at != null; at = at.getParentPath()) {
            if (at.getLeaf() instanceof MethodTree method) {
                boolean hasOthers = !method.getTypeParameters().isEmpty();
                return Optional.of(Fix.of("declare the type parameter '" + name + "'", edits -> {
                    if (hasOthers) {
                        edits.insert(code.range(method.getTypeParameters().get(method.getTypeParameters().size() - 1))
                                .end(), ", " + name);
                    } else {
                        edits.insert(method.getReturnType() == null ? code.name(method).start()
                                : code.range(method.getReturnType()).start(), "<" + name + "> ");
                    }
                }));
            } else if (at.getLeaf() instanceof ClassTree owner) {
                return owner.getTypeParameters().isEmpty() && !owner.getSimpleName().isEmpty()
                        ? Optional.of(Fix.of("declare the type parameter '" + name + "'",
                        edits -> edits.insert(code.name(owner).end(), "<" + name + ">"))) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    /**
     * {@code o instanceof String s || s.isEmpty()}: what a pattern binds is there only where it matches (JLS 6.3.1).
     */
    private static Optional<Fix> pattern(TreePath path, String name, AttributedFile code) {
        for (TreePath at = path; at.getParentPath() != null; at = at.getParentPath()) {
            if (at.getParentPath().getLeaf() instanceof BinaryTree both && both.getKind() == Tree.Kind.CONDITIONAL_OR
                    && both.getRightOperand() == at.getLeaf()
                    && binds(both.getLeftOperand(), name)) {
                Range sign = new Range(code.range(both.getLeftOperand()).end(), code.range(both.getRightOperand())
                        .start());
                return Optional.of(Fix.of("write '&&'", edits -> edits.replace(sign, " && ")));
            }
        }
        return Optional.empty();
    }

    private static boolean binds(ExpressionTree condition, String name) {
        return Boolean.TRUE.equals(new TreeScanner<Boolean, Void>() {
            @Override
            public Boolean visitBindingPattern(BindingPatternTree tree, Void unused) {
                return tree.getVariable().getName().contentEquals(name);
            }

            @Override
            public Boolean reduce(Boolean one, Boolean other) {
                return Boolean.TRUE.equals(one) || Boolean.TRUE.equals(other);
            }
        }.scan(condition, null));
    }

    /** {@code n - use(n)} where a function is expected. */
    private static Optional<Fix> arrow(TreePath path, Range range, AttributedFile code) {
        boolean isLeft = path.getParentPath().getLeaf() instanceof BinaryTree minus
                && minus.getKind() == Tree.Kind.MINUS
                && minus.getLeftOperand() == path.getLeaf()
                && path.getParentPath().getParentPath().getLeaf() instanceof MethodInvocationTree;
        int at = isLeft ? code.tokens().code(code.tokens().at(range.start()) + 1) : -1;
        return isLeft ? Optional.of(Fix.of("write '->'", edits -> edits.replace(code.tokens().range(at), "->")))
                : Optional.empty();
    }
}
