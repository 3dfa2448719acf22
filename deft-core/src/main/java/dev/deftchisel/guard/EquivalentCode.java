package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.DuplicateClaim;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Checks that code which a change takes away does the same as other code that stays, token by token: the names mean the
 * same; or a variable of a body has another name, the same one all along, and a value is another which the edit hands
 * over.
 */
final class EquivalentCode {

    private final Analysis before;
    private final SourceFile file;

    EquivalentCode(Analysis before, SourceFile file) {
        this.before = before;
        this.file = file;
    }

    boolean areAlike(Edit edit, DuplicateClaim twin) {
        Optional<SourceFile> other = twin.file().isEmpty() ? Optional.of(file) : before.snapshot()
                .file(twin.file().get());
        return other.filter(there -> twin.isRenamed() ? isRenamed(edit, twin, there)
                : isSame(file, twin.gone(), there, twin.other())).isPresent();
    }

    private boolean isRenamed(Edit edit, DuplicateClaim twin, SourceFile there) {
        boolean areHandedOver = twin.varied().stream().allMatch(value -> isCarried(edit, value.gone())
                || twin.varied().stream().anyMatch(same -> isCarried(edit, same.gone())
                        && isSame(file, same.gone(), file, value.gone())
                        && isSame(there, same.other(), there, value.other())));
        List<Integer> gone = tokens(file, twin.gone(), twin.varied().stream().map(DuplicateClaim.Varied::gone)
                .toList());
        List<Integer> other = tokens(there, twin.other(), twin.varied().stream().map(DuplicateClaim.Varied::other)
                .toList());
        if (!areHandedOver || gone.size() != other.size()) {
            return false;
        }
        Map<SymbolKey, SymbolKey> names = new HashMap<>();
        for (int i = 0; i < gone.size(); i++) {
            if (!isSameToken(gone.get(i), there, other.get(i), names)) {
                return false;
            }
        }
        return new HashSet<>(names.values()).size() == names.size();
    }

    private boolean isCarried(Edit edit, Range range) {
        return edit.carried().stream().anyMatch(piece -> piece.file().equals(file.path()) && piece.from()
                .encloses(range));
    }

    /** The tokens of the code of a range that lie in none of some values. */
    private static List<Integer> tokens(SourceFile of, Range range, List<Range> without) {
        Tokens tokens = of.tokens();
        List<Integer> found = new ArrayList<>();
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count()
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            int start = tokens.start(i);
            if (without.stream().noneMatch(value -> value.contains(start))) {
                found.add(i);
            }
        }
        return found;
    }

    private boolean isSameToken(int gone, SourceFile there, int other, Map<SymbolKey, SymbolKey> names) {
        List<SymbolKey> first = keysAt(file, file.tokens().range(gone));
        List<SymbolKey> second = keysAt(there, there.tokens().range(other));
        boolean areLocal = first.size() == 1 && second.size() == 1
                && first.get(0) instanceof SymbolKey.Local && second.get(0) instanceof SymbolKey.Local;
        if (areLocal) {
            SymbolKey known = names.putIfAbsent(first.get(0), second.get(0));
            return known == null || known.equals(second.get(0));
        }
        return file.tokens().text(gone).equals(there.tokens().text(other)) && first.equals(second);
    }

    private List<SymbolKey> keysAt(SourceFile of, Range token) {
        return before.bindings(of.path()).stream()
                .filter(binding -> binding.range().equals(token))
                .map(Binding::key)
                .toList();
    }

    /** Whether two pieces of code have the same tokens, and each name means the same in both. */
    private boolean isSame(SourceFile of, Range one, SourceFile there, Range other) {
        return codeIn(of, one).equals(codeIn(there, other)) && keysIn(of, one).equals(keysIn(there, other));
    }

    private static List<String> codeIn(SourceFile of, Range range) {
        Tokens tokens = of.tokens();
        List<String> found = new ArrayList<>();
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count() && tokens.start(i) < range.end();
                i = tokens.code(i + 1)) {
            found.add(tokens.text(i));
        }
        while (found.size() > 2 && found.get(0).equals("(") && closesAtEnd(found)) {
            found = found.subList(1, found.size() - 1);
        }
        return found;
    }

    private static boolean closesAtEnd(List<String> tokens) {
        int depth = 0;
        for (int i = 0; i < tokens.size(); i++) {
            depth += tokens.get(i).equals("(") ? 1 : tokens.get(i).equals(")") ? -1 : 0;
            if (depth == 0) {
                return i == tokens.size() - 1;
            }
        }
        return false;
    }

    private List<SymbolKey> keysIn(SourceFile of, Range range) {
        return before.bindings(of.path()).stream()
                .filter(binding -> range.encloses(binding.range()))
                .map(Binding::key)
                .toList();
    }
}
