package dev.deftchisel.repair;

import dev.deftchisel.member.PlaceholderCode;
import javax.lang.model.type.TypeMirror;

/** The value that a type has by default (JLS 4.12.5). */
public final class DefaultValues {

    private DefaultValues() {
    }

    public static String of(TypeMirror type) {
        return switch (type.getKind()) {
            // written so that they are of no other type, since an overload may be chosen by them
            case LONG -> "0L";
            case FLOAT -> "0f";
            case DOUBLE -> "0.0";
            default -> PlaceholderCode.value(type);
        };
    }
}
