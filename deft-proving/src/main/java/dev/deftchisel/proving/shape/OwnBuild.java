package dev.deftchisel.proving.shape;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.Diagnostic;
import javax.tools.DiagnosticCollector;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/**
 * What a project's own build says of it: Maven or Gradle itself, or the compiler as the shape says it is called.
 * Nothing of deft has part in it.
 */
public final class OwnBuild {

    private static final Pattern LIBRARY = Pattern.compile("\\{([^}]+)}");

    private final FetchedLibraries libraries;

    /** @param libraries that calls of the compiler name */
    public OwnBuild(FetchedLibraries libraries) {
        this.libraries = libraries;
    }

    /** Where it has errors, as {@code path:line}. */
    public Set<String> errors(Shape shape, Path folder) throws IOException, InterruptedException {
        if (shape.isMaven()) {
            return MavenBuild.errors(folder);
        }
        if (shape.isComputed()) {
            return GradleRun.errors(folder);
        }
        Set<String> errors = new TreeSet<>();
        for (String call : shape.calls()) {
            compile(call, folder, errors);
        }
        return errors;
    }

    private void compile(String call, Path folder, Set<String> errors) throws IOException {
        Matcher matcher = LIBRARY.matcher(call);
        String plain = matcher.replaceAll(found -> Matcher.quoteReplacement(libraries.find(found.group(1)).toString()));
        List<String> options = new ArrayList<>();
        List<Path> sources = new ArrayList<>();
        // without one, the compiler takes that of the process
        String[] words = (plain.contains("-cp ") ? plain : "-cp none " + plain).split(" ");
        for (int i = 0; i < words.length; i++) {
            String word = words[i];
            if (word.equals("-d") || word.equals("-cp") || word.equals("-processorpath") || word.equals("-s")) {
                String path = Stream.of(words[++i].split(":")).map(one -> folder.resolve(one).toString())
                        .reduce((one, other) -> one + java.io.File.pathSeparator + other).orElseThrow();
                if (!word.equals("-cp") && !word.equals("-processorpath")) {
                    Files.createDirectories(Path.of(path));
                }
                options.addAll(List.of(word, path));
            } else if (Files.isDirectory(folder.resolve(word))) {
                try (Stream<Path> files = Files.walk(folder.resolve(word))) {
                    files.filter(file -> file.toString().endsWith(".java")).forEach(sources::add);
                }
            } else {
                options.add(word);
            }
        }
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        DiagnosticCollector<JavaFileObject> said = new DiagnosticCollector<>();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(said, Locale.ROOT, null)) {
            compiler.getTask(null, files, said, options, null, files.getJavaFileObjectsFromPaths(sources)).call();
        }
        said.getDiagnostics().stream().filter(one -> one.getKind() == Diagnostic.Kind.ERROR)
                .forEach(one -> errors.add(one.getSource() == null
                ? one.getMessage(Locale.ROOT) : folder.relativize(Path.of(one.getSource().toUri())) + ":"
                + one.getLineNumber()));
    }
}
