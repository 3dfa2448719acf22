package dev.deftchisel.repair;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.Optional;

/** Takes words out of a list of modifiers, or puts them in. */
public final class ModifierWords {

    private ModifierWords() {
    }

    /** Where a word stands in a stretch of code. */
    public static Optional<Range> find(AttributedFile code, Range where, String word) {
        Tokens tokens = code.tokens();
        for (int i = tokens.code(tokens.at(where.start())); i < tokens.count()
                && tokens.start(i) < where.end(); i = tokens.code(i + 1)) {
            if (tokens.text(i).equals(word)) {
                return Optional.of(tokens.range(i));
            }
        }
        return Optional.empty();
    }

    /** Takes a word away with the blank after it. */
    public static void remove(FixEdits edits, Range where, String word) {
        Tokens tokens = edits.code().tokens();
        find(edits.code(), where, word).ifPresent(found -> {
            int next = tokens.at(found.start()) + 1;
            boolean isFollowed = next < tokens.count() && tokens.kind(next) == TokenKind.WHITE_SPACE;
            edits.cut(isFollowed ? new Range(found.start(), tokens.end(next)) : found);
        });
    }

    /** Puts a word before the type or name of a declaration, after its annotations. */
    public static void add(FixEdits edits, Tree declaration, String word) {
        AttributedFile code = edits.code();
        ModifiersTree modifiers;
        if (declaration instanceof MethodTree method) {
            modifiers = method.getModifiers();
        } else if (declaration instanceof VariableTree variable) {
            modifiers = variable.getModifiers();
        } else {
            modifiers = ((ClassTree) declaration).getModifiers();
        }
        Range all = code.range(declaration);
        int end = code.find(modifiers).filter(range -> range.length() > 0).map(Range::end).orElse(-1);
        boolean isAccess = word.equals("public") || word.equals("protected") || word.equals("private");
        int annotations = modifiers.getAnnotations().stream().mapToInt(annotation -> code.range(annotation).end()).max()
                .orElse(-1);
        int at;
        if (end < 0) {
            at = all.start();
        } else if (isAccess && annotations < 0) {
            at = all.start();
        } else if (isAccess) {
            at = annotations;
        } else {
            at = end;
        }
        Tokens tokens = code.tokens();
        int next = at == all.start() ? at : tokens.start(tokens.code(tokens.at(at - 1) + 1));
        edits.insert(next, word + " ");
    }
}
