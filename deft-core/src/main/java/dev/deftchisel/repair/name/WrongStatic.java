package dev.deftchisel.repair.name;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.Modifier;

/**
 * Static code that asks for an object: {@code this}, an inner class, a type parameter, a method of an object (JLS
 * 8.1.3, 15.8.3).
 */
public final class WrongStatic implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("non-static.cant.be.ref", "prob.found.req", "invalid.mref", "encl.class.required",
                "incompatible.types", "cant.apply.symbol", "cant.apply.symbols");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        List<Fix> fixes = new ArrayList<>();
        if (site.id().startsWith("cant.apply")) {
            return selected(site);
        }
        site.nearest(MemberReferenceTree.class).ifPresent(path -> method(path, site).ifPresent(fixes::add));
        if (!site.id().equals("non-static.cant.be.ref") && !site.id().equals("encl.class.required")) {
            return fixes;
        }
        site.nearest(MemberSelectTree.class).filter(path -> ((MemberSelectTree) path.getLeaf())
                .getExpression() instanceof IdentifierTree name
                && name.getName().contentEquals("this")).ifPresent(path -> {
                    Range object = new Range(code.range(path.getLeaf()).start(), code.range(path.getLeaf()).end()
                            - ((MemberSelectTree) path.getLeaf()).getIdentifier().length());
                    fixes.add(Fix.of("leave out 'this'", edits -> edits.cut(object)));
                });
        Optional<TreePath> made = site.nearest(NewClassTree.class);
        made.flatMap(path -> code.element(new TreePath(path, ((NewClassTree) path.getLeaf()).getIdentifier()))
                .or(() -> code.element(path).map(Element::getEnclosingElement)))
                .flatMap(site.context().names()::declaration).filter(path -> path.getLeaf() instanceof ClassTree type
                        && !type.getModifiers().getFlags().contains(Modifier.STATIC))
                .ifPresent(path -> fixes.add(Fix.of("make the class '" + ((ClassTree) path.getLeaf())
                        .getSimpleName() + "' static",
                        edits -> ModifierWords.add(edits, path.getLeaf(), "static"))));
        typeParameters(site).ifPresent(fixes::add);
        field(site).ifPresent(fixes::add);
        return fixes;
    }

    /** {@code comparing(Leg.miles)}: a function is passed by {@code ::}. */
    private static List<Fix> selected(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(MethodInvocationTree.class).stream()
                .flatMap(path -> ((MethodInvocationTree) path.getLeaf()).getArguments().stream()
                .filter(argument -> argument instanceof MemberSelectTree select
                        && code.element(new TreePath(new TreePath(path, argument), select.getExpression()))
                        .filter(element -> element.getKind().isClass()
                        || element.getKind().isInterface()).isPresent()
                        && code.element(new TreePath(path, argument))
                        .filter(element -> !element.getModifiers().contains(Modifier.STATIC)).isPresent())
                .map(argument -> (MemberSelectTree) argument)
                .map(select -> Fix.of("write '::'", edits ->
                        edits.replace(new Range(code.range(select.getExpression()).end(), code.range(select).end()),
                        "::" + select.getIdentifier())))).toList();
    }

    /** {@code Main::twice} of a method that is not static. */
    private static Optional<Fix> method(TreePath path, ErrorSite site) {
        AttributedFile code = site.code();
        MemberReferenceTree reference = (MemberReferenceTree) path.getLeaf();
        return code.element(new TreePath(path, reference.getQualifierExpression()))
                .flatMap(site.context().names()::declaration)
                .filter(found -> found.getLeaf() instanceof ClassTree)
                .flatMap(found -> ((ClassTree) found.getLeaf()).getMembers().stream()
                        .filter(member -> member instanceof MethodTree method && method.getName()
                                .equals(reference.getName())
                                && !method.getModifiers().getFlags().contains(Modifier.STATIC)).findFirst())
                .map(member -> Fix.of("make '" + reference.getName() + "' static",
                        edits -> ModifierWords.add(edits, member, "static")));
    }

    /** {@code static T content;}: each object has what it holds by itself. */
    private static Optional<Fix> field(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(VariableTree.class).filter(path -> site.error().message().contains("type variable")
                && path.getParentPath().getLeaf() instanceof ClassTree
                        && ((VariableTree) path.getLeaf()).getModifiers().getFlags().contains(Modifier.STATIC))
                .map(path -> Fix.of("let '" + ((VariableTree) path.getLeaf()).getName() + "' be no longer static",
                        edits -> ModifierWords.remove(edits, code.range(((VariableTree) path.getLeaf()).getModifiers()),
                                "static")));
    }

    /** A static method that uses the type parameters of its class declares its own. */
    private static Optional<Fix> typeParameters(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> method = site.nearest(MethodTree.class);
        Optional<TreePath> type = site.nearest(ClassTree.class);
        if (!site.error().message().contains("type variable") || method.isEmpty() || type.isEmpty()) {
            return Optional.empty();
        }
        String parameters = ((ClassTree) type.get().getLeaf()).getTypeParameters().stream().map(code::text)
                .collect(Collectors.joining(", "));
        MethodTree tree = (MethodTree) method.get().getLeaf();
        return parameters.isEmpty() || tree.getReturnType() == null || !tree.getTypeParameters().isEmpty()
                ? Optional.empty()
                : Optional.of(Fix.of("declare <" + parameters + "> for the method",
                edits -> edits.insert(code.range(tree.getReturnType()).start(), "<" + parameters + "> ")));
    }
}
