package dev.deftchisel.repair.call;

import com.sun.source.tree.ClassTree;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.rewrite.Layout;
import java.util.List;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeMirror;

/** Writes a constructor that passes all its parameters to one of the superclass. */
final class PassingConstructor {

    private PassingConstructor() { }

    static void insert(FixEdits edits, ClassTree type, ExecutableElement above, List<TypeMirror> thrown) {
        AttributedFile code = edits.code();
        Layout layout = Layout.of(code.file());
        String indent = Layout.indentOf(code.file(), code.range(type).start()) + layout.unit();
        String parameters = above.getParameters().stream()
                .map(parameter -> edits.types().write(parameter.asType()).orElse("Object") + " "
                + parameter.getSimpleName()).collect(Collectors.joining(", "));
        String names = above.getParameters().stream().map(parameter -> parameter.getSimpleName().toString())
                .collect(Collectors.joining(", "));
        String exceptions = thrown.stream().map(known -> edits.types().write(known).orElse("Exception"))
                .collect(Collectors.joining(", "));
        String text = indent + type.getSimpleName() + "(" + parameters + ")"
                + (exceptions.isEmpty() ? "" : " throws " + exceptions) + " {"
                + layout.lineEnd() + indent + layout.unit() + "super(" + names + ");" + layout.lineEnd() + indent + "}"
                + layout.lineEnd();
        int end = code.range(type).end() - 1;
        int brace = code.file().content().lastIndexOf('\n', end) + 1;
        boolean isOwnLine = code.file().content().substring(brace, end).isBlank();
        edits.insert(isOwnLine ? brace : end, (isOwnLine ? "" : layout.lineEnd()) + text
                + (isOwnLine ? "" : Layout.indentOf(code.file(), code.range(type).start())));
    }
}
