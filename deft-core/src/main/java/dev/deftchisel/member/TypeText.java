package dev.deftchisel.member;

import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.rewrite.TypeWriter;
import javax.lang.model.type.TypeMirror;

/** Types as text. */
public final class TypeText {

    private TypeText() {
    }

    /** A type for people to tell apart from others, without packages, type arguments and annotations. */
    public static String bare(TypeMirror type) {
        return NamedTypes.shown(type).replaceAll("\\b[\\w.]+\\.(?=\\w)|<.*>", "");
    }

    /** The type of a part, which has a name since it was declared with one. */
    public static String of(StateField part, TypeWriter writer) {
        return writer.write(part.type()).orElseGet(() -> NamedTypes.shown(part.type()));
    }
}
