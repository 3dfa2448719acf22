package dev.deftchisel.analysis.compiler;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.Words;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** What the compiler is to see of a file that is attributed: all but the bodies and imports that do not matter. */
public final class VisibleText {

    private VisibleText() {
    }

    /**
     * The text, as long as the file's content and with the same lines.
     *
     * @param focus which bodies matter
     * @param types bodies that declare one of these are left in
     */
    public static String of(SourceFile file, Focus focus, Collection<TypeOutline> types) {
        String content = file.content();
        Set<String> names = focus.names();
        if (!focus.isPartial() || file.hasEscapes()) {
            return content;
        }
        List<Range> around = focus.around().getOrDefault(file.path(), List.of());
        // found once for the whole file: looking into each body in turn took longer than the compiler
        TreeSet<Integer> reasons = new TreeSet<>();
        names.forEach(name -> Words.find(content, name).forEach(word -> reasons.add(word.start())));
        types.forEach(type -> reasons.add(type.nameRange().start()));
        constructorCalls(content, reasons);
        return file.outline().blank(
                content,
                body -> holdsOneOf(reasons, body) || around.stream().anyMatch(code -> touches(code, body)),
                wanted -> Arrays.stream(wanted.name().split("\\.")).anyMatch(names::contains));
    }

    private static boolean touches(Range code, Range body) {
        return body.contains(code.start()) || body.overlaps(code);
    }

    private static boolean holdsOneOf(TreeSet<Integer> offsets, Range body) {
        Integer next = offsets.ceiling(body.start());
        return next != null && next < body.end();
    }

    /** A constructor without its {@code super(…)} would imply another one, which may not exist. */
    private static void constructorCalls(String content, TreeSet<Integer> offsets) {
        Words.find(content, "super").forEach(word -> offsets.add(word.start()));
        Words.find(content, "this").stream()
                .filter(word -> content.startsWith("(", word.end()) || content.startsWith(" (", word.end()))
                .forEach(word -> offsets.add(word.start()));
    }
}
