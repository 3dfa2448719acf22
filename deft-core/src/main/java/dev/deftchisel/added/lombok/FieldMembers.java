package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.Added;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Modifier;

/** Accessors of fields, and methods that make a copy with another value. */
final class FieldMembers {

    private final ConfiguredType reading;
    private final List<Added> members = new ArrayList<>();

    FieldMembers(ConfiguredType reading) {
        this.reading = reading;
    }

    List<Added> all() {
        boolean isWhole = reading.has("Data") || reading.has("Value");
        List<VariableTree> own = reading.fields();
        for (VariableTree field : reading.type().variables()) {
            if (reading.type().isEnumConstant(field)) {
                continue;
            }
            boolean isOfType = own.contains(field);
            access(field, "Getter", isOfType, isWhole).ifPresent(access -> getter(field, access));
            if (!reading.isFinal(field)) {
                access(field, "Setter", isOfType, reading.has("Data")).ifPresent(access -> setter(field, access));
            }
            boolean isCopied = isOfType && !(reading.isFinal(field) && field.getInitializer() != null);
            access(field, "With", isCopied, false).ifPresent(access -> with(field, access));
        }
        return members;
    }

    /** The access of what an annotation adds: that at the field, else that at the type. */
    private Optional<String> access(VariableTree field, String name, boolean isOfType, boolean isWhole) {
        Optional<AnnotationTree> own = reading.annotation(field.getModifiers(), name);
        Optional<AnnotationTree> ofType = isOfType ? reading.annotation(name) : Optional.empty();
        Optional<AnnotationTree> nearest = own.or(() -> ofType);
        if (nearest.isPresent()) {
            return ConfiguredType.access(nearest.get(), "value");
        }
        return isOfType && isWhole ? Optional.of("public ") : Optional.empty();
    }

    private static String isStatic(VariableTree field) {
        return field.getModifiers().getFlags().contains(Modifier.STATIC) ? "static " : "";
    }

    private void getter(VariableTree field, String access) {
        LombokAccessorNames names = new LombokAccessorNames(reading, field);
        String type = field.getType().toString();
        names.getter().filter(name -> !isThere(name, names)).ifPresent(name -> members.add(new Added("", "getter", name,
                field.getName().toString(), access + isStatic(field) + type + " " + name + "() { "
                + (LazyFields.isLazy(reading, field) ? "throw null;" : "return " + field.getName() + ";") + " }")));
    }

    /** For a boolean any spelling of the getter counts. */
    private boolean isThere(String name, LombokAccessorNames names) {
        boolean isOther = names.isBoolean() && !names.isFluent()
                && names.property().filter(one -> reading.type().hasMethod("get" + one) || reading.type()
                        .hasMethod("is" + one)).isPresent();
        return reading.type().hasMethod(name) || isOther;
    }

    private void setter(VariableTree field, String access) {
        LombokAccessorNames names = new LombokAccessorNames(reading, field);
        String made = names.isChained() && isStatic(field).isEmpty() ? reading.type().self() : "void";
        String result = made.equals("void") ? "" : " return this;";
        names.setter().filter(name -> !reading.type().hasMethod(name))
                .ifPresent(name -> members.add(new Added("", "setter", name,
                field.getName().toString(), access + isStatic(field) + made + " " + name + "(" + field.getType() + " "
                + field.getName()
                + ") { " + (isStatic(field).isEmpty() ? "this" : reading.type().name()) + "." + field.getName() + " = "
                + field.getName() + ";" + result + " }")));
    }

    private void with(VariableTree field, String access) {
        LombokAccessorNames names = new LombokAccessorNames(reading, field);
        names.with().filter(name -> !reading.type().hasMethod(name))
                .ifPresent(name -> members.add(new Added("", "with", name,
                field.getName().toString(), access + reading.type().self() + " " + name + "(" + field.getType() + " "
                + field.getName()
                + ") { return " + field.getName() + " == this." + field.getName() + " ? this : null; }")));
    }
}
