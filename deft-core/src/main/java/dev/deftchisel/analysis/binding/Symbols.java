package dev.deftchisel.analysis.binding;

import dev.deftchisel.analysis.scope.SourceNames;
import dev.deftchisel.analysis.symbol.ElementKeys;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.PackageElement;
import javax.lang.model.element.QualifiedNameable;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.element.VariableElement;

/** The symbols met in one compiler run, by key. */
public final class Symbols {

    private final ElementKeys keys;
    private final SourceNames sources;
    private final Map<SymbolKey, SymbolKind> localKinds = new HashMap<>();
    private final Map<SymbolKey, String> labels = new HashMap<>();

    public Symbols(ElementKeys keys, SourceNames sources) {
        this.keys = keys;
        this.sources = sources;
    }

    public ElementKeys keys() {
        return keys;
    }

    public SymbolKey key(Element element) {
        return keys.key(element);
    }

    /** Gives a type that has no name of its own in class files the place where it is declared as its key. */
    void registerType(TypeElement type, Path file, int offset) {
        boolean inBody = type.getNestingKind() == NestingKind.LOCAL || type.getNestingKind() == NestingKind.ANONYMOUS
                || type.getEnclosingElement() instanceof TypeElement outer
                && key(outer) instanceof SymbolKey.LocalType;
        if (inBody) {
            keys.register(type, new SymbolKey.LocalType(file, offset));
        }
    }

    /** Gives a variable within a body the place where it is declared as its key. */
    void registerVariable(VariableElement variable, SymbolKind kind, Path file, int offset) {
        if (!variable.getKind().isField()) {
            SymbolKey key = new SymbolKey.Local(file, offset);
            keys.register(variable, key);
            localKinds.putIfAbsent(keys.key(variable), kind);
        }
    }

    void noteLabel(SymbolKey key, String name) {
        labels.put(key, name);
    }

    public Optional<Symbol> symbol(SymbolKey key) {
        if (labels.containsKey(key)) {
            return Optional.of(new Symbol(
                    key, SymbolKind.LABEL, labels.get(key), labels.get(key), Optional.empty(), Set.of(), true));
        }
        if (key instanceof SymbolKey.Package known && sources.hasPackage(known)) {
            return Optional.of(new Symbol(
                    key, SymbolKind.PACKAGE, known.name(), known.name(), Optional.empty(), Set.of(), true));
        }
        return keys.element(key).map(element -> symbol(key, element));
    }

    private Symbol symbol(SymbolKey key, Element element) {
        String name;
        if (element instanceof PackageElement named) {
            name = named.getQualifiedName().toString();
        } else if (element.getKind() == ElementKind.CONSTRUCTOR) {
            name = element.getEnclosingElement().getSimpleName().toString();
        } else {
            name = element.getSimpleName().toString();
        }
        Element owner = element.getEnclosingElement();
        Optional<SymbolKey> ownerKey = owner == null || element.getKind() == ElementKind.PACKAGE
                ? Optional.empty()
                : Optional.of(key(owner));
        return new Symbol(key, kind(key, element), name, signature(element), ownerKey,
                element.getModifiers(), isSource(element));
    }

    private SymbolKind kind(SymbolKey key, Element element) {
        return switch (element.getKind()) {
            case MODULE -> SymbolKind.MODULE;
            case PACKAGE -> SymbolKind.PACKAGE;
            case CLASS -> SymbolKind.CLASS;
            case INTERFACE -> SymbolKind.INTERFACE;
            case ENUM -> SymbolKind.ENUM;
            case RECORD -> SymbolKind.RECORD;
            case ANNOTATION_TYPE -> SymbolKind.ANNOTATION;
            case TYPE_PARAMETER -> SymbolKind.TYPE_PARAMETER;
            case ENUM_CONSTANT -> SymbolKind.ENUM_CONSTANT;
            case RECORD_COMPONENT -> SymbolKind.RECORD_COMPONENT;
            case FIELD -> isComponent(element) ? SymbolKind.RECORD_COMPONENT : SymbolKind.FIELD;
            case CONSTRUCTOR -> SymbolKind.CONSTRUCTOR;
            case METHOD -> element.getEnclosingElement().getKind() == ElementKind.ANNOTATION_TYPE
                    ? SymbolKind.ANNOTATION_ELEMENT
                    : SymbolKind.METHOD;
            default -> localKinds.getOrDefault(key,
                    key instanceof SymbolKey.Field ? SymbolKind.RECORD_COMPONENT : SymbolKind.UNKNOWN);
        };
    }

    /** The fields of a record that are not static are its components (JLS 8.10.3). */
    private static boolean isComponent(Element field) {
        return field.getEnclosingElement().getKind() == ElementKind.RECORD
                && !field.getModifiers().contains(javax.lang.model.element.Modifier.STATIC);
    }

    private String signature(Element element) {
        if (element instanceof ExecutableElement method) {
            String name = method.getKind() == ElementKind.CONSTRUCTOR
                    ? ""
                    : "." + method.getSimpleName();
            String parameters = method.getParameters().stream()
                    .map(parameter -> shortType(NamedTypes.shown(parameter.asType())))
                    .collect(Collectors.joining(", "));
            return simple(method.getEnclosingElement()) + name + "("
                    + (method.isVarArgs() ? parameters.replaceFirst("\\[\\]$", "...") : parameters) + ")";
        }
        if (element instanceof VariableElement && element.getKind().isField()) {
            return simple(element.getEnclosingElement()) + "." + element.getSimpleName();
        }
        return element instanceof QualifiedNameable named && named.getQualifiedName().length() > 0
                ? named.getQualifiedName().toString()
                : simple(element);
    }

    private static String simple(Element element) {
        return element.getSimpleName().length() == 0 ? "(anonymous)" : element.getSimpleName().toString();
    }

    /** Type names without their packages and annotations, for reading. */
    private static String shortType(String type) {
        return type.replaceAll("@[\\w.]+(\\([^)]*\\))?\\s*", "").replaceAll("\\b(?:[a-z_][\\w]*\\.)+(?=[A-Z])", "");
    }

    private boolean isSource(Element element) {
        SymbolKey key = key(element);
        if (key instanceof SymbolKey.Type type) {
            return sources.hasType(type);
        }
        if (key instanceof SymbolKey.Package home) {
            return sources.hasPackage(home);
        }
        if (key instanceof SymbolKey.Field || key instanceof SymbolKey.Method) {
            return element.getEnclosingElement() != null && isSource(element.getEnclosingElement());
        }
        return !(key instanceof SymbolKey.Module) && !(key instanceof SymbolKey.Unknown)
                && (!(key instanceof SymbolKey.TypeParameter)
                || isSource(((TypeParameterElement) element).getGenericElement()));
    }
}
