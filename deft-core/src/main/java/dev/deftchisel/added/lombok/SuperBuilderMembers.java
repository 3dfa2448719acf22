package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AnnotatedType;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;

/**
 * Builders that extend each other as the classes do which they build: an abstract one with the steps, by which the
 * builder of a subclass has them too, and one that is made.
 */
final class SuperBuilderMembers {

    private final ConfiguredType reading;
    private final AnnotatedType type;
    private final AnnotationTree annotation;
    private final String builder;

    private SuperBuilderMembers(ConfiguredType reading, AnnotationTree annotation) {
        this.reading = reading;
        this.type = reading.type();
        this.annotation = annotation;
        this.builder = reading.config().text("lombok.builder.className").orElse("*Builder").replace("*", type.name());
    }

    static List<Added> of(ConfiguredType reading) {
        return reading.annotation("SuperBuilder").map(annotation -> new SuperBuilderMembers(reading, annotation).all())
                .orElse(List.of());
    }

    private String said(String element, String otherwise) {
        return AnnotatedType.text(annotation, element).orElse(otherwise);
    }

    /**
     * {@code <T, C extends Berth<T>, B extends BerthBuilder<T, C, B>>}; what is built and the builder itself come last.
     */
    private String declared() {
        String own = type.tree().getTypeParameters().stream().map(parameter -> parameter + ", ")
                .collect(Collectors.joining());
        return "<" + own + "C extends " + type.self() + ", B extends " + builder + named("C", "B") + ">";
    }

    /** {@code <T, ?, ?>} and the like. */
    private String named(String product, String self) {
        return Stream.concat(type.tree().getTypeParameters().stream().map(parameter -> parameter.getName().toString()),
                Stream.of(product, self))
                .collect(Collectors.joining(", ", "<", ">"));
    }

    /** The builder of the superclass, which has the annotation too. */
    private String above() {
        Tree above = type.tree().getExtendsClause();
        if (above == null) {
            return "";
        }
        String name = (above instanceof ParameterizedTypeTree generic ? generic.getType() : above).toString();
        String arguments = above instanceof ParameterizedTypeTree generic
                ? generic.getTypeArguments().stream().map(argument -> argument + ", ").collect(Collectors.joining())
                : "";
        return " extends " + name + "." + name.substring(name.lastIndexOf('.') + 1) + "Builder<" + arguments + "C, B>";
    }

    private List<Added> all() {
        List<Added> all = new ArrayList<>();
        if (type.nested(builder).isEmpty()) {
            List<Added> inside = inside();
            all.add(new Added("", "builder", builder, "", "public abstract static class " + builder + declared()
                    + above() + " { "
                    + inside.stream().map(Added::text).collect(Collectors.joining(" ")) + " }"));
            inside.forEach(one -> all.add(new Added(one.owner(), one.role(), one.name(), one.field(), "")));
        }
        String parameters = type.typeParameters().isEmpty() ? "" : type.typeParameters() + " ";
        String end = said("buildMethodName", "build");
        boolean isAbstract = type.tree().getModifiers().getFlags().contains(Modifier.ABSTRACT);
        String made = builder + "Impl";
        if (!isAbstract && type.nested(made).isEmpty()) {
            String self = made + type.typeArguments();
            all.add(new Added("", "builder:implementation", made, "", "private static final class " + made
                    + type.typeParameters() + " extends "
                    + builder + named(type.self(), self) + " { private " + made + "() { } protected " + self
                    + " self() { return this; } public "
                    + type.self() + " " + end + "() { return new " + type.name()
                    + (type.typeArguments().isEmpty() ? "" : "<>") + "(this); } }"));
        }
        all.add(new Added("", "constructor", type.name(), "", "protected " + type.name() + "(" + builder
                + named("?", "?") + " b) { "
                + (above().isEmpty() ? "" : "super(b); ") + assigned() + "}"));
        String start = said("builderMethodName", "builder");
        if (!isAbstract && !start.isEmpty() && !type.hasMethod(start)) {
            all.add(new Added("", "builder-method", start, "", "public static " + parameters + builder + named("?", "?")
                    + " " + start
                    + "() { return new " + made + (type.typeArguments().isEmpty() ? "" : "<>") + "(); }"));
        }
        if (!isAbstract && said("toBuilder", "false").equals("true") && !type.hasMethod("toBuilder")) {
            all.add(new Added("", "to-builder", "toBuilder", "", "public " + builder + named("?", "?")
                    + " toBuilder() { return null; }"));
        }
        return all;
    }

    private List<Added> inside() {
        List<Added> inside = new ArrayList<>();
        reading.fields().stream().filter(field -> BuilderMembers.isSet(reading, field)).forEach(field ->
                BuilderMembers.steps(reading, field, builder, "public B", said("setterPrefix", "")).forEach(step ->
                        inside.add(new Added(step.owner(), step.role(), step.name(), step.field(), step.text()
                                .replace("return this;", "return self();")))));
        inside.add(new Added(builder, "self", "self", "", "protected abstract B self();"));
        inside.add(new Added(builder, "build", said("buildMethodName", "build"), "", "public abstract C "
                + said("buildMethodName", "build") + "();"));
        inside.add(new Added(builder, "text", "toString", "", "public java.lang.String toString() { return null; }"));
        return inside;
    }

    /** Final fields get their values in the constructor. */
    private String assigned() {
        return reading.fields().stream().filter(field -> field.getInitializer() == null && reading.isFinal(field))
                .map(field -> "this." + field.getName() + " = (" + field.getType() + ") (java.lang.Object) null; ")
                .collect(Collectors.joining());
    }
}
