package dev.deftchisel.external;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The frameworks that are met most often, and the platform itself. */
public final class KnownFrameworks implements ExternalNames {

    private static final String JACKSON = "com.fasterxml.jackson.annotation.";
    private static final String WEB = "org.springframework.web.bind.annotation.";
    private static final String STEREOTYPE = "org.springframework.stereotype.";
    private static final Set<String> ASSOCIATIONS = Set.of("Transient", "ManyToOne", "OneToOne", "OneToMany",
            "ManyToMany", "JoinColumn",
            "Embedded", "EmbeddedId", "ElementCollection");
    private static final List<ExternalNames> ALL = all();

    /** For the service. */
    public KnownFrameworks() {
        // nothing to keep
    }

    @Override
    public List<ExternalName> of(NamedElement declared) {
        return ALL.stream().flatMap(framework -> framework.of(declared).stream()).toList();
    }

    private static List<ExternalNames> all() {
        List<ExternalNames> all = new ArrayList<>();
        Set<String> jackson = Set.of(JACKSON, "com.fasterxml.jackson.databind.annotation.",
                "tools.jackson.databind.annotation.");
        all.add(new MappedNames("JSON property (Jackson)", jackson, MappedNames.Access.BEANS,
                Optional.of(JACKSON + "JsonProperty"), "value",
                names(JACKSON, "JsonIgnore", "JsonValue", "JsonAnyGetter", "JsonAnySetter", "JsonUnwrapped", "JsonKey",
                        "JsonGetter", "JsonSetter")));
        all.add(new MappedNames("JSON value (Jackson)", jackson, MappedNames.Access.CONSTANTS,
                Optional.of(JACKSON + "JsonProperty"), "value",
                Set.of()));
        String gson = "com.google.gson.annotations.";
        all.add(new MappedNames("JSON property (Gson)", Set.of(gson), MappedNames.Access.FIELDS,
                Optional.of(gson + "SerializedName"), "value", Set.of()));
        all.add(new MappedNames("JSON value (Gson)", Set.of(gson), MappedNames.Access.CONSTANTS,
                Optional.of(gson + "SerializedName"), "value", Set.of()));
        String mongo = "org.springframework.data.mongodb.core.mapping.";
        all.add(new MappedNames("field of a document (MongoDB)", Set.of(mongo), MappedNames.Access.FIELDS,
                Optional.of(mongo + "Field"), "value",
                Set.of("org.springframework.data.annotation.Transient", "org.springframework.data.annotation.Id")));
        all.add(new MappedNames("configuration property (Spring)",
                Set.of("org.springframework.boot.context.properties.ConfigurationProperties"),
                MappedNames.Access.BEANS, Optional.empty(), "", Set.of()));
        for (String home : List.of("jakarta.", "javax.")) {
            all.addAll(enterprise(home));
        }
        all.add(new AnnotatedNames("request parameter (Spring)",
                names(WEB, "RequestParam", "PathVariable", "RequestHeader", "CookieValue", "RequestPart",
                "MatrixVariable"), "name"));
        all.add(new AnnotatedNames("bean (Spring)", Stream
                .concat(names(STEREOTYPE, "Component", "Service", "Repository", "Controller").stream(),
                Stream.of(WEB + "RestController", "org.springframework.context.annotation.Configuration"))
                .collect(Collectors.toSet()), "value"));
        all.add(new AnnotatedNames("bean (Spring)", Set.of("org.springframework.context.annotation.Bean"), "name"));
        all.add(new AnnotatedNames("source of arguments for a test (JUnit)",
                Set.of("org.junit.jupiter.params.provider.MethodSource"), "value"));
        all.add(new JavaNames());
        return List.copyOf(all);
    }

    private static List<ExternalNames> enterprise(String home) {
        String json = home + "json.bind.annotation.";
        String persistence = home + "persistence.";
        String xml = home + "xml.bind.annotation.";
        return List.of(
                new MappedNames("JSON property (JSON-B)", Set.of(json), MappedNames.Access.BEANS,
                        Optional.of(json + "JsonbProperty"), "value",
                        names(json, "JsonbTransient")),
                new MappedNames("column, and attribute in queries (JPA)", Set.of(persistence),
                        MappedNames.Access.LIKE_IDENTITY, Optional.of(persistence + "Column"), "name",
                        ASSOCIATIONS.stream().map(persistence::concat).collect(Collectors.toSet())),
                new AnnotatedNames("table, and entity in queries (JPA)", names(persistence, "Entity"), "name"),
                new MappedNames("XML element (JAXB)", Set.of(xml), MappedNames.Access.BEANS,
                        Optional.of(xml + "XmlElement"), "name",
                        names(xml, "XmlTransient", "XmlAttribute", "XmlValue", "XmlElements", "XmlAnyElement",
                                "XmlMixed")),
                new AnnotatedNames("XML attribute (JAXB)", names(xml, "XmlAttribute"), "name"),
                new AnnotatedNames("XML element (JAXB)", names(xml, "XmlRootElement"), "name"),
                new MappedNames("XML value (JAXB)", Set.of(xml), MappedNames.Access.CONSTANTS,
                        Optional.of(xml + "XmlEnumValue"), "value", Set.of()),
                new AnnotatedNames("bean (CDI)", Set.of(home + "inject.Named"), "value"));
    }

    private static Set<String> names(String home, String... simple) {
        return Stream.of(simple).map(home::concat).collect(Collectors.toSet());
    }
}
