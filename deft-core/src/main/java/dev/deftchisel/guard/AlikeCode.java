package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Binding;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.change.Alike;
import dev.deftchisel.change.Edit;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;

/**
 * Checks that code which a change takes away does the same as other code that stays, token by token: the names mean the
 * same; or a variable of a body has another name, the same one all along, and a value is another which the edit hands over.
 */
final class AlikeCode {

    private final Analysis before;
    private final SourceFile file;

    AlikeCode(Analysis before, SourceFile file) {
        this.before = before;
        this.file = file;
    }

    boolean areAlike(Edit edit, Alike twin) {
        if (!twin.isRenamed()) {
            return isSame(twin.gone(), twin.other());
        }
        boolean areHandedOver = twin.varied().stream().allMatch(value -> isCarried(edit, value.gone())
                || twin.varied().stream().anyMatch(same -> isCarried(edit, same.gone())
                        && isSame(same.gone(), value.gone()) && isSame(same.other(), value.other())));
        List<Integer> gone = tokens(twin.gone(), twin.varied().stream().map(Alike.Varied::gone).toList());
        List<Integer> other = tokens(twin.other(), twin.varied().stream().map(Alike.Varied::other).toList());
        if (!areHandedOver || gone.size() != other.size()) {
            return false;
        }
        Map<SymbolKey, SymbolKey> names = new HashMap<>();
        for (int i = 0; i < gone.size(); i++) {
            if (!isSameToken(gone.get(i), other.get(i), names)) {
                return false;
            }
        }
        return new HashSet<>(names.values()).size() == names.size();
    }

    private boolean isCarried(Edit edit, Range range) {
        return edit.carried().stream().anyMatch(piece -> piece.file().equals(file.path()) && piece.from().encloses(range));
    }

    /** The tokens of the code of a range that lie in none of some values. */
    private List<Integer> tokens(Range range, List<Range> without) {
        Tokens tokens = file.tokens();
        List<Integer> found = new ArrayList<>();
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count() && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            int start = tokens.start(i);
            if (without.stream().noneMatch(value -> value.contains(start))) {
                found.add(i);
            }
        }
        return found;
    }

    private boolean isSameToken(int gone, int other, Map<SymbolKey, SymbolKey> names) {
        Tokens tokens = file.tokens();
        List<SymbolKey> first = keysAt(tokens.range(gone));
        List<SymbolKey> second = keysAt(tokens.range(other));
        boolean areLocal = first.size() == 1 && second.size() == 1
                && first.get(0) instanceof SymbolKey.Local && second.get(0) instanceof SymbolKey.Local;
        if (areLocal) {
            SymbolKey known = names.putIfAbsent(first.get(0), second.get(0));
            return known == null || known.equals(second.get(0));
        }
        return tokens.text(gone).equals(tokens.text(other)) && first.equals(second);
    }

    private List<SymbolKey> keysAt(Range token) {
        return before.bindings(file.path()).stream()
                .filter(binding -> binding.range().equals(token))
                .map(Binding::key)
                .toList();
    }

    /** Whether two pieces of code have the same tokens, and each name means the same in both. */
    private boolean isSame(Range one, Range other) {
        return codeIn(one).equals(codeIn(other)) && keysIn(one).equals(keysIn(other));
    }

    private List<String> codeIn(Range range) {
        Tokens tokens = file.tokens();
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

    private List<SymbolKey> keysIn(Range range) {
        return before.bindings(file.path()).stream()
                .filter(binding -> range.encloses(binding.range()))
                .map(Binding::key)
                .toList();
    }
}
