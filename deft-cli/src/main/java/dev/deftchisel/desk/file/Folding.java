package dev.deftchisel.desk.file;

import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.desk.text.Folds;
import dev.deftchisel.navigation.Foldable;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import java.util.Comparator;
import java.util.List;

/** Folds code away, and leads carets past what is folded. */
public final class Folding {

    private Folding() {
    }

    /** Unfolds what begins in the line of the caret, or folds the innermost thing around it. */
    public static void here(Buffer buffer) {
        Draft draft = buffer.draft();
        LineMap lines = draft.lines();
        int line = draft.line();
        if (buffer.folds().hiddenBehind(lines, line) > 0) {
            buffer.fold(buffer.folds().without(lines, line));
            return;
        }
        Foldable.in(draft.tokens(), draft.outline(), lines).stream()
                .filter(one -> one.first() <= line && line <= one.last() + 1)
                .max(Comparator.comparingInt(Foldable::first)).ifPresent(one -> {
                    Range first = lines.rangeOf(one.first());
                    buffer.move(draft.with(Caret.at(Math.min(draft.caret().head(), first.end()))));
                    buffer.fold(buffer.folds().and(new Range(first.end(), lines.rangeOf(one.last()).start())));
                });
    }

    /** Unfolds everything, or folds the bodies of all methods and constructors. */
    public static void all(Buffer buffer) {
        Draft draft = buffer.draft();
        LineMap lines = draft.lines();
        if (!buffer.folds().ranges().isEmpty()) {
            buffer.fold(Folds.NONE);
            return;
        }
        List<MemberOutline> methods = draft.outline().members().stream()
                .filter(member -> member.parameters().length() > 0)
                .toList();
        Folds folds = Folds.NONE;
        for (Foldable one : Foldable.in(draft.tokens(), draft.outline(), lines)) {
            boolean isBody = one.kind() == Foldable.Kind.BLOCK && methods.stream().anyMatch(method ->
                    lines.line(method.nameRange().start()) <= one.first()
                            && lines.line(method.range().end()) == one.last() + 1);
            if (isBody) {
                folds = folds.and(new Range(lines.rangeOf(one.first()).end(), lines.rangeOf(one.last()).start()));
            }
        }
        int line = draft.line();
        int shown = folds.isHidden(lines, line) ? folds.step(lines, line, -1) : line;
        buffer.move(shown == line ? draft : draft.with(Caret.at(lines.rangeOf(shown).end())));
        buffer.fold(folds);
    }

    /**
     * Carets that would land in what is folded go to the next line after it, or when they go up, to the one before.
     */
    public static Draft beside(Buffer buffer, Draft moved) {
        LineMap lines = moved.lines();
        if (buffer.folds().ranges().isEmpty()) {
            return moved;
        }
        boolean isUp = moved.caret().head() < buffer.draft().caret().head();
        return moved.moving(caret -> {
            int line = lines.line(caret.head());
            if (!buffer.folds().isHidden(lines, line)) {
                return caret;
            }
            int target = buffer.folds().step(lines, line, isUp ? -1 : 1);
            int shown = buffer.folds().isHidden(lines, target) ? buffer.folds().step(lines, line, -1) : target;
            Range range = lines.rangeOf(shown);
            int head = Math.min(range.start() + Math.max(0, caret.goal()), range.end());
            return new Caret(caret.isBare() ? head : caret.anchor(), head, caret.goal());
        });
    }
}
