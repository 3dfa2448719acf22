package dev.deftchisel.analysis.scope;

import dev.deftchisel.workspace.Build;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.Module;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.Workspace;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.tools.JavaFileObject;
import javax.tools.StandardLocation;

/**
 * Which types code may name by its build. All modules of a scope are compiled together, with the libraries of all of
 * them; a build compiles each with what it says it needs, its main code without what is for tests. Nothing is objected
 * to where the build does not say that, or not all that it says is known.
 */
public final class TypeVisibility {

    private final CompilationScope scope;
    private final SourceNames sources;
    private final Libraries libraries;
    private final Readability readability;
    private final boolean isKnown;
    private final Map<VisibilityQuery, Optional<String>> known = new HashMap<>();

    public TypeVisibility(Workspace workspace, CompilationScope scope, SourceNames sources, Libraries libraries,
            Readability readability) {
        this.scope = scope;
        this.sources = sources;
        this.libraries = libraries;
        this.readability = readability;
        this.isKnown = !workspace.build().equals(Build.FOLDERS) && workspace.gaps().isEmpty();
    }

    /** Whether anything could be objected to. */
    public boolean isKnown() {
        return isKnown;
    }

    private record VisibilityQuery(Module module, SourceRoot.Use use, String type) {
    }

    /**
     * Why a file may not name a type.
     *
     * @param topLevel the binary name of a type that is in no other
     */
    public Optional<String> objection(SourceFile from, String topLevel) {
        return !isKnown ? Optional.empty()
                : known.computeIfAbsent(new VisibilityQuery(from.module(), from.root().use(), topLevel),
                        this::objection);
    }

    private Optional<String> objection(VisibilityQuery asked) {
        List<SourceFile> declaring = sources.topLevelTypes().getOrDefault(asked.type(), List.of());
        if (!declaring.isEmpty()) {
            List<SourceFile> seen = declaring.stream().filter(file -> sees(asked, file)).toList();
            if (seen.isEmpty()) {
                return Optional.of(ofSource(asked, declaring.get(0)));
            }
            return asked.use() == SourceRoot.Use.TEST ? Optional.empty()
                    : readability.objection(asked.module(), asked.type(), seen.get(0).module());
        }
        Optional<Path> home = home(asked.type());
        if (home.isPresent()) {
            return home.filter(library -> !sees(asked, library)).map(library -> ofLibrary(asked, library));
        }
        return asked.use() == SourceRoot.Use.TEST ? Optional.empty()
                : readability.objection(asked.module(), asked.type());
    }

    private static boolean sees(VisibilityQuery asked, SourceFile declaring) {
        boolean isTest = asked.use() == SourceRoot.Use.TEST;
        Module home = declaring.module();
        return home.equals(asked.module()) ? isTest || declaring.root().use() == SourceRoot.Use.MAIN
                : asked.module().useOf(home).filter(use -> use.sees(asked.use(), declaring.root().use())).isPresent();
    }

    private static String ofSource(VisibilityQuery asked, SourceFile declaring) {
        Module home = declaring.module();
        boolean isOwn = home.equals(asked.module());
        boolean isOfMain = declaring.root().use() == SourceRoot.Use.MAIN;
        String place = isOfMain ? "in " + home.name() : "among the tests" + (isOwn ? "" : " of " + home.name());
        boolean isForTests = isOwn || asked.module().useOf(home)
                .filter(use -> use.sees(SourceRoot.Use.TEST, declaring.root().use())).isPresent();
        return asked.type() + " is " + place + (isForTests ? ", which only tests may use" : ", which " + asked.module()
                .name() + " does not use");
    }

    private boolean sees(VisibilityQuery asked, Path home) {
        List<Library> all = asked.module().dependencies().libraries().stream()
                .filter(library -> asked.use() == SourceRoot.Use.TEST || library.use() == SourceRoot.Use.MAIN).toList();
        return all.stream().anyMatch(library -> library.file().equals(home))
                // the same type may be in several libraries, of which another module has another
                || find(all.stream().map(Library::file).toList(), asked.type()).isPresent();
    }

    private String ofLibrary(VisibilityQuery asked, Path home) {
        String name = scope.modules().stream().flatMap(module -> module.dependencies().libraries().stream())
                .filter(library -> library.file().equals(home)).findFirst()
                .map(Library::origin).orElse(String.valueOf(home.getFileName()));
        boolean isForTests = asked.module().classPath().contains(home);
        return asked.type() + " is in " + name + ", which "
                + (isForTests ? "only tests of " + asked.module().name() + " are compiled with"
                : asked.module().name() + " is not compiled with");
    }

    /** The library in which the compiler finds a type; empty for one of the platform. */
    private Optional<Path> home(String type) {
        return find(scope.classPath(), type);
    }

    private Optional<Path> find(List<Path> classPath, String type) {
        try {
            JavaFileObject file = libraries.manager(classPath)
                    .getJavaFileForInput(StandardLocation.CLASS_PATH, type, JavaFileObject.Kind.CLASS);
            if (file == null) {
                return Optional.empty();
            }
            String place = file.toUri().toString();
            return classPath.stream().filter(path -> place.startsWith(place.startsWith("jar:")
                    ? "jar:" + path.toUri() + "!" : path.toUri().toString()))
                    .findFirst();
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }
}
