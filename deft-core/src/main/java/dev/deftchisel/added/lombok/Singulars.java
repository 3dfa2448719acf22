package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AnnotatedType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The steps of a builder for a collection: one element, several, none. They begin with the same modifiers and type. */
final class Singulars {

    private static final Map<String, String> IRREGULAR = Map.of("children", "child", "men", "man", "people", "person",
            "indices", "index",
            "vertices", "vertex", "matrices", "matrix", "feet", "foot", "teeth", "tooth", "mice", "mouse");

    private Singulars() {
    }

    static List<Added> of(AnnotationTree annotation, VariableTree value, String property, String builder, String head,
            String prefix,
            LombokAccessorNames names) {
        List<? extends Object> arguments = value.getType() instanceof ParameterizedTypeTree type
                ? type.getTypeArguments() : List.of();
        String one = AnnotatedType.text(annotation, "value").orElseGet(() -> singular(property));
        String field = value.getName().toString();
        if (one.isEmpty()) {
            // Lombok refuses it; so that nothing is changed to this, there is a name in it which means nothing
            return List.of(new Added(builder, "single-step", "", field,
                    "private java.lang.Object no_singular = no_singular_of_" + field + ";"));
        }
        String single = prefix.isEmpty() ? one : prefix + names.capital(one);
        String plural = prefix.isEmpty() ? property : prefix + names.capital(property);
        List<Added> steps = new ArrayList<>();
        boolean isMap = arguments.size() == 2;
        String key = arguments.isEmpty() ? "java.lang.Object" : arguments.get(0).toString();
        String element = isMap ? key + " key, " + arguments.get(1) + " value" : key + " " + one;
        String all = isMap ? "java.util.Map<? extends " + key + ", ? extends " + arguments.get(1) + ">"
                : "java.util.Collection<? extends " + key + ">";
        steps.add(new Added(builder, "single-step", single, field, head + " " + single + "(" + element
                + ") { return this; }"));
        steps.add(new Added(builder, "step", plural, field, head + " " + plural + "(" + all + " " + property
                + ") { return this; }"));
        String clear = "clear" + names.capital(property);
        steps.add(new Added(builder, "clear-step", clear, field, head + " " + clear + "() { return this; }"));
        return steps;
    }

    private static String singular(String plural) {
        if (IRREGULAR.containsKey(plural)) {
            return IRREGULAR.get(plural);
        } else if (plural.endsWith("ies") && plural.length() > 4) {
            return plural.substring(0, plural.length() - 3) + "y";
        } else if (plural.matches(".*(ses|xes|zes|ches|shes|oes)")) {
            return plural.substring(0, plural.length() - 2);
        }
        return plural.endsWith("s") && !plural.endsWith("ss") ? plural.substring(0, plural.length() - 1) : "";
    }
}
