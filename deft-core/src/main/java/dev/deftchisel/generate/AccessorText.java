package dev.deftchisel.generate;

import dev.deftchisel.member.AccessorNames;
import dev.deftchisel.member.CodingStyle;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.member.TypeText;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.List;
import java.util.Map;

/** What accessors look like. */
final class AccessorText {

    /** By interface, a class that keeps the order, and {@code null}. */
    private static final Map<String, String> COPIES = Map.of(
            "Collection", "ArrayList", "List", "ArrayList", "Set", "LinkedHashSet", "Map", "LinkedHashMap");

    private final TargetClass target;
    private final TypeWriter writer;
    private final AccessorNames names;
    private final boolean isFluent;
    private final boolean copies;
    private final String visibility;
    private final String parameter;

    AccessorText(TargetClass target, TypeWriter writer, AccessorStyle style) {
        this.target = target;
        this.writer = writer;
        this.names = style.names();
        this.isFluent = style.isFluent();
        this.copies = style.copies();
        this.visibility = style.visibility();
        this.parameter = CodingStyle.of(target).parameter();
    }

    List<String> reader(StateField part) {
        return List.of(visibility + TypeText.of(part, writer) + " " + names.reader(part) + "() {",
                "    return " + copied(part, part.name()) + ";", "}");
    }

    List<String> writer(StateField part) {
        String head = names.writer(part) + "(" + parameter + TypeText.of(part, writer) + " " + part.name() + ") {";
        String line = "    this." + part.name() + " = " + copied(part, part.name()) + ";";
        return isFluent ? List.of(visibility + own() + " " + head, line, "    return this;", "}")
                : List.of(visibility + "void " + head, line, "}");
    }

    private String own() {
        return writer.write(target.type().asType()).orElse(target.name());
    }

    /** What others hold cannot change what is copied. A {@code null} is none. */
    private String copied(StateField part, String value) {
        if (!copies) {
            return value;
        } else if (part.isArray()) {
            return nullOr(value, value + ".clone()");
        }
        for (String kind : COPIES.keySet()) {
            if (target.code().types().isSameType(target.code().types().erasure(part.type()),
                    target.code().types().erasure(target.named("java.util." + kind)))) {
                String name = writer.name(target.code().elements().getTypeElement(
                        "java.util." + COPIES.get(kind)));
                return nullOr(value, "new " + name + "<>(" + value + ")");
            }
        }
        return value;
    }

    private static String nullOr(String value, String other) {
        return value + " == null ? null : " + other;
    }
}
