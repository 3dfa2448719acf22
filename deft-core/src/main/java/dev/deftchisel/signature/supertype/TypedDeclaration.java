package dev.deftchisel.signature.supertype;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;

/**
 * A variable, field, parameter or method whose type is written and may be a more general one. Not so where the type
 * says more than what is stored: what a pattern or a catch clause looks for, what a lambda implements, components of
 * records, resources, and what is declared together with others.
 *
 * @param code    of its file
 * @param path    its declaration
 * @param element what it declares
 * @param type    of the variable, or of what the method gives back
 */
public record TypedDeclaration(AttributedFile code, TreePath path, Element element, DeclaredType type) {

    /** The one that is declared or used at a place, in the file of its declaration. */
    public static Optional<TypedDeclaration> at(ResolvedPlace resolved) {
        Optional<AttributedFile> code = resolved.analysis().code(resolved.file().path());
        return resolved.declaration()
                .flatMap(declared -> code.flatMap(file -> at(file, declared.range())));
    }

    /** The one whose name stands there. */
    public static Optional<TypedDeclaration> at(AttributedFile code, Range name) {
        return code.declaration(name).flatMap(path -> code.element(path).filter(element -> isTyped(code, path, element))
                .flatMap(element -> Optional.of(element instanceof ExecutableElement method ? method.getReturnType()
                        : element.asType()).filter(type -> type.getKind() == TypeKind.DECLARED)
                        .map(type -> new TypedDeclaration(code, path, element, (DeclaredType) type))));
    }

    /** All variables and fields of a file that are seen nowhere else. */
    public static List<TypedDeclaration> own(AttributedFile code, List<Binding> bindings) {
        return bindings.stream().filter(binding -> binding.role() == Role.DECLARATION && binding.isNamed())
                .flatMap(binding -> at(code, binding.range()).stream())
                .filter(one -> one.isVariable() && one.isPrivate()).toList();
    }

    private static boolean isTyped(AttributedFile code, TreePath path, Element element) {
        Tree owner = path.getParentPath().getLeaf();
        if (path.getLeaf() instanceof MethodTree method) {
            return method.getReturnType() != null && code.find(method.getReturnType()).isPresent();
        }
        boolean isStored = element.getKind() == ElementKind.LOCAL_VARIABLE || element.getKind() == ElementKind.FIELD
                && (owner.getKind() != Tree.Kind.RECORD || element.getModifiers().contains(Modifier.STATIC));
        // a constant variable (JLS 4.12.4) must be a text or a number
        boolean isConstant = element instanceof VariableElement one && one.getConstantValue() != null;
        return path.getLeaf() instanceof VariableTree variable && code.saysType(variable) && !isConstant
                && (isStored && isAlone(code, path) || element.getKind() == ElementKind.PARAMETER
                        && owner instanceof MethodTree);
    }

    /** Whether no other variable is declared with the same written type. */
    private static boolean isAlone(AttributedFile code, TreePath path) {
        int start = code.range(((VariableTree) path.getLeaf()).getType()).start();
        Tree owner = path.getParentPath().getLeaf();
        List<? extends Tree> beside = owner instanceof ClassTree type ? type.getMembers()
                : TreePaths.statements(owner);
        return beside.stream().filter(other -> other instanceof VariableTree variable
                && code.find(variable.getType()).filter(range -> range.start() == start).isPresent()).count() <= 1;
    }

    /** Whether it is a variable of a body or a field. */
    public boolean isVariable() {
        return element.getKind() != ElementKind.PARAMETER && !isResult();
    }

    /** Whether it is what a method gives back. */
    public boolean isResult() {
        return element instanceof ExecutableElement;
    }

    /** Whether nothing outside of its file may use it. */
    public boolean isPrivate() {
        return element.getKind() == ElementKind.LOCAL_VARIABLE || element.getModifiers()
                .contains(Modifier.PRIVATE);
    }

    /** Its name. */
    public String name() {
        return element.getSimpleName().toString();
    }

    /** Its identity. */
    public SymbolKey key() {
        return code.key(element);
    }

    /** Where it is declared. */
    public Range range() {
        return code.name(path.getLeaf());
    }

    /** Where its type is written. */
    public Range written() {
        return code.range(path.getLeaf() instanceof MethodTree method ? method.getReturnType()
                : ((VariableTree) path.getLeaf()).getType());
    }
}
