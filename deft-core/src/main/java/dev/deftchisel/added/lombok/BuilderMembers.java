package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AnnotatedType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** A nested class with a step for each value, and the methods by which it is reached. */
final class BuilderMembers {

    private final ConfiguredType reading;
    private final AnnotationTree annotation;
    private final String made;
    private final String declared;
    private final String arguments;
    private final List<VariableTree> values;
    /** Whether all fields of a type are set, rather than parameters. */
    private final boolean isOfType;

    /**
     * What is built.
     *
     * @param type       its type
     * @param parameters its type parameters as they are declared
     * @param arguments  the same as type arguments
     */
    private record Product(String type, String parameters, String arguments) {
    }

    private BuilderMembers(
            ConfiguredType reading, AnnotationTree annotation, Product product, List<VariableTree> values,
            boolean isOfType) {
        this.reading = reading;
        this.annotation = annotation;
        this.made = product.type();
        this.declared = product.parameters();
        this.arguments = product.arguments();
        this.values = values;
        this.isOfType = isOfType;
    }

    /** Of a type, and of its constructors and static methods. */
    static List<Added> of(ConfiguredType reading) {
        List<Added> all = new ArrayList<>();
        AnnotatedType type = reading.type();
        Product self = new Product(type.self(), type.typeParameters(), type.typeArguments());
        reading.annotation("Builder").ifPresent(one -> all.addAll(new BuilderMembers(reading, one, self,
                reading.fields().stream().filter(field -> isSet(reading, field)).toList(), true).all()));
        for (MethodTree constructor : type.constructors()) {
            reading.annotation(constructor.getModifiers(), "Builder").ifPresent(one -> all.addAll(new BuilderMembers(
                    reading, one, self, List.copyOf(constructor.getParameters()), false).all()));
        }
        for (MethodTree method : type.methods()) {
            String parameters = method.getTypeParameters().isEmpty() ? "" : method.getTypeParameters().stream()
                    .map(Object::toString)
                    .collect(Collectors.joining(", ", "<", ">"));
            String named = method.getTypeParameters().isEmpty() ? "" : method.getTypeParameters().stream()
                    .map(parameter -> parameter.getName().toString()).collect(Collectors.joining(", ", "<", ">"));
            reading.annotation(method.getModifiers(), "Builder")
                    .ifPresent(one -> all.addAll(new BuilderMembers(reading, one,
                    new Product(method.getReturnType().toString(), parameters, named),
                    List.copyOf(method.getParameters()), false).all()));
        }
        return all;
    }

    /** A field whose value is given already is a step only when it says so. */
    static boolean isSet(ConfiguredType reading, VariableTree field) {
        return field.getInitializer() == null || !reading.isFinal(field)
                || reading.annotation(field.getModifiers(), "Builder.Default").isPresent()
                || field.getModifiers().getAnnotations().stream()
                .anyMatch(one -> one.getAnnotationType().toString().endsWith("Builder.Default"));
    }

    private String said(String element, String otherwise) {
        return AnnotatedType.text(annotation, element).orElse(otherwise);
    }

    private String access() {
        return ConfiguredType.access(annotation, "access").orElse("public ");
    }

    private List<Added> all() {
        List<Added> all = new ArrayList<>();
        String simple = made.replaceAll("<.*", "").replaceAll(".*\\.", "");
        String builder = said("builderClassName", reading.config().text("lombok.builder.className").orElse("*Builder")
                .replace("*", simple));
        String access = access();
        Optional<Tree> own = reading.type().nested(builder).map(Tree.class::cast);
        List<Added> inside = inside(builder);
        if (own.isEmpty()) {
            String text = inside.stream().map(Added::text).collect(Collectors.joining(" "));
            all.add(new Added("", "builder", builder, "", access + "static class " + builder + declared + " { " + text
                    + " }"));
            inside.forEach(one -> all.add(new Added(one.owner(), one.role(), one.name(), one.field(), "")));
        }
        String start = said("builderMethodName", "builder");
        if (!start.isEmpty() && !reading.type().hasMethod(start)) {
            all.add(new Added("", "builder-method", start, "", access + "static "
                    + (declared.isEmpty() ? "" : declared + " ") + builder
                    + arguments + " " + start + "() { return new " + builder + (arguments.isEmpty() ? "" : "<>")
                    + "(); }"));
        }
        if (said("toBuilder", "false").equals("true") && !reading.type().hasMethod("toBuilder")) {
            all.add(new Added("", "to-builder", "toBuilder", "", access + builder + arguments
                    + " toBuilder() { return null; }"));
        }
        return all;
    }

    private List<Added> inside(String builder) {
        List<Added> inside = new ArrayList<>();
        String self = builder + arguments;
        inside.addAll(fields(builder));
        inside.add(new Added(builder, "constructor", builder, "", builder + "() { }"));
        values.forEach(value -> inside.addAll(steps(reading, value, builder, access() + self,
                said("setterPrefix", ""))));
        String end = said("buildMethodName", "build");
        inside.add(new Added(builder, "build", end, "", access() + made + " " + end + "() { " + product() + " }"));
        inside.add(new Added(builder, "text", "toString", "", "public java.lang.String toString() { return null; }"));
        return inside;
    }

    /** The steps for a value; they begin with the same modifiers and type. */
    static List<Added> steps(ConfiguredType reading, VariableTree value, String builder, String head, String prefix) {
        LombokAccessorNames names = new LombokAccessorNames(reading, value);
        String property = names.property().orElse(value.getName().toString());
        String step = prefix.isEmpty() ? property : prefix + names.capital(property);
        return reading.annotation(value.getModifiers(), "Singular")
                .map(several -> Singulars.of(several, value, property, builder, head, prefix, names))
                .orElseGet(() -> List.of(new Added(builder, "step", step, value.getName().toString(),
                        head + " " + step + "(" + value.getType() + " " + property + ") { return this; }")));
    }

    /** What is built is made by the constructor, so that it is missed when it is not there. */
    private String product() {
        if (!isOfType) {
            return "return null;";
        }
        return "return new " + made.replaceAll("<.*", arguments.isEmpty() ? "" : "<>") + "(" + values.stream()
                .map(value -> "(" + value.getType() + ") " + kept(value)).collect(Collectors.joining(", ")) + ");";
    }

    /** The field of the builder that keeps a value; a collection is made of what was given one by one. */
    private String kept(VariableTree value) {
        return isSeveral(value) ? "(java.lang.Object) null" : "this." + field(value);
    }

    private boolean isSeveral(VariableTree value) {
        return reading.annotation(value.getModifiers(), "Singular").isPresent();
    }

    private static String field(VariableTree value) {
        boolean isDefault = value.getModifiers().getAnnotations().stream()
                .anyMatch(one -> one.getAnnotationType().toString().endsWith("Builder.Default"));
        return value.getName() + (isDefault ? "$value" : "");
    }

    /** The fields of the builder that it does not declare itself. */
    private List<Added> fields(String builder) {
        List<String> own = reading.type().nested(builder).stream().flatMap(type -> type.getMembers().stream())
                .filter(VariableTree.class::isInstance).map(member -> ((VariableTree) member).getName().toString())
                .toList();
        return values.stream().filter(value -> !isSeveral(value) && !own.contains(field(value)))
                .map(value -> new Added(builder, "kept", field(value), value.getName().toString(),
                        "private " + value.getType() + " " + field(value) + ";"))
                .toList();
    }

    /** Members for a builder that stands in the text in part. */
    static List<Added> completing(ConfiguredType outer, ConfiguredType builder) {
        for (AnnotationTree annotation : outer.annotation("Builder").stream().toList()) {
            AnnotatedType type = outer.type();
            BuilderMembers members = new BuilderMembers(outer, annotation,
                    new Product(type.self(), type.typeParameters(), type.typeArguments()), outer.fields().stream()
                    .filter(field -> isSet(outer, field)).toList(), true);
            String name = builder.type().name();
            if (members.said("builderClassName", type.name() + "Builder").equals(name)) {
                boolean isConstructed = !builder.type().constructors().isEmpty();
                return members.inside(name).stream()
                        .filter(one -> one.role().equals("kept") || (one.role().equals("constructor") ? !isConstructed
                                : !builder.type().hasMethod(one.name())))
                        .map(one -> new Added("", one.role(), one.name(), one.field(), one.text()))
                        .toList();
            }
        }
        return List.of();
    }
}
