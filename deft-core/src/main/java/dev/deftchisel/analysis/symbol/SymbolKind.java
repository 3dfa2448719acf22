package dev.deftchisel.analysis.symbol;

/** What kind of declaration a symbol is, in the words shown to users. */
public enum SymbolKind {
    MODULE("module"),
    PACKAGE("package"),
    CLASS("class"),
    INTERFACE("interface"),
    ENUM("enum"),
    RECORD("record"),
    ANNOTATION("annotation type"),
    TYPE_PARAMETER("type parameter"),
    FIELD("field"),
    ENUM_CONSTANT("enum constant"),
    RECORD_COMPONENT("record component"),
    METHOD("method"),
    ANNOTATION_ELEMENT("annotation element"),
    CONSTRUCTOR("constructor"),
    PARAMETER("parameter"),
    LAMBDA_PARAMETER("lambda parameter"),
    LOCAL_VARIABLE("local variable"),
    PATTERN_BINDING("pattern variable"),
    CATCH_PARAMETER("catch parameter"),
    RESOURCE_VARIABLE("resource variable"),
    LABEL("label"),
    UNKNOWN("unresolved name");

    private final String words;

    SymbolKind(String words) {
        this.words = words;
    }

    /** For instance "local variable". */
    public String words() {
        return words;
    }

    /** Whether it declares a type other than a type parameter. */
    public boolean isType() {
        return this == CLASS || this == INTERFACE || this == ENUM || this == RECORD || this == ANNOTATION;
    }

    /** Whether it is a method with a body or an annotation element. */
    public boolean isMethod() {
        return this == METHOD || this == ANNOTATION_ELEMENT;
    }

    /** Whether it is declared as a member that holds a value. */
    public boolean isField() {
        return this == FIELD || this == ENUM_CONSTANT || this == RECORD_COMPONENT;
    }

    /** Whether nothing outside the file can name it. */
    public boolean isLocal() {
        return switch (this) {
            case PARAMETER, LAMBDA_PARAMETER, LOCAL_VARIABLE, PATTERN_BINDING, CATCH_PARAMETER, RESOURCE_VARIABLE,
                LABEL, TYPE_PARAMETER -> true;
            default -> false;
        };
    }
}
