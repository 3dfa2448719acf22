package dev.deftchisel.added.lombok;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.AnnotatedType;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What accessors of a field are called, by {@code @Accessors} at the field, else at the type, else by configuration.
 */
final class LombokAccessorNames {

    private final ConfiguredType reading;
    private final VariableTree field;
    private final Optional<AnnotationTree> own;

    LombokAccessorNames(ConfiguredType reading, VariableTree field) {
        this.reading = reading;
        this.field = field;
        this.own = reading.annotation(field.getModifiers(), "Accessors").or(() -> reading.annotation("Accessors"));
    }

    private boolean is(String element) {
        return own.flatMap(one -> AnnotatedType.text(one, element)).map("true"::equals)
                .orElseGet(() -> reading.config().is("lombok.accessors." + element));
    }

    boolean isFluent() {
        return is("fluent");
    }

    /** Whether a setter returns its object. */
    boolean isChained() {
        return is("chain") || isFluent() && own.flatMap(one -> AnnotatedType.text(one, "chain")).isEmpty();
    }

    private List<String> prefixes() {
        Optional<ExpressionTree> said = own.flatMap(one -> AnnotatedType.value(one, "prefix"));
        if (said.isPresent()) {
            List<? extends ExpressionTree> all = said.get() instanceof NewArrayTree many ? many.getInitializers()
                    : List.of(said.get());
            return all.stream().map(Object::toString).map(text -> text.replace("\"", "")).toList();
        }
        return reading.config().text("lombok.accessors.prefix").map(text -> Arrays.asList(text.split("\\s+")))
                .orElse(List.of());
    }

    /** The name of the property; empty when no prefix that is asked for is there. */
    Optional<String> property() {
        String name = field.getName().toString();
        List<String> prefixes = prefixes();
        if (prefixes.isEmpty()) {
            return Optional.of(name);
        }
        for (String prefix : prefixes) {
            boolean isWord = prefix.isEmpty() || name.length() > prefix.length() && name.startsWith(prefix)
                    && (!Character.isLetter(prefix.charAt(prefix.length() - 1))
                            || !Character.isLowerCase(name.charAt(prefix.length())));
            if (isWord) {
                String rest = name.substring(prefix.length());
                return Optional.of(prefix.isEmpty() ? rest : Character.toLowerCase(rest.charAt(0)) + rest.substring(1));
            }
        }
        return Optional.empty();
    }

    boolean isBoolean() {
        return field.getType().toString().equals("boolean");
    }

    Optional<String> getter() {
        return property().map(name -> isFluent() ? name
                : isBoolean() ? "is" + capital(withoutIs(name)) : "get" + capital(name));
    }

    /** A boolean field whose own name says so has accessors without saying it twice. */
    private String withoutIs(String name) {
        boolean saysIs = isBoolean() && name.startsWith("is") && name.length() > 2
                && !Character.isLowerCase(name.charAt(2));
        return saysIs ? name.substring(2) : name;
    }

    Optional<String> setter() {
        return property().map(name -> isFluent() ? name : "set" + capital(withoutIs(name)));
    }

    Optional<String> with() {
        return property().map(name -> isFluent() ? "with" + capital(name) : "with" + capital(withoutIs(name)));
    }

    String capital(String name) {
        boolean isBeans = reading.config().text("lombok.accessors.capitalization").filter("beanspec"::equalsIgnoreCase)
                .isPresent();
        boolean stays = isBeans && name.length() > 1 && Character.isUpperCase(name.charAt(1));
        return stays || name.isEmpty() ? name : Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }
}
