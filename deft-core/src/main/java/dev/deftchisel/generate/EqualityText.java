package dev.deftchisel.generate;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeKind;

/**
 * What {@code equals} and {@code hashCode} look like. Floating point goes by {@code compare}, which takes {@code NaN}
 * for equal to itself and zeros of different sign for different, just as their hash codes do.
 */
final class EqualityText {

    private static final int PATTERNS = 16;

    private final TargetClass target;
    private final TypeWriter writer;
    private final String among;
    private final boolean isExtended;
    private final String other;
    private final String that;

    /**
     * @param among      which objects can be equal
     * @param isExtended whether the class above has an equality of its own
     */
    EqualityText(TargetClass target, TypeWriter writer, String among, boolean isExtended) {
        this.target = target;
        this.writer = writer;
        this.among = among;
        this.isExtended = isExtended;
        Set<String> taken = new HashSet<>(target.memberNames());
        this.other = NewName.free(taken, "other");
        this.that = NewName.free(taken, "that");
    }

    /** Whether two methods are what this writes for the parts that they mention. */
    boolean isGenerated(MethodTree equality, MethodTree hash) {
        List<StateField> used = mentioned(target, hash);
        return GenerateOperation.isSame(target.code(), equality, equality(used))
                && GenerateOperation.isSame(target.code(), hash, hash(used));
    }

    /** The parts that a member mentions, in the order in which it does first. */
    static List<StateField> mentioned(TargetClass target, MethodTree member) {
        AttributedFile code = target.code();
        Tokens tokens = code.tokens();
        Range range = code.range(member);
        List<String> words = new ArrayList<>();
        for (int i = tokens.at(range.start()); i < tokens.count() && tokens.start(i) < range.end(); i++) {
            words.add(tokens.text(i));
        }
        return target.parts().stream().filter(part -> words.contains(part.name()))
                .sorted(Comparator.comparingInt(part -> words.indexOf(part.name()))).toList();
    }

    List<NewMember> members(List<StateField> parts, Optional<MethodTree> equality, Optional<MethodTree> hash) {
        List<NewMember> members = new ArrayList<>();
        members.add(NewMember.added(NewMember.Kind.METHOD, "equals", equality(parts)).insteadOf(equality)
                .finalIf(!sealed().isEmpty()));
        if (isAsked()) {
            members.add(NewMember.added(NewMember.Kind.METHOD, "canEqual", canEqual())
                    .insteadOf(target.declared("canEqual", List.of(target.named("java.lang.Object")))));
        }
        members.add(NewMember.added(NewMember.Kind.METHOD, "hashCode", hash(parts)).insteadOf(hash)
                .finalIf(!sealed().isEmpty()));
        return members;
    }

    private boolean isAsked() {
        return among.equals("asked");
    }

    /** Whether a subclass may not say otherwise; in a final class that goes without saying. */
    private String sealed() {
        boolean isFinal = target.type().getModifiers().contains(Modifier.FINAL);
        return among.equals("sealed") && !isFinal ? "final " : "";
    }

    private List<String> equality(List<StateField> parts) {
        List<String> lines = new ArrayList<>(List.of(
                "@Override", "public " + sealed() + "boolean equals(Object " + other + ") {",
                "    if (this == " + other + ") {", "        return true;", "    }"));
        boolean isPattern = target.code().file().module().level() >= PATTERNS && !among.equals("class");
        boolean isUsed = !parts.isEmpty() || isAsked();
        if (among.equals("class")) {
            lines.addAll(List.of("    if (" + other + " == null || getClass() != " + other + ".getClass()) {",
                    "        return false;",
                    "    }"));
        } else {
            lines.addAll(List.of("    if (!(" + other + " instanceof " + target.wildcardType()
                    + (isPattern && isUsed ? " " + that : "")
                    + ")) {",
                    "        return false;", "    }"));
        }
        if (!isPattern && isUsed) {
            lines.add("    " + target.wildcardType() + " " + that + " = (" + target.wildcardType() + ") " + other
                    + ";");
        }
        List<String> conditions = new ArrayList<>();
        if (isAsked()) {
            conditions.add(that + ".canEqual(this)");
        }
        if (isExtended) {
            conditions.add("super.equals(" + other + ")");
        }
        parts.forEach(part -> conditions.add(areEqual(part)));
        for (int i = 0; i < conditions.size(); i++) {
            lines.add((i == 0 ? "    return " : "            && ") + conditions.get(i)
                    + (i == conditions.size() - 1 ? ";" : ""));
        }
        lines.add("}");
        return lines;
    }

    private String areEqual(StateField part) {
        String mine = part.name();
        String theirs = that + "." + part.name();
        if (part.type().getKind() == TypeKind.FLOAT || part.type().getKind() == TypeKind.DOUBLE) {
            return (part.type().getKind() == TypeKind.FLOAT ? "Float" : "Double") + ".compare(" + mine + ", " + theirs
                    + ") == 0";
        } else if (part.isPrimitive() || part.isEnum()) {
            return mine + " == " + theirs;
        } else if (part.isArray()) {
            return name("java.util.Arrays") + (part.isArrayOfArrays() ? ".deepEquals(" : ".equals(") + mine + ", "
                    + theirs + ")";
        }
        return part.isNeverNull() ? mine + ".equals(" + theirs + ")" : name("java.util.Objects") + ".equals(" + mine
                + ", " + theirs + ")";
    }

    private List<String> hash(List<StateField> parts) {
        List<String> values = new ArrayList<>();
        if (isExtended) {
            values.add("super.hashCode()");
        }
        parts.forEach(part -> values.add(!part.isArray() ? part.name()
                : name("java.util.Arrays") + (part.isArrayOfArrays() ? ".deepHashCode(" : ".hashCode(") + part.name()
                + ")"));
        return List.of("@Override", "public " + sealed() + "int hashCode() {",
                "    return " + name("java.util.Objects") + ".hash(" + String.join(", ", values) + ");", "}");
    }

    private List<String> canEqual() {
        boolean isInherited = target.inheritsImplementation("canEqual", List.of(target.named("java.lang.Object")));
        return List.of(isInherited ? "@Override"
                        : "/** Whether another object lets itself be compared with this; a subclass that adds to the "
                        + "equality says no. */",
                "protected boolean canEqual(Object " + other + ") {", "    return " + other + " instanceof "
                + target.wildcardType()
                        + ";", "}");
    }

    private String name(String qualified) {
        return writer.name(target.code().elements().getTypeElement(qualified));
    }
}
