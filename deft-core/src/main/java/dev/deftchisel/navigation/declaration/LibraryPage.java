package dev.deftchisel.navigation.declaration;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.surroundings.StateFolder;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.ModuleElement;
import javax.lang.model.element.TypeElement;

/**
 * The file that a library declares something in: its source where there is an archive of it, otherwise what the class
 * file says, written as Java.
 *
 * @param file where it is to be read, in the state folder of the workspace; it need not be there yet
 * @param name of the declaration in it
 */
public record LibraryPage(SourceFile file, Range name) {

    private static final String NO_SOURCE = "// What the class file says; there is no archive of the source.%n";

    /**
     * The page of a symbol.
     *
     * @param known     an element of a library or of the JDK
     * @param key       its identity
     * @param classPath of the code that names it
     * @param root      of the workspace
     */
    public static Optional<LibraryPage> of(Analysis.KnownElement known, SymbolKey key, List<Path> classPath,
            Path root) {
        return topLevel(known.element()).flatMap(type -> {
            String name = type.getQualifiedName().toString();
            ModuleElement module = known.elements().getModuleOf(type);
            String jdkModule = module == null || module.isUnnamed() ? "" : module.getQualifiedName().toString();
            String text = new LibrarySources(classPath, Path.of(System.getProperty("java.home")))
                    .of(jdkModule, name).orElseGet(() -> printed(type, known));
            Path path = new StateFolder(root).path().resolve("libraries").resolve(name.replace('.', '/') + ".java");
            SourceFile page = SourceFile.alone(path, text);
            return OutlinedDeclaration.of(key, page).or(() -> overload(known.element(), page))
                    .or(() -> OutlinedDeclaration.of(new SymbolKey.Type(name), page))
                    .map(range -> new LibraryPage(page, range));
        });
    }

    private static Optional<TypeElement> topLevel(Element element) {
        Element at = element;
        Optional<TypeElement> type = Optional.empty();
        while (at != null) {
            type = at instanceof TypeElement found ? Optional.of(found) : type;
            at = at.getEnclosingElement();
        }
        return type.filter(found -> !found.getQualifiedName().isEmpty());
    }

    private static String printed(TypeElement type, Analysis.KnownElement known) {
        StringWriter text = new StringWriter();
        known.elements().printElements(text, type);
        return NO_SOURCE.formatted() + text;
    }

    /** The one of several methods of a name that has parameters of the same types, as far as they read alike. */
    private static Optional<Range> overload(Element element, SourceFile page) {
        if (!(element instanceof ExecutableElement method)) {
            return Optional.empty();
        }
        boolean isConstructor = method.getSimpleName().contentEquals("<init>");
        String name = (isConstructor ? method.getEnclosingElement() : method).getSimpleName().toString();
        List<String> types = method.getParameters().stream()
                .map(parameter -> simple(NamedTypes.shown(parameter.asType()))).toList();
        List<MemberOutline> named = page.outline().members().stream()
                .filter(member -> member.name().equals(name) && !member.kind().isType()).toList();
        return named.stream().filter(member -> types(member, page).equals(types)).findFirst()
                .or(() -> named.stream().filter(member -> types(member, page).size() == types.size()).findFirst())
                .map(MemberOutline::nameRange);
    }

    /** The types of the parameters that a declaration writes. */
    private static List<String> types(MemberOutline member, SourceFile page) {
        String text = page.content().substring(member.parameters().start(), member.parameters().end());
        List<String> types = new ArrayList<>();
        int depth = 0;
        StringBuilder parameter = new StringBuilder();
        for (char c : text.replaceAll("@\\w+(\\.\\w+)*", "").toCharArray()) {
            depth += c == '(' || c == '<' ? 1 : c == ')' || c == '>' ? -1 : 0;
            boolean isEnd = c == ',' && depth == 1 || c == ')' && depth == 0;
            if (isEnd && !parameter.toString().isBlank()) {
                types.add(simple(parameter.toString().strip().replaceFirst("^final\\s+", "")
                        .replaceFirst("\\s+[\\w$]+$", "")));
            }
            boolean isSeparator = isEnd || c == '(' && depth == 1;
            parameter = isSeparator ? new StringBuilder() : parameter.append(c);
        }
        return types;
    }

    /** A type without packages, type arguments and blanks; a variable number of values is an array. */
    private static String simple(String type) {
        String plain = type;
        String before;
        do {
            before = plain;
            plain = plain.replaceAll("<[^<>]*>", "");
        } while (!plain.equals(before));
        return plain.replaceAll("[\\w.$]*\\.(?=\\w)", "").replace("...", "[]").replaceAll("\\s", "");
    }

    /**
     * Writes the file where it is not there, or is another one.
     *
     * @param root of the workspace
     * @throws IOException when it cannot be written
     */
    public void write(Path root) throws IOException {
        new StateFolder(root).make();
        Path path = file.path();
        boolean isThere = Files.isRegularFile(path)
                && Files.readString(path, StandardCharsets.UTF_8).equals(file.content());
        if (!isThere) {
            Files.createDirectories(path.getParent());
            Files.writeString(path, file.content(), StandardCharsets.UTF_8);
        }
    }
}
