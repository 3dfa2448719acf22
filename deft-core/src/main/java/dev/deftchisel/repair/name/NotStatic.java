package dev.deftchisel.repair.name;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.util.ElementFilter;

/** Members of an object that are named where there is none (JLS 8.1.3, 15.12.3). */
public final class NotStatic implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("non-static.cant.be.ref", "cant.ref.before.ctor.called");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> named = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree)
                .findFirst();
        Optional<TreePath> declared = named.flatMap(site::declaration);
        List<Fix> fixes = new ArrayList<>();
        named.flatMap(path -> made(path, code)).ifPresent(fixes::add);
        declared.filter(path -> path.getParentPath().getLeaf() instanceof ClassTree).ifPresent(path ->
                fixes.add(Fix.of("make '" + code.element(path).orElseThrow().getSimpleName() + "' static",
                        edits -> ModifierWords.add(edits, path.getLeaf(), "static"))));
        site.nearest(MethodTree.class).map(path -> (MethodTree) path.getLeaf())
                .filter(method -> method.getModifiers().getFlags().contains(Modifier.STATIC) && !method.getName()
                        .contentEquals("main"))
                .ifPresent(method -> fixes.add(Fix.of("let '" + method.getName() + "' be no longer static",
                        edits -> ModifierWords.remove(edits, code.range(method.getModifiers()), "static"))));
        if (site.id().equals("non-static.cant.be.ref")) {
            named.filter(path -> path.getLeaf() instanceof IdentifierTree && declared.isPresent())
                    .flatMap(path -> ofObject(path, code)).ifPresent(fixes::add);
        }
        return fixes;
    }

    /** {@code berths} is {@code new Main().berths}, where the class can be made without arguments. */
    private static Optional<Fix> ofObject(TreePath path, AttributedFile code) {
        return code.enclosingType(path).filter(type -> type.getKind() == ElementKind.CLASS && !type.getModifiers()
                .contains(Modifier.ABSTRACT)
                        && ElementFilter.constructorsIn(type.getEnclosedElements()).stream()
                        .anyMatch(one -> one.getParameters().isEmpty())
                        && type.getEnclosedElements().stream().anyMatch(member -> code.element(path)
                                .filter(member::equals).isPresent()))
                .map(type -> Fix.of("take that of a new '" + type.getSimpleName() + "'",
                        edits -> edits.insert(code.range(path.getLeaf()).start(), "new " + type.getSimpleName()
                                + "().")));
    }

    /** {@code Gate.open()}: the method is called on an object that is made for it. */
    private static Optional<Fix> made(TreePath path, AttributedFile code) {
        if (!(path.getLeaf() instanceof MemberSelectTree select)
                || !(path.getParentPath().getLeaf() instanceof MethodInvocationTree call)
                || call.getMethodSelect() != select) {
            return Optional.empty();
        }
        TreePath type = new TreePath(path, select.getExpression());
        boolean isMakeable = code.element(type).filter(element -> element.getKind() == ElementKind.CLASS
                && !element.getModifiers().contains(Modifier.ABSTRACT)
                && ElementFilter.constructorsIn(element.getEnclosedElements()).stream()
                .anyMatch(one -> one.getParameters().isEmpty())).isPresent();
        return isMakeable ? Optional.of(Fix.of("call it on a new '" + code.text(select.getExpression()) + "'",
                edits -> edits.replace(select.getExpression(), to -> to.write("new ")
                        .carry(code.range(select.getExpression())).write("()")))) : Optional.empty();
    }
}
