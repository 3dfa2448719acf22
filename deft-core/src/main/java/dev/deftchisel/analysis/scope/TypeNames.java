package dev.deftchisel.analysis.scope;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.module.ModuleDescriptor;
import java.lang.module.ModuleFinder;
import java.lang.module.ModuleReader;
import java.lang.module.ModuleReference;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import java.util.zip.ZipFile;

/**
 * The public-looking types of the platform and of a class path, by their simple names; read off the names of class
 * files.
 */
public final class TypeNames {

    private static final String ENDING = ".class";

    private final Map<String, List<String>> bySimpleName = new HashMap<>();

    /** Reads what modules export to all, and what lies on a class path. */
    TypeNames(List<Path> classPath) {
        ModuleFinder.ofSystem().findAll().forEach(this::readModule);
        classPath.stream().filter(Files::exists).forEach(this::readPath);
    }

    /** Qualified names, with a dot also before nested types. */
    public List<String> called(String simpleName) {
        return bySimpleName.getOrDefault(simpleName, List.of());
    }

    private void readModule(ModuleReference module) {
        Set<String> exported = new HashSet<>();
        module.descriptor().exports().stream().filter(one -> !one.isQualified()).map(ModuleDescriptor.Exports::source)
                .map(name -> name.replace('.', '/')).forEach(exported::add);
        if (exported.isEmpty()) {
            return;
        }
        try (ModuleReader reader = module.open(); Stream<String> names = reader.list()) {
            names.filter(name -> name.endsWith(ENDING) && name.indexOf('/') > 0)
                    .filter(name -> exported.contains(name.substring(0, name.lastIndexOf('/'))))
                    .forEach(this::add);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private void readPath(Path path) {
        try {
            if (Files.isDirectory(path)) {
                try (Stream<Path> files = Files.walk(path)) {
                    files.filter(file -> file.toString().endsWith(ENDING))
                            .forEach(file -> add(path.relativize(file).toString().replace('\\', '/')));
                }
            } else {
                try (ZipFile archive = new ZipFile(path.toFile())) {
                    archive.stream().map(entry -> entry.getName()).filter(name -> name.endsWith(ENDING))
                            .forEach(this::add);
                }
            }
        } catch (IOException damaged) {
            // the compiler tells of archives that cannot be read; here they only have nothing to offer
            return;
        }
    }

    private void add(String file) {
        String name = file.substring(0, file.length() - ENDING.length());
        String simple = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('$')) + 1);
        if (simple.isEmpty() || !Character.isJavaIdentifierStart(simple.charAt(0)) || name.startsWith("META-INF")) {
            return;
        }
        bySimpleName.computeIfAbsent(simple, key -> new ArrayList<>()).add(name.replace('/', '.').replace('$', '.'));
    }
}
