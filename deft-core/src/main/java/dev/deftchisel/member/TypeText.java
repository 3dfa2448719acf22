package dev.deftchisel.member;

import dev.deftchisel.rewrite.TypeWriter;

/** Types of parts as source. */
public final class TypeText {

    private TypeText() {
    }

    /** The type of a part, which has a name since it was declared with one. */
    public static String of(Part part, TypeWriter writer) {
        return writer.write(part.type()).orElseGet(() -> part.type().toString());
    }
}
