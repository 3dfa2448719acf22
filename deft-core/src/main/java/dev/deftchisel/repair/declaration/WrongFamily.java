package dev.deftchisel.repair.declaration;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Supertypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.util.ElementFilter;

/**
 * Types that do not go with those above or below them, members that must not be there, modifiers and annotations (JLS
 * 8.1, 8.10, 9.6).
 */
public final class WrongFamily implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.inherit.from.sealed", "non.sealed.sealed.or.final.expected",
                "non.sealed.or.sealed.expected", "invalid.permits.clause",
                "sealed.class.must.have.subclasses", "record.cannot.declare.instance.fields", "cyclic.inheritance",
                "already.defined", "duplicate.class",
                "override.meth", "override.static", "method.does.not.override.superclass", "does.not.override.abstract",
                "bad.functional.intf.anno", "bad.functional.intf.anno.1",
                "annotation.type.not.applicable", "annotation.type.not.applicable.to.type",
                "annotation.missing.default.value", "annotation.missing.default.value.1",
                "illegal.combination.of.modifiers", "mod.not.allowed.here", "annotation.not.valid.for.type",
                "duplicate.annotation.missing.container",
                "annotation.value.must.be.name.value", "cant.inherit.from.final", "non.sealed.with.no.sealed.supertype",
                "name.clash.same.erasure.no.override",
                "call.to.super.not.allowed.in.enum.ctor", "enum.no.subclassing", "record.cant.declare.field.modifiers",
                "instance.initializer.not.allowed.in.records");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> type = site.nearest(ClassTree.class);
        Optional<TreePath> method = site.nearest(MethodTree.class);
        return switch (site.id()) {
            case "cant.inherit.from.sealed" -> type.map(path -> permitted(path, site)).orElse(List.of());
            case "non.sealed.sealed.or.final.expected",
                    "non.sealed.or.sealed.expected" -> type.map(path -> closed(path)).orElse(List.of());
            case "invalid.permits.clause" -> permits(site);
            case "sealed.class.must.have.subclasses" ->
                    type.map(path -> List.of(word(path, code, "sealed", "let it be not sealed"))).orElse(List.of());
            case "non.sealed.with.no.sealed.supertype" ->
                    type.map(path -> List.of(word(path, code, "non-sealed", "let it be not non-sealed")))
                    .orElse(List.of());
            case "record.cannot.declare.instance.fields" -> site.nearest(VariableTree.class)
                    .map(path -> field(path, code)).orElse(List.of());
            case "cyclic.inheritance" -> type.map(path -> withoutSuperclass(path, code)).orElse(List.of());
            case "already.defined", "duplicate.class" -> type.map(path -> twice(path, site)).orElse(List.of());
            case "override.meth", "override.static" -> method.map(path -> overridden(path, site)).orElse(List.of());
            case "method.does.not.override.superclass", "does.not.override.abstract",
                    "name.clash.same.erasure.no.override" -> meantOverride(site);
            case "bad.functional.intf.anno", "bad.functional.intf.anno.1", "annotation.type.not.applicable",
                    "annotation.type.not.applicable.to.type",
                    "duplicate.annotation.missing.container" -> annotation(site);
            case "annotation.missing.default.value", "annotation.missing.default.value.1" -> value(site);
            case "illegal.combination.of.modifiers", "mod.not.allowed.here" -> modifiers(site);
            default -> List.of();
        };
    }

    /** The sealed type lets the class in. */
    private static List<Fix> permitted(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        ClassTree own = (ClassTree) path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        List<Tree> above = new ArrayList<>(own.getImplementsClause());
        Optional.ofNullable(own.getExtendsClause()).ifPresent(above::add);
        for (Tree tree : above) {
            site.declaration(new TreePath(path, tree))
                    .filter(found -> found.getLeaf() instanceof ClassTree type && !type.getPermitsClause().isEmpty())
                    .ifPresent(found -> {
                        List<? extends Tree> all = ((ClassTree) found.getLeaf()).getPermitsClause();
                        fixes.add(Fix.of("let '" + ((ClassTree) found.getLeaf()).getSimpleName() + "' permit it",
                                edits -> {
                            edits.insert(code.range(all.get(all.size() - 1)).end(), ", " + own.getSimpleName());
                            boolean isOpen = own.getKind() == Tree.Kind.CLASS && own.getModifiers().getFlags().stream()
                                    .noneMatch(flag ->
                                    flag == Modifier.FINAL || flag == Modifier.SEALED || flag == Modifier.NON_SEALED);
                            if (isOpen) {
                                ModifierWords.add(edits, own, "final");
                            }
                        }));
                    });
        }
        return fixes;
    }

    /** What a sealed type permits says whether it goes on. */
    private static List<Fix> closed(TreePath path) {
        ClassTree type = (ClassTree) path.getLeaf();
        Fix open = Fix.of("make it non-sealed", edits -> ModifierWords.add(edits, type, "non-sealed"));
        return type.getKind() == Tree.Kind.INTERFACE ? List.of(open)
                : List.of(Fix.of("make it final", edits -> ModifierWords.add(edits, type, "final")), open);
    }

    /** What is permitted and does not extend the type. */
    private static List<Fix> permits(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> named = site.around().stream().filter(path -> path.getLeaf() instanceof ExpressionTree
                && path.getParentPath().getLeaf() instanceof ClassTree).findFirst();
        if (named.isEmpty()) {
            return List.of();
        }
        ClassTree sealed = (ClassTree) named.get().getParentPath().getLeaf();
        List<Fix> fixes = new ArrayList<>();
        boolean isInterface = sealed.getKind() == Tree.Kind.INTERFACE;
        site.declaration(named.get()).filter(found -> found.getLeaf() instanceof ClassTree).ifPresent(found -> {
            ClassTree type = (ClassTree) found.getLeaf();
            boolean hasOthers = !type.getImplementsClause().isEmpty();
            String heading = code.text(new Range(code.range(type).start(), code.range(type).end()));
            int brace = code.range(type).start() + heading.indexOf('{');
            int end = brace - (code.file().content().charAt(brace - 1) == ' ' ? 1 : 0);
            fixes.add(Fix.of("let '" + type.getSimpleName() + "' " + (isInterface ? "implement" : "extend") + " it",
                    edits -> {
                if (hasOthers && isInterface) {
                    edits.insert(code.range(type.getImplementsClause().get(type.getImplementsClause().size() - 1))
                            .end(), ", " + sealed.getSimpleName());
                } else {
                    edits.insert(end, (isInterface ? " implements " : " extends ") + sealed.getSimpleName());
                }
                boolean isOpen = type.getKind() == Tree.Kind.CLASS && !type.getModifiers().getFlags()
                        .contains(Modifier.FINAL);
                if (isOpen) {
                    ModifierWords.add(edits, type, "final");
                }
            }));
        });
        int index = sealed.getPermitsClause().indexOf(named.get().getLeaf());
        if (index >= 0 && sealed.getPermitsClause().size() > 1) {
            fixes.add(Fix.of("do not permit it", edits -> edits.cut(sealed.getPermitsClause(), index)));
        }
        return fixes;
    }

    private static Fix word(TreePath path, AttributedFile code, String word, String title) {
        return Fix.of(title, edits -> ModifierWords.remove(edits,
                code.range(((ClassTree) path.getLeaf()).getModifiers()), word));
    }

    /** A record has no fields but its components: a method, or one for all. */
    private static List<Fix> field(TreePath path, AttributedFile code) {
        VariableTree field = (VariableTree) path.getLeaf();
        List<Fix> fixes = new ArrayList<>();
        if (field.getInitializer() != null) {
            fixes.add(Fix.of("make it a method", edits -> {
                edits.replace(new Range(code.name(field).end(), code.range(field).end()),
                        to -> to.write("() { return ").carry(code.range(field.getInitializer())).write("; }"));
                called(field, path, code).forEach(end -> edits.insert(end, "()"));
            }));
        }
        fixes.add(Fix.of("make it static", edits -> ModifierWords.add(edits, field, "static")));
        fixes.add(Fix.of("remove it", edits -> edits.remove(code.range(field))));
        return fixes;
    }

    /** Where the names end by which the record itself uses a field. */
    private static List<Integer> called(VariableTree field, TreePath path, AttributedFile code) {
        List<Integer> ends = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                boolean isLocal = code.element(getCurrentPath()).filter(element -> !element.getKind().isField())
                        .isPresent();
                if (tree.getName().equals(field.getName()) && !isLocal) {
                    ends.add(code.range(tree).end());
                }
                return null;
            }

            @Override
            public Void visitMemberSelect(MemberSelectTree tree, Void unused) {
                if (tree.getIdentifier().equals(field.getName()) && tree.getExpression().toString().equals("this")) {
                    ends.add(code.range(tree).end());
                }
                return super.visitMemberSelect(tree, null);
            }
        }.scan(path.getParentPath(), null);
        return ends;
    }

    private static List<Fix> withoutSuperclass(TreePath path, AttributedFile code) {
        ClassTree type = (ClassTree) path.getLeaf();
        return type.getExtendsClause() == null ? List.of() : List.of(Fix.of("extend nothing", edits -> {
            int word = code.tokens().codeBefore(code.tokens().at(code.range(type.getExtendsClause()).start()) - 1);
            int before = code.tokens().end(code.tokens().codeBefore(word - 1));
            edits.cut(new Range(before, code.range(type.getExtendsClause()).end()));
        }));
    }

    /** A class that is there already. */
    private static List<Fix> twice(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        ClassTree type = (ClassTree) path.getLeaf();
        boolean isOfType = site.error().message().startsWith("class") || site.error().message()
                .startsWith("duplicate class")
                || site.error().message().matches("(interface|enum|record) .*");
        if (!isOfType) {
            return List.of();
        }
        return List.of(Fix.of("remove it", edits ->
                edits.remove(Layout.withDocumentation(code.file(), code.range(type)))),
                Fix.of("call it '" + type.getSimpleName() + "2'",
                        edits -> edits.replace(code.name(type), type.getSimpleName() + "2")));
    }

    /** What keeps the method above from being overridden goes, or comes here, too. */
    private static List<Fix> overridden(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        MethodTree method = (MethodTree) path.getLeaf();
        Optional<TreePath> above = code.element(path).filter(element -> element instanceof ExecutableElement)
                .map(element -> (ExecutableElement) element)
                .flatMap(own -> Supertypes.of((TypeElement) own.getEnclosingElement(), code.types()).stream()
                        .flatMap(type -> ElementFilter.methodsIn(type.getEnclosedElements()).stream())
                        .filter(other -> other.getSimpleName().equals(own.getSimpleName()) && other.getParameters()
                                .size() == own.getParameters().size())
                        .findFirst())
                .flatMap(site.context().names()::declaration).filter(found -> found.getLeaf() instanceof MethodTree);
        List<Fix> fixes = new ArrayList<>();
        above.map(found -> (MethodTree) found.getLeaf()).ifPresent(tree -> {
            Set<Modifier> flags = tree.getModifiers().getFlags();
            if (flags.contains(Modifier.FINAL)) {
                fixes.add(Fix.of("let the one above be not final",
                        edits -> ModifierWords.remove(edits, code.range(tree.getModifiers()), "final")));
            }
            if (flags.contains(Modifier.STATIC) && !method.getModifiers().getFlags().contains(Modifier.STATIC)) {
                fixes.add(Fix.of("make it static", edits -> ModifierWords.add(edits, method, "static")));
                fixes.add(Fix.of("let the one above be not static",
                        edits -> ModifierWords.remove(edits, code.range(tree.getModifiers()), "static")));
            }
        });
        return fixes;
    }

    /** A method of the name above that has other parameters or another result than this one was meant to have. */
    private static List<Fix> meantOverride(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> type = site.nearest(ClassTree.class);
        Optional<TreePath> at = site.nearest(MethodTree.class);
        if (type.isEmpty() || !(code.element(type.get()).orElse(null) instanceof TypeElement owner)) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        for (Tree member : ((ClassTree) type.get().getLeaf()).getMembers()) {
            TreePath path = new TreePath(type.get(), member);
            boolean isHere = at.isEmpty() || at.get().getLeaf() == member;
            if (!(member instanceof MethodTree method) || code.find(member).isEmpty() || !isHere
                    || method.getReturnType() == null) {
                continue;
            }
            boolean isMissing = site.id().equals("does.not.override.abstract");
            ElementFilter.methodsIn(code.elements().getAllMembers(owner)).stream()
                    .filter(other -> isMissing && other.getModifiers().contains(Modifier.ABSTRACT)
                            && other.getParameters().size() == method.getParameters().size()
                            && !other.getSimpleName().equals(method.getName())
                            && !Spelling.near(method.getName().toString(), List.of(other.getSimpleName().toString()))
                            .isEmpty())
                    .findFirst().ifPresent(other -> fixes.add(
                            Fix.of("call '" + method.getName() + "' '" + other.getSimpleName() + "'",
                            edits -> edits.replace(code.name(method), other.getSimpleName().toString()))));
            Supertypes.of(owner, code.types()).stream()
                    .flatMap(above -> ElementFilter.methodsIn(above.getEnclosedElements()).stream())
                    .filter(other -> other.getSimpleName().equals(method.getName()) && other.getParameters()
                            .size() == method.getParameters().size()
                            && !other.getModifiers().contains(Modifier.FINAL) && !other.getModifiers()
                            .contains(Modifier.STATIC)
                            && !(isMissing && hasSameParameters(path, owner, other, code)))
                    .findFirst()
                    .ifPresent(other -> fixes.add(Fix.of("let '" + method.getName() + "' be as the one above is",
                            edits -> like(edits, path, owner, other))));
        }
        return fixes;
    }

    private static boolean hasSameParameters(TreePath path, TypeElement owner, ExecutableElement other,
            AttributedFile code) {
        return code.element(path).filter(own -> own instanceof ExecutableElement method && code.types()
                .isSubsignature((ExecutableType) method.asType(),
                (ExecutableType) code.types().asMemberOf((DeclaredType) owner.asType(), other))).isPresent();
    }

    private static void like(FixEdits edits, TreePath path, TypeElement owner, ExecutableElement other) {
        AttributedFile code = edits.code();
        MethodTree method = (MethodTree) path.getLeaf();
        ExecutableType wanted = (ExecutableType) code.types().asMemberOf((DeclaredType) owner.asType(), other);
        IntStream.range(0, method.getParameters().size()).forEach(i -> {
            VariableTree parameter = method.getParameters().get(i);
            boolean isSame = code.type(new TreePath(new TreePath(path, parameter), parameter.getType()))
                    .filter(known -> code.types().isSameType(known, wanted.getParameterTypes().get(i))).isPresent();
            if (!isSame) {
                edits.types().write(wanted.getParameterTypes().get(i)).ifPresent(text -> {
                    // a value that was of the type in question is cast to it
                    edits.replace(code.range(parameter.getType()), text);
                    casts(edits, path, parameter);
                });
            }
        });
        boolean isSameResult = code.type(new TreePath(path, method.getReturnType()))
                .filter(known -> code.types().isSubtype(known, wanted.getReturnType()) || code.types()
                        .isSameType(known, wanted.getReturnType())).isPresent();
        if (!isSameResult) {
            edits.types().write(wanted.getReturnType())
                    .ifPresent(text -> edits.replace(code.range(method.getReturnType()), text));
        }
        if (other.getModifiers().contains(Modifier.PUBLIC) && !method.getModifiers().getFlags()
                .contains(Modifier.PUBLIC)) {
            ModifierWords.add(edits, method, "public");
        }
    }

    /**
     * {@code equals(Berth other)} becomes {@code equals(Object other)}: uses of a member of the parameter get a cast.
     */
    private static void casts(FixEdits edits, TreePath path, VariableTree parameter) {
        AttributedFile code = edits.code();
        String type = code.text(parameter.getType());
        boolean isWidened = code.element(new TreePath(path, parameter)).map(Element::asType)
                .filter(known -> known instanceof DeclaredType
                && !type.equals("Object")).isPresent();
        if (isWidened) {
            code.occurrences(path).stream()
                    .filter(one -> one.variable().getSimpleName().contentEquals(parameter.getName())
                            && one.path().getParentPath().getLeaf() instanceof MemberSelectTree)
                    .forEach(one -> edits.replace(code.range(one.path().getLeaf()), "((" + type + ") "
                            + parameter.getName() + ")"));
        }
    }

    private static List<Fix> annotation(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(AnnotationTree.class)
                .map(path -> List.of(Fix.of("remove '" + code.shown(code.range(path.getLeaf()), 30) + "'",
                edits -> edits.remove(code.range(path.getLeaf()))))).orElse(List.of());
    }

    private static List<Fix> value(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> found = site.nearest(AnnotationTree.class);
        Optional<List<ExecutableElement>> missing =
                found.flatMap(path -> code.element(new TreePath(path, ((AnnotationTree) path.getLeaf())
                        .getAnnotationType())))
                .map(element -> ElementFilter.methodsIn(element.getEnclosedElements()).stream()
                        .filter(method -> method.getDefaultValue() == null).toList());
        if (missing.isEmpty() || missing.get().isEmpty()) {
            return List.of();
        }
        AnnotationTree annotation = (AnnotationTree) found.get().getLeaf();
        boolean isValue = missing.get().size() == 1 && missing.get().get(0).getSimpleName().contentEquals("value")
                && annotation.getArguments().isEmpty();
        String text = isValue ? DefaultValues.of(missing.get().get(0).getReturnType()) : missing.get().stream()
                .filter(method -> annotation.getArguments().stream()
                        .noneMatch(argument -> code.text(argument).startsWith(method.getSimpleName().toString())))
                .map(method -> method.getSimpleName() + " = " + DefaultValues.of(method.getReturnType()))
                .reduce((one, other) -> one + ", " + other).orElse("");
        String written = text.replace("null", "\"\"");
        return List.of(Fix.of("give it " + written, edits -> {
            Range range = code.range(annotation);
            boolean hasParentheses = code.text(range).endsWith(")");
            edits.insert(hasParentheses ? range.end() - 1 : range.end(), hasParentheses
                    ? (annotation.getArguments().isEmpty() ? "" : ", ") + written
                    : "(" + written + ")");
        }));
    }

    /** Each modifier that may be too many, the first one first. */
    private static List<Fix> modifiers(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<ModifiersTree> modifiers = site.around().stream().map(TreePath::getLeaf)
                .filter(tree -> tree instanceof MethodTree || tree instanceof VariableTree || tree instanceof ClassTree)
                .map(tree -> tree instanceof MethodTree method ? method.getModifiers()
                        : tree instanceof VariableTree variable ? variable.getModifiers()
                        : ((ClassTree) tree).getModifiers()).findFirst();
        return modifiers.flatMap(code::find).map(range -> site.error().message().lines()
                .flatMap(line -> Arrays.stream(line.split("\\W+")))
                .filter(word -> Set.of("public", "private", "protected", "static", "final", "abstract", "default",
                        "synchronized", "sealed", "native",
                        "volatile", "transient").contains(word) && ModifierWords.find(code, range, word).isPresent())
                .distinct().map(word -> Fix.of("remove '" + word + "'",
                        edits -> ModifierWords.remove(edits, range, word))).toList()).orElse(List.of());
    }
}
