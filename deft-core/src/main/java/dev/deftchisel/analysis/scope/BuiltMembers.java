package dev.deftchisel.analysis.scope;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.JavacTask;
import dev.deftchisel.added.Added;
import dev.deftchisel.added.AddedMembers;
import dev.deftchisel.added.AnnotatedType;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/**
 * Members that types have in the class files of the last build and not in their text, in modules with an annotation
 * processor that changes types and of which nobody says what it adds. A class file that is older than its source says
 * nothing, since what it has beyond that may have been deleted; what it said before the source changed still counts.
 */
final class BuiltMembers implements AddedMembers, AutoCloseable {

    /** Where builds leave class files, by what was compiled. */
    private static final Map<SourceRoot.Use, List<String>> OUTPUTS = Map.of(
            SourceRoot.Use.MAIN, List.of("target/classes", "build/classes/java/main"),
            SourceRoot.Use.TEST, List.of("target/test-classes", "build/classes/java/test"));
    private static final Set<String> OF_ENUMS = Set.of("values", "valueOf");
    private static final Set<ElementKind> VARIABLES = Set.of(ElementKind.FIELD, ElementKind.ENUM_CONSTANT);

    private final Predicate<Library> isKnown;
    private final Map<Path, Boolean> changers = new HashMap<>();
    private final Map<Path, ClassFiles> folders = new HashMap<>();
    private final Map<Path, BuiltFile> known = new HashMap<>();

    /**
     * What is known of a source file.
     *
     * @param time    of the class file that told
     * @param members by nested names of types
     */
    private record BuiltFile(FileTime time, Map<String, List<Added>> members) {
    }

    /** @param isKnown whether it is known what a processor adds */
    BuiltMembers(Predicate<Library> isKnown) {
        this.isKnown = isKnown;
    }

    @Override
    public boolean concerns(SourceFile file) {
        return file.root().kind() == SourceRoot.Kind.SOURCE && file.content().indexOf('@') >= 0
                && file.module().dependencies().processors().stream().anyMatch(isKnown.negate())
                && (known.containsKey(file.path()) || classFile(file).isPresent()) && isChanged(file.module());
    }

    private boolean isChanged(Module module) {
        return module.dependencies().processors().stream().filter(isKnown.negate()).map(Library::file)
                .anyMatch(file -> changers.computeIfAbsent(file, ChangingProcessor::isIn));
    }

    /** The folder with the class files of a file. */
    private static Optional<Path> output(SourceFile file) {
        return OUTPUTS.get(file.root().use()).stream().map(file.module().folder()::resolve).filter(Files::isDirectory)
                .findFirst();
    }

    private static Optional<Path> classFile(SourceFile file) {
        return output(file).flatMap(folder -> file.header().types().stream().findFirst()
                .map(type -> folder.resolve(file.header().qualifiedName(type).replace('.', '/') + ".class")))
                .filter(Files::isRegularFile);
    }

    @Override
    public List<Added> members(AnnotatedType type) {
        String fields = type.instanceFields().stream().map(field -> field.getType() + " " + field.getName())
                .collect(Collectors.joining("; ", "/* ", " */ "));
        return built(type.file()).getOrDefault(type.nestedName(), List.of()).stream()
                .filter(one -> !isWritten(one, type))
                // which other fields would have made it another one is not known
                .map(one -> new Added("", one.role(), one.name(), "", fields + one.text())).toList();
    }

    private static boolean isWritten(Added one, AnnotatedType type) {
        return one.role().equals(Added.BUILT_TYPE) ? type.nested(one.name()).isPresent()
                : type.variables().stream().anyMatch(field -> one.field().equals(field.getName().toString()))
                || Stream.concat(type.methods().stream(), type.constructors().stream())
                .anyMatch(method -> one.field().equals(signature(method)));
    }

    private static String signature(MethodTree method) {
        return method.getName() + "/" + method.getParameters().size();
    }

    /** What the class file says, as long as it belongs to the source on disk; afterwards what it said then. */
    private Map<String, List<Added>> built(SourceFile file) {
        Optional<BuiltFile> before = Optional.ofNullable(known.get(file.path()));
        try {
            Optional<Path> compiled = classFile(file);
            if (compiled.isPresent()) {
                FileTime time = Files.getLastModifiedTime(compiled.get());
                boolean isFresh = time.compareTo(Files.getLastModifiedTime(file.path())) >= 0;
                if (isFresh && before.filter(one -> one.time().equals(time)).isEmpty()) {
                    BuiltFile read = new BuiltFile(time, read(file, compiled.get()));
                    known.put(file.path(), read);
                    return read.members();
                }
            }
        } catch (IOException gone) {
            // then what was known is still the best guess
        }
        return before.map(BuiltFile::members).orElse(Map.of());
    }

    private Map<String, List<Added>> read(SourceFile file, Path compiled) throws IOException {
        Path folder = output(file).orElseThrow();
        ClassFiles classes = folders.get(folder);
        if (classes == null || classes.isOlderThan(Files.getLastModifiedTime(compiled))) {
            if (classes != null) {
                classes.close();
            }
            classes = new ClassFiles(folder, file.module().classPath());
            folders.put(folder, classes);
        }
        Map<String, List<Added>> members = new HashMap<>();
        String home = file.header().packageName();
        for (Tree type : parsed(Files.readString(file.path(), file.module().encoding())).getTypeDecls()) {
            if (type instanceof ClassTree tree) {
                compare(tree, tree.getSimpleName().toString(), home, classes, members);
            }
        }
        return members;
    }

    private void compare(ClassTree tree, String nestedName, String home, ClassFiles classes,
            Map<String, List<Added>> into) {
        Optional<? extends Element> built = classes.type((home.isEmpty() ? "" : home + ".") + nestedName);
        if (built.isPresent() && tree.getKind() != Tree.Kind.RECORD) {
            List<Added> beyond = new ArrayList<>();
            for (Element member : built.get().getEnclosedElements()) {
                if (!isDeclared(member, tree) && member.getSimpleName().toString().indexOf('$') < 0) {
                    beyond.add(added(member, tree, classes));
                }
            }
            into.put(nestedName, beyond);
        }
        tree.getMembers().stream().filter(ClassTree.class::isInstance).map(ClassTree.class::cast)
                .forEach(inner -> compare(inner, nestedName + "." + inner.getSimpleName(), home, classes, into));
    }

    private static Added added(Element member, ClassTree home, ClassFiles classes) {
        String text = classes.declaration(member, home.getSimpleName().toString());
        boolean isConstructor = member.getKind() == ElementKind.CONSTRUCTOR;
        String name = isConstructor ? home.getSimpleName().toString() : member.getSimpleName().toString();
        // the signature goes where the field would be named from which it follows, which nobody knows
        String signature = member instanceof ExecutableElement method
                ? member.getSimpleName() + "/" + method.getParameters().size() : name;
        return new Added("", member.getKind().isClass() || member.getKind().isInterface() ? Added.BUILT_TYPE
                : Added.BUILT, name, signature, text);
    }

    private static boolean isDeclared(Element member, ClassTree tree) {
        String name = member.getSimpleName().toString();
        if (member.getKind().isClass() || member.getKind().isInterface()) {
            return tree.getMembers().stream().anyMatch(one -> one instanceof ClassTree type && type.getSimpleName()
                    .contentEquals(name));
        } else if (VARIABLES.contains(member.getKind())) {
            return tree.getMembers().stream().anyMatch(one -> one instanceof VariableTree field && field.getName()
                    .contentEquals(name));
        } else if (!(member instanceof ExecutableElement method) || member.getKind() == ElementKind.STATIC_INIT) {
            return true;
        } else {
            List<MethodTree> methods = tree.getMembers().stream().filter(MethodTree.class::isInstance)
                    .map(MethodTree.class::cast).toList();
            boolean isDefault = member.getKind() == ElementKind.CONSTRUCTOR
                    && (tree.getKind() == Tree.Kind.ENUM || method.getParameters().isEmpty() && methods.stream()
                            .noneMatch(one -> one.getReturnType() == null));
            return isDefault || tree.getKind() == Tree.Kind.ENUM && OF_ENUMS.contains(name)
                    || methods.stream().anyMatch(one -> signature(one)
                            .equals(name + "/" + method.getParameters().size()));
        }
    }

    private static CompilationUnitTree parsed(String text) throws IOException {
        JavaFileObject source = new SimpleJavaFileObject(URI.create("text:///Text.java"), JavaFileObject.Kind.SOURCE) {
            @Override
            public CharSequence getCharContent(boolean ignoreEncodingErrors) {
                return text;
            }
        };
        return ((JavacTask) ToolProvider.getSystemJavaCompiler()
                .getTask(null, null, found -> { }, List.of("-proc:none"), null, List.of(source)))
                .parse().iterator().next();
    }

    @Override
    public void close() throws IOException {
        for (ClassFiles one : folders.values()) {
            one.close();
        }
        folders.clear();
    }
}
