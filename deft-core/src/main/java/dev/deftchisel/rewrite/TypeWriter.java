package dev.deftchisel.rewrite;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.IntersectionType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;
import javax.lang.model.type.WildcardType;
import javax.lang.model.util.Elements;

/**
 * Writes types as source, by simple name where that means the type in the file, with an import where one can be added,
 * in full otherwise. Collects the imports that are needed on the way.
 */
public final class TypeWriter {

    private final Elements elements;
    private final SourceFile file;
    private final Set<String> names;
    private final Set<String> added = new TreeSet<>();
    private final Set<String> addedStatic = new TreeSet<>();

    /** @param code the file in which types are written */
    public TypeWriter(AttributedFile code) {
        this(code.file(), code.elements());
    }

    /**
     * A writer for a file that is not analysed, since it is only about to be written.
     *
     * @param file     with its package and the heads of its types
     * @param elements of the code that it will be with
     */
    TypeWriter(SourceFile file, Elements elements) {
        this.elements = elements;
        this.file = file;
        // what only imports name is no name of the file itself
        int imported = file.outline().imports().stream().mapToInt(line -> line.range().end()).max().orElse(0);
        this.names = file.tokens().names(new Range(imported, file.content().length()));
    }

    /**
     * A type as it can be written, or the nearest one that can: what the compiler captured or intersected has no name
     * (JLS 4.9, 5.1.10).
     *
     * @return empty when there is no such type, as for {@code null} or a local type that has no name
     */
    public Optional<String> write(TypeMirror type) {
        return write(type, 0);
    }

    private Optional<String> write(TypeMirror type, int depth) {
        // bounds that name themselves (T extends Comparable<T>) would go on for ever
        if (depth > 6) {
            return Optional.empty();
        }
        if (type.getKind().isPrimitive()) {
            return Optional.of(type.getKind().name().toLowerCase(Locale.ROOT));
        }
        if (type instanceof ArrayType array) {
            return write(array.getComponentType(), depth).map(component -> component + "[]");
        }
        if (type instanceof IntersectionType intersection) {
            return write(intersection.getBounds().get(0), depth + 1);
        }
        if (type instanceof TypeVariable variable) {
            return isCaptured(variable) ? write(variable.getUpperBound(), depth + 1)
                    : Optional.of(variable.asElement().getSimpleName().toString());
        }
        return type instanceof DeclaredType declared && type.getKind() == TypeKind.DECLARED
                ? declared(declared, depth)
                : Optional.empty();
    }

    /**
     * The type variable that capture conversion (JLS 5.1.10) makes has no declaration, and no name that could be one.
     */
    public static boolean isCaptured(TypeVariable variable) {
        return !variable.asElement().getSimpleName().toString().matches("[\\p{L}_$][\\p{L}\\p{N}_$]*");
    }

    private Optional<String> declared(DeclaredType type, int depth) {
        TypeElement element = (TypeElement) type.asElement();
        if (element.getSimpleName().length() == 0) {
            // an anonymous class: the type it was made from
            TypeMirror above = element.getInterfaces().isEmpty() ? element.getSuperclass() : element.getInterfaces()
                    .get(0);
            return write(above, depth + 1);
        }
        boolean isInner = type.getEnclosingType() instanceof DeclaredType outer && !outer.getTypeArguments().isEmpty();
        Optional<String> name = isInner
                ? write(type.getEnclosingType(), depth + 1).map(outer -> outer + "." + element.getSimpleName())
                : Optional.of(name(element));
        List<String> arguments = new ArrayList<>();
        for (TypeMirror argument : type.getTypeArguments()) {
            Optional<String> written = argument(argument, depth + 1);
            if (written.isEmpty()) {
                return Optional.empty();
            }
            arguments.add(written.get());
        }
        return name.map(written -> arguments.isEmpty() ? written : written + "<" + String.join(", ", arguments) + ">");
    }

    private Optional<String> argument(TypeMirror argument, int depth) {
        if (argument instanceof WildcardType wildcard) {
            return wildcard(wildcard.getExtendsBound(), wildcard.getSuperBound(), depth);
        }
        if (argument instanceof TypeVariable variable && isCaptured(variable)) {
            boolean hasLower = variable.getLowerBound() != null && variable.getLowerBound().getKind() != TypeKind.NULL;
            return hasLower ? wildcard(null, variable.getLowerBound(), depth)
                    : wildcard(variable.getUpperBound(), null, depth);
        }
        if (argument instanceof IntersectionType) {
            return wildcard(argument, null, depth);
        }
        return write(argument, depth);
    }

    private Optional<String> wildcard(TypeMirror above, TypeMirror below, int depth) {
        if (below != null) {
            return write(below, depth).map(bound -> "? super " + bound);
        }
        if (above == null || NamedTypes.is(above, "java.lang.Object")) {
            return Optional.of("?");
        }
        return write(above, depth).map(bound -> "? extends " + bound);
    }

    /** The name of a class without type arguments, as it can be written. */
    public String name(TypeElement type) {
        String simple = type.getSimpleName().toString();
        Element owner = type.getEnclosingElement();
        if (!(owner instanceof TypeElement outer)) {
            return owner.getKind() == ElementKind.PACKAGE ? topLevel(type) : simple;
        }
        // what an anonymous class declares is known by its simple name only
        return outer.getSimpleName().isEmpty() || isUsed(type) || isMemberAround(outer) ? simple
                : name(outer) + "." + simple;
    }

    /** Whether the simple name means this type somewhere in the file, outside of its own declaration. */
    private boolean isUsed(TypeElement type) {
        String qualified = type.getQualifiedName().toString();
        return file.outline().imports().stream()
                .anyMatch(line -> !line.isStatic() && !line.isOnDemand() && line.name().equals(qualified));
    }

    private boolean isMemberAround(TypeElement outer) {
        return file.outline().types().stream()
                .anyMatch(sketch -> file.outline().qualifiedName(sketch).contentEquals(outer.getQualifiedName()));
    }

    private String topLevel(TypeElement type) {
        String simple = type.getSimpleName().toString();
        String qualified = type.getQualifiedName().toString();
        String home = qualified.substring(0, Math.max(0, qualified.length() - simple.length() - 1));
        boolean isHidden = file.outline().types().stream()
                .anyMatch(sketch -> sketch.name().equals(simple) && !file.outline().qualifiedName(sketch)
                        .equals(qualified));
        Optional<ImportOutline> taken = file.outline().imports().stream()
                .filter(line -> !line.isOnDemand() && line.simpleName().equals(simple))
                .findFirst();
        boolean isImported = isUsed(type) || added.contains(qualified);
        if (isHidden || taken.isPresent() && !isImported) {
            return qualified;
        }
        boolean isHere = home.equals(file.header().packageName());
        boolean isDefault = home.equals("java.lang");
        boolean isOnDemand = file.outline().imports().stream()
                .anyMatch(line -> line.isOnDemand() && !line.isStatic() && line.name().equals(home));
        if (isImported || isHere || (isDefault || isOnDemand) && !isInPackage(simple, qualified)) {
            return simple;
        }
        if (names.contains(simple) || home.isEmpty()) {
            return home.isEmpty() ? simple : qualified;
        }
        added.add(qualified);
        return simple;
    }

    private boolean isInPackage(String simple, String qualified) {
        String here = file.header().packageName();
        String candidate = here.isEmpty() ? simple : here + "." + simple;
        return !candidate.equals(qualified) && elements.getTypeElement(candidate) != null;
    }

    /** Has a type imported that is only about to be declared. */
    public void importing(String qualifiedName) {
        added.add(qualifiedName);
    }

    /** Has a member imported by its type and name (JLS 7.5.3). */
    public void importingStatic(String qualifiedName) {
        addedStatic.add(qualifiedName);
    }

    /** The imports to add; empty when none are needed. */
    public List<Edit> imports() {
        List<Edit> edits = new ArrayList<>(imports(added, false));
        edits.addAll(imports(addedStatic, true));
        return edits;
    }

    private List<Edit> imports(Set<String> added, boolean isStatic) {
        if (added.isEmpty()) {
            return List.of();
        }
        String end = Layout.of(file).lineEnd();
        String word = isStatic ? "import static " : "import ";
        List<ImportOutline> known = file.outline().imports().stream().filter(line -> line.isStatic() == isStatic)
                .toList();
        if (known.isEmpty()) {
            String lines = added.stream().map(name -> end + word + name + ";").collect(Collectors.joining());
            int at = behindPackage();
            String rest = file.content().substring(at).lines().skip(1).findFirst().orElse("");
            return List.of(Edit.of(new Range(at, at), at == 0 ? lines.substring(end.length()) + end
                    + (file.content().startsWith(end) ? "" : end)
                    : end + lines + (rest.isBlank() ? "" : end), Edit.Kind.IMPORT));
        }
        List<Edit> edits = new ArrayList<>();
        for (String name : added) {
            // among those it has most in common with, after the last one that sorts before it; the order of others is
            // left alone
            int most = known.stream().mapToInt(line -> common(line.name(), name)).max().orElse(0);
            List<ImportOutline> group = known.stream().filter(line -> most < 2 || common(line.name(), name) == most)
                    .toList();
            Optional<ImportOutline> before = group.stream()
                    .filter(line -> line.name().compareTo(name) < 0)
                    .reduce((one, other) -> other);
            int at = before.map(line -> line.range().end()).orElse(group.get(0).range().start());
            edits.add(Edit.of(new Range(at, at), before.isPresent() ? end + word + name + ";" : word + name + ";" + end,
                    Edit.Kind.IMPORT));
        }
        return edits;
    }

    /** How many parts of two names are the same, from the first on. */
    public static int common(String one, String other) {
        String[] parts = one.split("\\.");
        String[] others = other.split("\\.");
        int count = 0;
        while (count < parts.length && count < others.length && parts[count].equals(others[count])) {
            count++;
        }
        return count;
    }

    private int behindPackage() {
        Tokens tokens = file.tokens();
        Range range = file.outline().packageRange();
        if (range.length() == 0) {
            return 0;
        }
        int semicolon = tokens.code(tokens.at(range.end() - 1) + 1);
        return semicolon < tokens.count() ? tokens.end(semicolon) : range.end();
    }
}
