package dev.deftchisel.analysis.scope;

import com.sun.source.util.JavacTask;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.TypeParameterElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.util.Elements;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.StandardLocation;
import javax.tools.ToolProvider;

/** The class files in a folder, and how their members would be declared in source; each declaration on one line. */
final class ClassFiles implements AutoCloseable {

    private static final Set<Modifier> OF_CODE = Set.of(Modifier.NATIVE, Modifier.SYNCHRONIZED, Modifier.STRICTFP);
    private static final String NO_BODY = " { throw null; }";
    private static final String OBJECT = "java.lang.Object";

    private final StandardJavaFileManager manager;
    private final Elements elements;
    private final Instant opened = Instant.now();

    /**
     * @param folder    with the class files
     * @param classPath what they need
     */
    ClassFiles(Path folder, List<Path> classPath) throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        this.manager = compiler.getStandardFileManager(null, Locale.ROOT, StandardCharsets.UTF_8);
        manager.setLocationFromPaths(StandardLocation.CLASS_PATH, Stream.concat(Stream.of(folder), classPath.stream())
                .filter(Files::exists).toList());
        this.elements = ((JavacTask) compiler.getTask(null, manager, found -> { }, List.of("-proc:none"), null,
                List.of())).getElements();
    }

    /** Whether a class file was written after the folder was looked at. */
    boolean isOlderThan(FileTime written) {
        return written.toInstant().isAfter(opened);
    }

    /** The type of a canonical name. */
    Optional<TypeElement> type(String name) {
        return Optional.ofNullable(elements.getTypeElement(name));
    }

    /**
     * A declaration that has no code.
     *
     * @param owner the simple name of the type it is in
     */
    String declaration(Element member, String owner) {
        if (member instanceof TypeElement type) {
            return type(type);
        } else if (member instanceof VariableElement field) {
            return modifiers(field) + NamedTypes.shown(field.asType()) + " " + field.getSimpleName()
                    + (field.getModifiers().contains(Modifier.FINAL) ? " = " + value(field) : "") + ";";
        }
        return member instanceof ExecutableElement method ? method(method, owner) : "";
    }

    private static String modifiers(Element element) {
        return element.getModifiers().stream().filter(modifier -> !OF_CODE.contains(modifier))
                .map(modifier -> modifier + " ").collect(Collectors.joining());
    }

    private String value(VariableElement field) {
        Object constant = field.getConstantValue();
        TypeKind kind = field.asType().getKind();
        if (constant != null) {
            return elements.getConstantExpression(constant);
        }
        if (kind == TypeKind.BOOLEAN) {
            return "false";
        }
        return kind.isPrimitive() ? "0" : "null";
    }

    private static String method(ExecutableElement method, String owner) {
        boolean isConstructor = method.getKind() == ElementKind.CONSTRUCTOR;
        String parameters = method.getParameters().stream().map(parameter -> parameter(parameter, method))
                .collect(Collectors.joining(", "));
        String thrown = method.getThrownTypes().isEmpty() ? ""
                : method.getThrownTypes().stream().map(NamedTypes::shown)
                .collect(Collectors.joining(", ", " throws ", ""));
        boolean hasBody = !method.getModifiers().contains(Modifier.ABSTRACT);
        return modifiers(method) + typeParameters(method.getTypeParameters())
                + (isConstructor ? owner : NamedTypes.shown(method.getReturnType()) + " " + method.getSimpleName())
                + "(" + parameters + ")" + thrown + (hasBody ? NO_BODY : ";");
    }

    private static String parameter(VariableElement parameter, ExecutableElement method) {
        boolean isLast = method.getParameters().indexOf(parameter) == method.getParameters().size() - 1;
        return (isLast && method.isVarArgs() ? NamedTypes.shown(((ArrayType) parameter.asType()).getComponentType())
                + "..."
                : NamedTypes.shown(parameter.asType())) + " " + parameter.getSimpleName();
    }

    private static String typeParameters(List<? extends TypeParameterElement> all) {
        return all.isEmpty() ? "" : all.stream().map(ClassFiles::typeParameter)
                .collect(Collectors.joining(", ", "<", "> "));
    }

    private static String typeParameter(TypeParameterElement parameter) {
        List<String> bounds = parameter.getBounds().stream().map(NamedTypes::shown)
                .filter(bound -> !bound.equals(OBJECT)).toList();
        return parameter.getSimpleName() + (bounds.isEmpty() ? "" : " extends " + String.join(" & ", bounds));
    }

    private String type(TypeElement type) {
        boolean isInterface = type.getKind().isInterface();
        String name = type.getSimpleName().toString();
        TypeMirror above = type.getSuperclass();
        String extended = isInterface || above.getKind() == TypeKind.NONE || NamedTypes.is(above, OBJECT) ? ""
                : " extends " + NamedTypes.shown(above);
        String implemented = type.getInterfaces().isEmpty() ? "" : type.getInterfaces().stream().map(NamedTypes::shown)
                .collect(Collectors.joining(", ", isInterface ? " extends " : " implements ", ""));
        String members = type.getEnclosedElements().stream()
                .filter(member -> member.getSimpleName().toString().indexOf('$') < 0)
                .map(member -> declaration(member, name)).collect(Collectors.joining(" "));
        return modifiers(type) + (isInterface ? "interface " : "class ") + name
                + typeParameters(type.getTypeParameters()).strip() + extended + implemented
                + " { " + members + " }";
    }

    @Override
    public void close() throws IOException {
        manager.close();
    }
}
