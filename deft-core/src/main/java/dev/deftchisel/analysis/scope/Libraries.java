package dev.deftchisel.analysis.scope;

import dev.deftchisel.added.AdditionsReader;
import dev.deftchisel.analysis.compiler.AnalysisException;
import dev.deftchisel.analysis.compiler.AnnotationProcessing;
import dev.deftchisel.workspace.Library;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileManager;
import javax.tools.StandardJavaFileManager;
import javax.tools.StandardLocation;
import javax.tools.ToolProvider;

/**
 * The compiler and the class files it looks into. Archives stay open between analyses, which is most of what makes a
 * second one fast. To be used by one thread at a time, and closed at the end.
 */
public final class Libraries implements AutoCloseable {

    private final JavaCompiler compiler;
    private final Map<List<Path>, PlatformPackages> managers = new HashMap<>();
    private final Map<List<Path>, TypeNames> names = new HashMap<>();
    private final BuiltMembers built;
    private final AdditionsReader additions;
    private final AnnotationProcessing processing;

    /** @throws AnalysisException when the running Java has no compiler */
    public Libraries() {
        this.compiler = ToolProvider.getSystemJavaCompiler();
        if (compiler == null) {
            throw new AnalysisException("this Java runtime has no compiler; run deft with a JDK", null);
        }
        AdditionsReader known = AdditionsReader.installed();
        this.built = new BuiltMembers(known::standsFor);
        this.additions = known.and(built);
        this.processing = new AnnotationProcessing(compiler, additions);
    }

    public JavaCompiler compiler() {
        return compiler;
    }

    /** What annotation processors make. */
    public AnnotationProcessing processing() {
        return processing;
    }

    /** Whether it is known what an annotation processor adds, so that it need not be run. */
    public boolean standsFor(Library processor) {
        return additions.standsFor(processor);
    }

    /** What types have beyond their text. */
    public AdditionsReader additions() {
        return additions;
    }

    /** The types of the platform and of a class path by their simple names; read once. */
    public TypeNames names(List<Path> classPath) {
        return names.computeIfAbsent(classPath, TypeNames::new);
    }

    public StandardJavaFileManager manager(List<Path> classPath) {
        return managers.computeIfAbsent(classPath, paths -> {
            StandardJavaFileManager manager =
                    compiler.getStandardFileManager(null, Locale.ROOT, StandardCharsets.UTF_8);
            try {
                manager.setLocationFromPaths(
                        StandardLocation.CLASS_PATH, paths.stream().filter(Files::exists).toList());
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
            return new PlatformPackages(manager);
        });
    }

    @Override
    public void close() {
        for (JavaFileManager manager : managers.values()) {
            try {
                manager.close();
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
        managers.clear();
        try {
            built.close();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
