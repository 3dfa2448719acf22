package dev.deftchisel.gradle.script;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What names in a script stand for: variables, properties of {@code gradle.properties}, versions of catalogs. */
public final class Variables {

    /** {@code $name}, {@code ${name.of.more}}. */
    private static final Pattern PLACEHOLDER = Pattern.compile("\\$(?:\\{([^}]*)\\}|([A-Za-z_][A-Za-z_0-9]*))");
    private static final Pattern OWNER = Pattern
            .compile("^(?:(?:project|rootProject|this|ext|extra|gradle|target)\\.)+");
    /** What is called on a value without making another of it. */
    private static final Pattern SAME = Pattern.compile(
            "(?:\\.(?:get|getOrNull|orNull|toString|toInteger|toInt|asProvider|intValue|trim|toBigDecimal))+$");
    private static final Set<String> LOOKING_UP = Set.of("property", "findProperty", "providers.gradleProperty",
            "getProperty",
            "get", "ext.get", "extra.get", "properties.get", "providers.systemProperty");
    /** Functions whose value is that of their one argument, as far as text goes. */
    private static final Set<String> HANDING_ON = Set.of("extra", "JavaLanguageVersion.of", "JavaVersion.toVersion",
            "Integer.parseInt",
            "Integer.valueOf", "String.valueOf", "providers.provider", "provider");
    private static final int DEEPEST = 20;

    private final Optional<Variables> outer;
    private final List<Catalog> catalogs;
    private final Map<String, Value> own = new HashMap<>();

    /** @param outer where what is not known here is looked up */
    public Variables(Optional<Variables> outer, List<Catalog> catalogs) {
        this.outer = outer;
        this.catalogs = catalogs;
    }

    public void set(String name, Value value) {
        own.put(plain(name), value);
    }

    List<Catalog> catalogs() {
        return catalogs;
    }

    private static String plain(String name) {
        return OWNER.matcher(name).replaceFirst("");
    }

    /** The text that a value is, if that is said plainly. */
    public Optional<String> text(Value value) {
        return text(value, 0);
    }

    private Optional<String> text(Value value, int depth) {
        if (depth > DEEPEST) {
            return Optional.empty();
        }
        if (value instanceof Value.Text text) {
            return text.hasPlaceholders() ? filled(text.text(), depth) : Optional.of(text.text());
        } else if (value instanceof Value.Reference reference) {
            return named(reference.name(), depth);
        } else if (value instanceof Value.Call call) {
            return called(call, depth);
        } else if (value instanceof Value.Joined joined) {
            StringBuilder all = new StringBuilder();
            for (Value part : joined.values()) {
                Optional<String> text = text(part, depth + 1);
                if (text.isEmpty()) {
                    return Optional.empty();
                }
                all.append(text.get());
            }
            return Optional.of(all.toString());
        }
        return Optional.empty();
    }

    private Optional<String> filled(String pattern, int depth) {
        StringBuilder filled = new StringBuilder();
        Matcher matcher = PLACEHOLDER.matcher(pattern);
        while (matcher.find()) {
            String inside = matcher.group(1) == null ? matcher.group(2) : matcher.group(1);
            List<Statement> said = ScriptParser.parse("value = " + inside);
            Optional<String> value = said.isEmpty() ? Optional.empty() : said.get(0).first()
                    .flatMap(one -> text(one, depth + 1));
            if (value.isEmpty()) {
                return Optional.empty();
            }
            matcher.appendReplacement(filled, Matcher.quoteReplacement(value.get()));
        }
        matcher.appendTail(filled);
        return Optional.of(filled.toString());
    }

    private Optional<String> named(String written, int depth) {
        String name = plain(written);
        if (name.startsWith("JavaVersion.VERSION_")) {
            return Optional.of(name.substring("JavaVersion.VERSION_".length()).replace('_', '.'));
        }
        Optional<Value> known = Optional.ofNullable(own.get(name));
        if (known.isPresent()) {
            // a variable may be set anew from its outer namesake
            boolean isItself = known.get() instanceof Value.Reference other && plain(other.name()).equals(name);
            return isItself ? outer.flatMap(around -> around.named(written, depth + 1)) : text(known.get(), depth + 1);
        }
        String bare = SAME.matcher(name).replaceFirst("");
        if (!bare.equals(name)) {
            return named(bare, depth + 1);
        }
        Optional<String> version = catalogs.stream().flatMap(catalog -> catalog.version(name).stream()).findFirst();
        return version.isPresent() ? version : outer.flatMap(around -> around.named(written, depth + 1));
    }

    private Optional<String> called(Value.Call call, int depth) {
        String bare = SAME.matcher(call.name()).replaceFirst("");
        String name = call.arguments().isEmpty() ? bare : call.name();
        if (call.arguments().isEmpty()) {
            return named(name, depth + 1);
        }
        Optional<String> first = text(call.arguments().get(0).value(), depth + 1);
        String function = LOOKING_UP.contains(plain(call.name())) ? plain(call.name()) : plain(bare);
        if (LOOKING_UP.contains(function) || LOOKING_UP.contains(call.name())) {
            return first.flatMap(key -> named(key, depth + 1));
        }
        return HANDING_ON.contains(function) || HANDING_ON.contains(bare) ? first : Optional.empty();
    }
}
