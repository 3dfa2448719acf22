package dev.deftchisel.signature.call;

import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;

/** A reference to the method in documentation that lists the types of its parameters, {@code #due(Vessel, int)}. */
public final class DocumentedReference {

    private DocumentedReference() {
    }

    /**
     * Writes the list of types anew.
     *
     * @param name  where the name of the method stands
     * @param types gives the type of a new or retyped parameter as it is written in the file
     */
    public static void write(SignatureChange change, SourceFile file, Range name, NestedEdits edits,
            IntFunction<String> types) {
        String content = file.content();
        int open = name.end();
        int close = content.indexOf(')', open);
        boolean hasList = open < content.length() && content.charAt(open) == '(' && close > 0;
        if (!hasList || !change.rewritesParameters()) {
            return;
        }
        List<Range> old = parts(content, open + 1, close);
        if (old.size() != change.before()) {
            return;
        }
        edits.replace(new Range(open + 1, close), List.of(), text -> {
            for (int i = 0; i < change.origins().size(); i++) {
                text.write(i == 0 ? "" : gap(content, old, i));
                if (change.isAdded(i) || change.isRetyped(i)) {
                    text.write(types.apply(i));
                } else {
                    edits.carry(text, old.get(change.origins().get(i)));
                }
            }
        });
    }

    /** The comma before a type, with the white space that stands around such a one there. */
    private static String gap(String content, List<Range> old, int index) {
        int behind = Math.min(index, old.size() - 1);
        return behind < 1 ? ", " : content.substring(old.get(behind - 1).end(), old.get(behind).start());
    }

    private static List<Range> parts(String content, int from, int to) {
        List<Range> parts = new ArrayList<>();
        int start = from;
        for (int i = from; i <= to && !content.substring(from, to).isBlank(); i++) {
            if (i == to || content.charAt(i) == ',') {
                int first = start;
                int last = i;
                while (first < last && Character.isWhitespace(content.charAt(first))) {
                    first++;
                }
                while (last > first && Character.isWhitespace(content.charAt(last - 1))) {
                    last--;
                }
                parts.add(new Range(first, last));
                start = i + 1;
            }
        }
        return parts;
    }
}
