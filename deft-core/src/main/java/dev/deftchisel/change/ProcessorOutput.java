package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What annotation processors make of code before and after a change, file by file.
 *
 * @param pairs  files that differ in names and texts at most, those of before with those of after
 * @param others files of before that have no such counterpart, and files of after that have none
 */
public record ProcessorOutput(Map<SourceFile, SourceFile> pairs, List<SourceFile> others) {

    /** Those of two snapshots. */
    public static ProcessorOutput of(Snapshot before, Snapshot after) {
        Map<SourceFile, SourceFile> pairs = new LinkedHashMap<>();
        List<SourceFile> others = new ArrayList<>();
        List<SourceFile> open = new ArrayList<>(after.files().stream().filter(ProcessorOutput::isRemade).toList());
        List<SourceFile> moved = new ArrayList<>();
        for (SourceFile file : before.files()) {
            if (isRemade(file)) {
                Optional<SourceFile> same = after.file(file.path());
                same.ifPresentOrElse(found -> {
                    open.remove(found);
                    if (isAlike(file.tokens(), found.tokens())) {
                        pairs.put(file, found);
                    } else {
                        others.add(file);
                    }
                }, () -> moved.add(file));
            }
        }
        for (SourceFile file : moved) {
            Optional<SourceFile> found = open.stream().filter(one -> isAlike(file.tokens(), one.tokens())).findFirst();
            found.ifPresentOrElse(one -> {
                open.remove(one);
                pairs.put(file, one);
            }, () -> others.add(file));
        }
        others.addAll(open);
        return new ProcessorOutput(pairs, List.copyOf(others));
    }

    private static boolean isRemade(SourceFile file) {
        return file.root().isProcessed();
    }

    /** Whether two texts have the same code, but for identifiers and the contents of literals. */
    private static boolean isAlike(Tokens one, Tokens other) {
        int j = other.code(0);
        for (int i = one.code(0); i < one.count(); i = one.code(i + 1)) {
            if (j >= other.count() || one.kind(i) != other.kind(j) || !mayDiffer(one.kind(i)) && !one.text(i)
                    .equals(other.text(j))) {
                return false;
            }
            j = other.code(j + 1);
        }
        return j >= other.count();
    }

    private static boolean mayDiffer(TokenKind kind) {
        return kind == TokenKind.IDENTIFIER || kind.isText();
    }

    /** The identifiers of a file of before that are written otherwise after, by their place before. */
    public Map<Range, String> renamed(SourceFile before) {
        Map<Range, String> found = new LinkedHashMap<>();
        Tokens one = before.tokens();
        Tokens other = pairs.get(before).tokens();
        int j = other.code(0);
        for (int i = one.code(0); i < one.count() && j < other.count(); i = one.code(i + 1)) {
            if (one.kind(i) == TokenKind.IDENTIFIER && !one.text(i).equals(other.text(j))) {
                found.put(one.range(i), other.text(j));
            }
            j = other.code(j + 1);
        }
        return found;
    }
}
