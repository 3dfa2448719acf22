package dev.deftchisel.extract.flow;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/** Finds by its tokens alone what may do the same as a fragment, quickly and without being sure. */
public final class NearDuplicates {

    private static final int FEWEST_TOKENS = 10;
    private static final int MOST_SHOWN = 4;

    private final AttributedFile code;
    private final List<String> shape = new ArrayList<>();
    private final List<Integer> starts = new ArrayList<>();

    public NearDuplicates(AttributedFile code) {
        this.code = code;
        Tokens tokens = code.tokens();
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            shape.add(switch (tokens.kind(i)) {
                case IDENTIFIER -> "name";
                case NUMBER, STRING, TEXT_BLOCK, CHARACTER -> "value";
                default -> tokens.text(i);
            });
            starts.add(tokens.start(i));
        }
    }

    /** What the user may want to know: the lines that read alike. */
    public Optional<String> note(Fragment fragment) {
        int first = from(fragment.range().start());
        int length = from(fragment.range().end()) - first;
        if (length < FEWEST_TOKENS) {
            return Optional.empty();
        }
        List<String> wanted = shape.subList(first, first + length);
        List<String> lines = new ArrayList<>();
        for (int i = 0; i + length <= shape.size(); i++) {
            boolean isApart = i + length <= first || i >= first + length;
            if (isApart && shape.subList(i, i + length).equals(wanted)) {
                lines.add(String.valueOf(code.file().position(starts.get(i)).line()));
                i += length - 1;
            }
        }
        int more = lines.size() - MOST_SHOWN;
        if (lines.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of((lines.size() == 1 ? "line " : "lines ")
                + String.join(", ", lines.subList(0, Math.min(lines.size(), MOST_SHOWN)))
                + (more > 0 ? " and " + more + " more" : "") + (lines.size() == 1 ? " reads" : " read")
                + " alike: duplicates can be replaced, too");
    }

    /** The first token that starts at an offset or after it. */
    private int from(int offset) {
        int found = Collections.binarySearch(starts, offset);
        return found < 0 ? -found - 1 : found;
    }
}
