package dev.deftchisel.analysis.compiler;

import com.sun.source.util.JavacTask;
import dev.deftchisel.workspace.JavaLevel;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.tools.Diagnostic;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/**
 * Asks the compiler's parser alone what is wrong with a text. It looks at nothing else, and takes a few milliseconds.
 */
public final class SyntaxCheck {

    private final JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    private final Path file;
    private final JavaLevel java;

    /**
     * @param file  to which the errors are to belong
     * @param java in which the texts are written
     */
    public SyntaxCheck(Path file, JavaLevel java) {
        this.file = file;
        this.java = java;
    }

    /** The errors of the parser, in its order. */
    public List<CompilerError> errors(String text) {
        return errors(List.of(text)).get(0);
    }

    /** The same for several texts, which takes hardly longer than for one if they are short. */
    public List<List<CompilerError>> errors(List<String> texts) {
        List<List<CompilerError>> errors = new ArrayList<>();
        List<JavaFileObject> sources = new ArrayList<>();
        Map<URI, List<CompilerError>> byName = new HashMap<>();
        for (String text : texts) {
            JavaFileObject source = new Text(URI.create("text:///" + sources.size() + "/Text.java"), text);
            sources.add(source);
            errors.add(new ArrayList<>());
            byName.put(source.toUri(), errors.get(errors.size() - 1));
        }
        List<String> options = new ArrayList<>(List.of("-proc:none", "-Xmaxerrs", "100000"));
        options.addAll(java.parserOptions());
        JavacTask task = (JavacTask) compiler.getTask(null, null, found -> {
            if (found.getKind() == Diagnostic.Kind.ERROR && found.getSource() != null) {
                byName.get(found.getSource().toUri()).add(CompilerError.of(file, found));
            }
        }, options, null, sources);
        try {
            task.parse();
        } catch (IOException impossible) {
            throw new AssertionError("the texts are in memory", impossible);
        }
        return errors;
    }

    private static final class Text extends SimpleJavaFileObject {

        private final String text;

        Text(URI name, String text) {
            super(name, Kind.SOURCE);
            this.text = text;
        }

        @Override
        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
            return text;
        }
    }
}
