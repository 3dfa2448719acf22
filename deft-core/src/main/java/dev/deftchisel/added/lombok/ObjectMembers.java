package dev.deftchisel.added.lombok;

import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AnnotatedType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;

/** Equality, text form and loggers. */
final class ObjectMembers {

    /** The types of loggers by the annotations that add them. */
    private static final Map<String, String> LOGGERS = Map.of(
            "lombok.extern.slf4j.Slf4j", "org.slf4j.Logger",
            "lombok.extern.slf4j.XSlf4j", "org.slf4j.ext.XLogger",
            "lombok.extern.java.Log", "java.util.logging.Logger",
            "lombok.extern.log4j.Log4j", "org.apache.log4j.Logger",
            "lombok.extern.log4j.Log4j2", "org.apache.logging.log4j.Logger",
            "lombok.extern.apachecommons.CommonsLog", "org.apache.commons.logging.Log",
            "lombok.extern.jbosslog.JBossLog", "org.jboss.logging.Logger",
            "lombok.extern.flogger.Flogger", "com.google.common.flogger.FluentLogger");

    private final ConfiguredType reading;

    ObjectMembers(ConfiguredType reading) {
        this.reading = reading;
    }

    List<Added> all() {
        List<Added> members = new ArrayList<>();
        boolean isWhole = reading.has("Data") || reading.has("Value");
        boolean isOwn = Stream.of("equals", "hashCode", "canEqual").anyMatch(reading.type()::hasMethod);
        if ((isWhole || reading.has("EqualsAndHashCode")) && !isOwn) {
            add(members, "equals", "public boolean equals(java.lang.Object o) { return "
                    + looksAt("EqualsAndHashCode", true) + " == o; }");
            add(members, "hashCode", "public int hashCode() { return (" + looksAt("EqualsAndHashCode", true)
                    + ").length(); }");
            boolean isClosed = reading.has("Value") || reading.type().tree().getModifiers().getFlags()
                    .contains(Modifier.FINAL);
            if (!isClosed) {
                add(members, "canEqual", "protected boolean canEqual(java.lang.Object other) { return false; }");
            }
        }
        if (isWhole || reading.has("ToString")) {
            add(members, "toString", "public java.lang.String toString() { return " + looksAt("ToString", false)
                    + "; }");
        }
        logger().ifPresent(members::add);
        return members;
    }

    /** An expression in which all fields are that take part. */
    private String looksAt(String annotation, boolean isEquality) {
        boolean isChosen = reading.annotation(annotation)
                .flatMap(one -> AnnotatedType.text(one, "onlyExplicitlyIncluded"))
                .filter("true"::equals).isPresent();
        return reading.fields().stream()
                .filter(field -> !(isEquality && field.getModifiers().getFlags().contains(Modifier.TRANSIENT)))
                .filter(field -> !has(field, annotation + ".Exclude")
                        && (!isChosen || has(field, annotation + ".Include")))
                .map(field -> "this." + field.getName()).collect(Collectors.joining(" + ", "\"\" + ", " + \"\""))
                .replace("\"\" +  + \"\"", "\"\"");
    }

    /** Whether a nested annotation is at a field, however its outer one is named. */
    private static boolean has(VariableTree field, String nested) {
        return field.getModifiers().getAnnotations().stream().map(one -> one.getAnnotationType().toString())
                .anyMatch(name -> name.equals(nested) || name.endsWith("." + nested));
    }

    private void add(List<Added> members, String name, String text) {
        if (!reading.type().hasMethod(name)) {
            members.add(new Added("", name, name, "", text));
        }
    }

    private Optional<Added> logger() {
        Stream<String> types = LOGGERS.entrySet().stream()
                .filter(entry -> reading.type().annotation(reading.type().tree().getModifiers(), entry.getKey())
                        .isPresent())
                .map(Map.Entry::getValue);
        String name = reading.config().text("lombok.log.fieldName").orElse("log");
        boolean isStatic = !reading.config().text("lombok.log.fieldIsStatic").filter("false"::equalsIgnoreCase)
                .isPresent();
        boolean isThere = reading.type().variables().stream().anyMatch(field -> field.getName().contentEquals(name));
        return isThere ? Optional.empty() : types.findFirst().map(type -> new Added("", "logger", name, "",
                "private " + (isStatic ? "static " : "") + "final " + type + " " + name + " = null;"));
    }
}
