package dev.deftchisel.declare;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.member.Target;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.Optional;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.IntersectionType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;

/** Types of values at a use, as they are written where something is declared for it. */
final class Types {

    private final TypeWriter here;
    private final TypeWriter there;
    private final Code code;
    private final boolean isSameType;

    /**
     * @param here  writes types in the file of the use
     * @param there writes them in the file of the declaration
     */
    Types(TypeWriter here, TypeWriter there, Missing missing, Target owner) {
        this(here, there, missing.code(), missing.code().enclosingType(missing.path())
                .filter(type -> type.getQualifiedName().contentEquals(owner.type().getQualifiedName())).isPresent());
    }

    private Types(TypeWriter here, TypeWriter there, Code code, boolean isSameType) {
        this.here = here;
        this.there = there;
        this.code = code;
        this.isSameType = isSameType;
    }

    /** Types that are not written. */
    static Types ofNothing(Code code) {
        TypeWriter writer = new TypeWriter(code);
        return new Types(writer, writer, code, false);
    }

    /** Types in the declaration of a type that is not there yet. */
    static Types ofNewType(TypeWriter here, TypeWriter there, Code code) {
        return new Types(here, there, code, false);
    }

    /** The type of an argument or assigned value; empty for one that only its target gives a type (JLS 15.27.3). */
    Optional<TypeMirror> of(TreePath value) {
        return of(code, value);
    }

    /** The same in another file. */
    Optional<TypeMirror> of(Code code, TreePath value) {
        boolean isFunction = value.getLeaf() instanceof LambdaExpressionTree || value.getLeaf() instanceof MemberReferenceTree;
        Optional<TypeMirror> type = isFunction ? Optional.empty() : code.type(value);
        return type.flatMap(found -> switch (found.getKind()) {
            case ERROR, NONE, VOID, OTHER, EXECUTABLE, PACKAGE -> Optional.empty();
            case NULL -> Optional.of(code.elements().getTypeElement("java.lang.Object").asType());
            default -> Optional.of(found);
        });
    }

    /** A type in the declaration of a member, where other type variables may be known than at the use. */
    Optional<String> member(TypeMirror type) {
        return type.getKind() == TypeKind.VOID ? Optional.of("void")
                : there.write(!isSameType && namesVariable(type) ? code.types().erasure(type) : type);
    }

    /** A type at the use. */
    Optional<String> local(TypeMirror type) {
        return here.write(type);
    }

    /** Whether a type names a type variable, or one that has no name. */
    static boolean namesVariable(TypeMirror type) {
        return type instanceof TypeVariable || type instanceof IntersectionType
                || type instanceof ArrayType array && namesVariable(array.getComponentType())
                || type instanceof WildcardType wildcard && (wildcard.getExtendsBound() != null && namesVariable(wildcard.getExtendsBound())
                        || wildcard.getSuperBound() != null && namesVariable(wildcard.getSuperBound()))
                || type instanceof DeclaredType declared && declared.getTypeArguments().stream().anyMatch(Types::namesVariable);
    }
}
