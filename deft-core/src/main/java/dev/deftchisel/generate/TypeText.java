package dev.deftchisel.generate;

import dev.deftchisel.rewrite.TypeWriter;

/** Types of parts as source. */
final class TypeText {

    private TypeText() {
    }

    /** The type of a part, which has a name since it was declared with one. */
    static String of(Part part, TypeWriter writer) {
        return writer.write(part.type()).orElseGet(() -> part.type().toString());
    }
}
