package dev.deftchisel.declare.inference;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.rewrite.CallArguments;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * The type arguments of an object that is made without saying them (JLS 15.9.3), told by what its methods are passed
 * and return.
 */
public final class DiamondArguments {

    private final DeclaredType generic;
    private final TypeInference told;

    private DiamondArguments(TypeElement type, AttributedFile code) {
        this.generic = (DeclaredType) type.asType();
        this.told = new TypeInference(code);
    }

    /** Whether a value is made with a diamond, so that its own type says little. */
    public static boolean isMade(TreePath value) {
        return value.getLeaf() instanceof NewClassTree made
                && made.getIdentifier() instanceof ParameterizedTypeTree type
                && type.getTypeArguments().isEmpty();
    }

    /** The type of it with all arguments; empty when the uses do not tell each. */
    public static Optional<TypeMirror> filled(DeclaredType made, List<UnresolvedName> uses) {
        DiamondArguments diamond = new DiamondArguments((TypeElement) made.asElement(), uses.get(0).code());
        uses.forEach(diamond::take);
        TypeMirror filled = diamond.told.fill(diamond.generic);
        return diamond.generic.getTypeArguments().stream()
                .noneMatch(parameter -> UseTypes.mentions(filled, parameter::equals))
                ? Optional.of(filled) : Optional.empty();
    }

    private void take(UnresolvedName use) {
        new LikelyTargetTypes(use.code()).all(use.value()).forEach(wanted -> told.expect(generic, wanted));
        MemberUse.from(use).flatMap(selection -> selection.method((TypeElement) generic.asElement()))
                .ifPresent(method -> take(use.code(), method, use.value().getParentPath().getParentPath()));
    }

    /** What a call of one of its methods passes, and takes back. */
    private void take(AttributedFile code, ExecutableElement method, TreePath call) {
        List<? extends ExpressionTree> arguments = new CallArguments(code, call).all();
        for (int i = 0; i < Math.min(arguments.size(), method.getParameters().size()); i++) {
            TypeMirror formal = method.getParameters().get(i).asType();
            LikelyTargetTypes.known(code.type(new TreePath(call, arguments.get(i))))
                    .ifPresent(actual -> told.tell(formal, actual));
        }
        new LikelyTargetTypes(code).of(call).filter(type -> type.getKind() != TypeKind.VOID)
                .ifPresent(type -> told.expect(method.getReturnType(), type));
    }
}
