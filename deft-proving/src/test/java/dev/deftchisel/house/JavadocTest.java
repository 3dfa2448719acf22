package dev.deftchisel.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.house.OwnSources.OwnFile;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javax.tools.DiagnosticCollector;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What documentation shows must be there: its examples compile, and a type that it names exists. */
class JavadocTest {

    private static final Pattern EXAMPLE = Pattern.compile("<pre>\\{@code\\R(.*?)\\}</pre>", Pattern.DOTALL);
    private static final Pattern TYPE = Pattern.compile("\\{@code ([A-Z][a-z]\\w*)\\}");
    /** Packages of the platform whose types documentation speaks of by their simple names. */
    private static final List<String> PLATFORM = List.of("java.lang", "java.util", "java.util.stream",
            "java.util.function", "java.io",
            "java.net", "java.time", "com.sun.source.tree");
    /** Types of the harbour office, of which documentation speaks as of any user's. */
    private static final Set<String> HARBOUR = Set.of("Berth", "BerthBuilder", "BerthPlan", "Vessel", "NaN");
    /** What examples take from the code around them. */
    private static final String AROUND = """
            import java.nio.file.Path;
            import java.util.*;
            class Shown {
                dev.deftchisel.Chisel chisel;
                Path folder;
                dev.deftchisel.problem.Example before;
                String source;
                String fixed;
                String harmless;
                Object example() throws Exception {
            """;

    @TempDir
    Path classes;

    @Test
    void examplesCompile() throws IOException {
        List<String> failed = new ArrayList<>();
        int examples = 0;
        String imports = packages().stream().map(name -> "import " + name + ".*;\n").collect(Collectors.joining());
        for (OwnFile file : OwnSources.main()) {
            for (String comment : comments(file)) {
                Matcher example = EXAMPLE.matcher(comment);
                while (example.find()) {
                    examples++;
                    errors(imports, example.group(1)).ifPresent(errors -> failed.add(file.path() + ": " + errors));
                }
            }
        }
        assertEquals(List.of(), failed);
        assertFalse(examples == 0, "no example was found");
    }

    private Optional<String> errors(String imports, String example) {
        String code = imports + AROUND + example + "return null; } }";
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        DiagnosticCollector<JavaFileObject> found = new DiagnosticCollector<>();
        JavaFileObject file = new SimpleJavaFileObject(URI.create("memory:///Shown.java"), JavaFileObject.Kind.SOURCE) {
            @Override
            public CharSequence getCharContent(boolean ignored) {
                return code;
            }
        };
        boolean compiles = compiler.getTask(null, null, found,
                List.of("-proc:none", "-cp", System.getProperty("java.class.path"), "-d", classes.toString()), null,
                List.of(file)).call();
        return compiles ? Optional.empty() : Optional.of(found.getDiagnostics().toString());
    }

    private static Set<String> packages() throws IOException {
        return OwnSources.main().stream().filter(file -> file.path().toString().matches("deft-(core|lsp)/.*"))
                .map(OwnFile::packageName).collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void typesThatAreNamedExist() throws IOException {
        Set<String> own = new HashSet<>(HARBOUR);
        OwnSources.main().forEach(file -> file.types((path, type) -> own.add(type.getSimpleName().toString())));
        Set<String> stale = new TreeSet<>();
        for (OwnFile file : OwnSources.main()) {
            String text = Files.readString(OwnSources.root().resolve(file.path()));
            String outsideOfComments = text.replaceAll("(?s)/\\*\\*.*?\\*/", "");
            for (String comment : comments(file)) {
                Matcher type = TYPE.matcher(comment);
                while (type.find()) {
                    String name = type.group(1);
                    boolean isShown = Pattern.compile("\\b" + name + "\\b").matcher(outsideOfComments).find();
                    if (!own.contains(name) && !isShown && PLATFORM.stream()
                            .noneMatch(one -> exists(one + "." + name))) {
                        stale.add(file.path() + ": " + name);
                    }
                }
            }
        }
        assertEquals(Set.of(), stale);
    }

    private static boolean exists(String type) {
        try {
            Class.forName(type, false, ClassLoader.getSystemClassLoader());
            return true;
        } catch (ClassNotFoundException absent) {
            return false;
        }
    }

    /** The documentation comments of a file, and of its package. */
    private static List<String> comments(OwnFile file) throws IOException {
        List<String> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                if (tree != null && getCurrentPath() != null) {
                    Optional.ofNullable(file.trees().getDocComment(new TreePath(getCurrentPath(), tree)))
                            .ifPresent(found::add);
                }
                return super.scan(tree, null);
            }
        }.scan(new TreePath(file.unit()), null);
        Path described = OwnSources.root().resolve(file.path()).resolveSibling("package-info.java");
        if (Files.exists(described)) {
            found.add(Files.readString(described));
        }
        return found;
    }
}
