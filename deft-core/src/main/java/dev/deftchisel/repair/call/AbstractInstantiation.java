package dev.deftchisel.repair.call;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.FileTypes;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.rewrite.Layout;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.ExecutableType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.util.ElementFilter;

/** Objects of abstract classes, interfaces and enums, which cannot be made with {@code new} (JLS 8.9, 15.9.1). */
public final class AbstractInstantiation implements Repair {

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
        return Set.of("abstract.cant.be.instantiated", "enum.cant.be.instantiated");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return site.nearest(NewClassTree.class)
                .map(path -> site.id().equals("enum.cant.be.instantiated")
                        ? ofEnum(path, site.code()) : ofAbstract(path, site))
                .orElse(List.of());
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
}
