package dev.deftchisel.member;

import dev.deftchisel.rewrite.TypeWriter;
import javax.lang.model.type.TypeMirror;

/** Types as text. */
public final class TypeText {

    private TypeText() {
    }

    /** A type for people to tell apart from others, without packages, type arguments and annotations. */
    public static String bare(TypeMirror type) {
        return type.toString().replaceAll("@\\S+ |\\b[\\w.]+\\.(?=\\w)|<.*>", "");
    }

    /** The type of a part, which has a name since it was declared with one. */
    public static String of(Part part, TypeWriter writer) {
        return writer.write(part.type()).orElseGet(() -> part.type().toString());
    }
}
