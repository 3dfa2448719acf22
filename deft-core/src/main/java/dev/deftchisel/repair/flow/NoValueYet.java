package dev.deftchisel.repair.flow;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.DefaultValues;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.repair.call.AbstractInstantiation;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.ElementFilter;

/** Variables that are read before they have a value, and final fields that never get one (JLS 16). */
public final class NoValueYet implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("var.might.not.have.been.initialized", "var.not.initialized.in.default.constructor");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> declared = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof VariableTree)
                .findFirst()
                .flatMap(site::declaration)
                .or(() -> withoutValue(site));
        Optional<Fix> reference = declared.flatMap(path -> reference(path, site));
        if (reference.isPresent()) {
            return List.of(reference.get());
        }
        if (declared.isEmpty() || !(declared.get().getLeaf() instanceof VariableTree variable)
                || variable.getInitializer() != null) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        constructor(declared.get(), variable, site).ifPresent(fixes::add);
        Optional<TypeMirror> type = code.element(declared.get()).map(Element::asType);
        boolean isField = declared.get().getParentPath().getLeaf() instanceof ClassTree;
        type.filter(known -> isCalledOn(site)).flatMap(known -> empty(known, code))
                .ifPresent(made -> fixes.add(Fix.of("give '" + variable.getName()
                + "' a new " + made.getSimpleName(), edits -> {
                    int end = code.range(variable).end();
                    edits.insert(code.file().content().charAt(end - 1) == ';' ? end - 1 : end, " = new " + edits.types()
                            .name(made)
                            + (made.getTypeParameters().isEmpty() ? "()" : "<>()"));
                })));
        type.ifPresent(known -> fixes.add(Fix.of("give '" + variable.getName() + "' the value "
                + DefaultValues.of(known), edits -> {
            int end = code.range(variable).end();
            boolean hasSemicolon = code.file().content().charAt(end - 1) == ';';
            edits.insert(hasSemicolon ? end - 1 : end, " = " + DefaultValues.of(known));
        })));
        if (isField && variable.getModifiers().getFlags().contains(Modifier.FINAL)) {
            // a component of a record has none of its own
            code.find(variable.getModifiers()).ifPresent(modifiers -> fixes.add(Fix.of("let it change",
                    edits -> ModifierWords.remove(edits, modifiers, "final"))));
        }
        return fixes;
    }

    /** A final field that a method sets: the method was meant to be the constructor (JLS 8.8). */
    private static Optional<Fix> constructor(TreePath declared, VariableTree variable, ErrorSite site) {
        AttributedFile code = site.code();
        if (!site.id().equals("var.not.initialized.in.default.constructor")
                || !(declared.getParentPath().getLeaf() instanceof ClassTree type)) {
            return Optional.empty();
        }
        return type.getMembers().stream().filter(member -> member instanceof MethodTree method
                && method.getBody() != null && method.getReturnType() != null
                        && code.text(method.getReturnType()).equals("void") && code.text(method.getBody())
                        .contains("this." + variable.getName() + " ="))
                .map(member -> (MethodTree) member).findFirst()
                .map(method -> Fix.of("let '" + method.getName() + "' be the constructor",
                        edits -> edits.replace(new Range(code.range(method.getReturnType()).start(), code.name(method)
                                .end()), type.getSimpleName().toString())));
    }

    /** Whether a method of the variable is called, which null has not. */
    private static boolean isCalledOn(ErrorSite site) {
        return site.around().stream().filter(path -> path.getLeaf() instanceof IdentifierTree).findFirst()
                .filter(path -> path.getParentPath().getLeaf() instanceof MemberSelectTree select
                        && select.getExpression() == path.getLeaf()).isPresent();
    }

    /** The class of which a collection or text of the type is made when it is empty. */
    private static Optional<TypeElement> empty(TypeMirror type, AttributedFile code) {
        if (!(type instanceof DeclaredType declared)) {
            return Optional.empty();
        }
        TypeElement element = (TypeElement) declared.asElement();
        return Optional.ofNullable(AbstractInstantiation.CLASSES.get(element.getQualifiedName().toString()))
                .map(code.elements()::getTypeElement)
                .or(() -> Optional.of(element).filter(one -> one.getKind() == ElementKind.CLASS && !one.getModifiers()
                        .contains(Modifier.ABSTRACT)
                        && !NamedTypes.is(type, "java.lang.String")
                        && ElementFilter.constructorsIn(one.getEnclosedElements()).stream()
                        .anyMatch(made -> made.getParameters().isEmpty() && !made.getModifiers()
                                .contains(Modifier.PRIVATE))));
    }

    /** {@code Function<String, Integer> size = size;} where a method is called so: it is meant (JLS 15.13). */
    private static Optional<Fix> reference(TreePath declared, ErrorSite site) {
        AttributedFile code = site.code();
        if (!(declared.getLeaf() instanceof VariableTree variable)
                || !(variable.getInitializer() instanceof IdentifierTree name)
                || !name.getName().equals(variable.getName())) {
            return Optional.empty();
        }
        return code.visible(declared).stream().filter(element -> element.getKind() == ElementKind.METHOD
                && element.getSimpleName().equals(name.getName()))
                .findFirst().map(method -> {
                    String owner = method.getModifiers().contains(Modifier.STATIC) ? method.getEnclosingElement()
                            .getSimpleName().toString() : "this";
                    return Fix.of("write '" + owner + "::" + name.getName() + "'",
                            edits -> edits.replace(code.range(name), owner + "::" + name.getName()));
                });
    }

    /** The final field that the constructor at the error leaves without a value: the first that nobody assigns. */
    private static Optional<TreePath> withoutValue(ErrorSite site) {
        Optional<TreePath> type = site.nearest(ClassTree.class);
        return type.flatMap(path -> ((ClassTree) path.getLeaf()).getMembers().stream()
                .filter(member -> member instanceof VariableTree field && field.getInitializer() == null
                        && field.getModifiers().getFlags().contains(Modifier.FINAL)
                        && site.error().message().contains(field.getName()))
                .map(member -> new TreePath(path, member)).findFirst());
    }
}
