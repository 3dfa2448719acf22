package dev.deftchisel.analysis.symbol;

import java.util.Set;
import java.util.regex.Pattern;
import javax.lang.model.element.QualifiedNameable;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Asks a type for its name. A type's own text also has its annotations (JLS 9.7.4) and arguments in it, as in
 * {@code java.lang.@Checked String}, so that it must be compared with nothing.
 */
public final class NamedTypes {

    private static final Pattern PACKAGE = Pattern.compile("\\b(?:\\p{Ll}\\w*\\.)+(?=\\p{Lu})");
    private static final Pattern ANNOTATION = Pattern.compile("@[\\w.$]+(\\([^()]*\\))?\\s*,?\\s*");

    private NamedTypes() {
    }

    /** Whether a type is the class or interface of a qualified name, whatever its arguments and annotations. */
    public static boolean is(TypeMirror type, String qualifiedName) {
        return type instanceof DeclaredType declared && declared.asElement() instanceof QualifiedNameable element
                && element.getQualifiedName().contentEquals(qualifiedName);
    }

    /** Whether a type is one of some classes or interfaces. */
    public static boolean isOneOf(TypeMirror type, Set<String> qualifiedNames) {
        return type instanceof DeclaredType declared && declared.asElement() instanceof QualifiedNameable element
                && qualifiedNames.contains(element.getQualifiedName().toString());
    }

    /** A type for people, with qualified names and without annotations. */
    public static String shown(TypeMirror type) {
        return ANNOTATION.matcher(type.toString()).replaceAll("");
    }

    /** The same with simple names, for code in which they are looked up and imported. */
    public static String simple(TypeMirror type) {
        return PACKAGE.matcher(shown(type)).replaceAll("");
    }
}
