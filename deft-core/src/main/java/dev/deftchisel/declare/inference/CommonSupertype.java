package dev.deftchisel.declare.inference;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javax.lang.model.type.TypeMirror;

/** What several types have in common: one of them, or the nearest type above all that is not what every class has. */
public final class CommonSupertype {

    /** What says nothing of a value but how it is made or kept. */
    private static final Set<String> SAYS_NOTHING = Set.of("java.lang.Object", "java.lang.Record",
            "java.io.Serializable",
            "java.lang.Cloneable",
            "java.lang.constant.Constable", "java.lang.constant.ConstantDesc");

    private final AttributedFile code;

    public CommonSupertype(AttributedFile code) {
        this.code = code;
    }

    /** The first of some types, when they have nothing in common but {@code Object}. */
    public TypeMirror of(List<TypeMirror> types) {
        Set<TypeMirror> candidates = new LinkedHashSet<>(types);
        List<TypeMirror> level = new ArrayList<>(List.of(types.get(0)));
        for (int depth = 0; depth < 4 && !level.isEmpty(); depth++) {
            List<TypeMirror> above = new ArrayList<>();
            level.stream().filter(type -> !type.getKind().isPrimitive())
                    .forEach(type -> above.addAll(code.types().directSupertypes(type)));
            above.removeIf(type -> NamedTypes.isOneOf(type, SAYS_NOTHING));
            candidates.addAll(above);
            level = above;
        }
        return candidates.stream().filter(candidate -> types.stream().allMatch(type -> takes(candidate, type)))
                .findFirst().orElse(types.get(0));
    }

    boolean takes(TypeMirror general, TypeMirror type) {
        return code.types().isAssignable(code.types().erasure(type), code.types().erasure(general));
    }
}
