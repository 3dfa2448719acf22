package dev.deftchisel.desk;

import dev.deftchisel.desk.file.Folding;
import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.text.Buffer;
import dev.deftchisel.desk.text.Caret;
import dev.deftchisel.desk.text.CaretWork;
import dev.deftchisel.desk.text.Clip;
import dev.deftchisel.desk.text.Clips;
import dev.deftchisel.desk.text.Draft;
import dev.deftchisel.desk.text.LineWork;
import dev.deftchisel.desk.text.Motions;
import dev.deftchisel.desk.text.Typing;
import dev.deftchisel.navigation.SelectionExpander;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.MemberOutline;
import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** What keys do to the text and the carets of one file. */
final class Editing {

    private final Clips clips = new Clips();
    /** Selections that grew, to shrink to again. */
    private final Deque<Draft> grown = new ArrayDeque<>();
    private boolean isMarking;

    Clips clips() {
        return clips;
    }

    /** Whether moving selects, since a mark was set. */
    boolean isMarking() {
        return isMarking;
    }

    void type(Buffer buffer, String text) {
        isMarking = false;
        boolean isLetter = text.codePointCount(0, text.length()) == 1;
        buffer.edit(buffer.typing().type(buffer.draft(), text), isLetter);
    }

    /** Text from outside, with its own indentation. */
    void paste(Buffer buffer, String text) {
        isMarking = false;
        buffer.edit(buffer.typing().paste(buffer.draft(), new Clip(List.of(text), false)), false);
    }

    void paste(Buffer buffer, Clip clip) {
        isMarking = false;
        buffer.edit(buffer.typing().paste(buffer.draft(), clip), false);
    }

    /**
     * Does what a key says.
     *
     * @param page how many lines are shown
     * @return whether this is something for the text
     */
    boolean take(Command command, Buffer buffer, int page) {
        Draft draft = buffer.draft();
        Optional<Draft> moved = move(command, draft, page);
        if (moved.isPresent()) {
            grown.clear();
            buffer.move(isVertical(command) ? Folding.beside(buffer, moved.get()) : moved.get());
            return true;
        }
        Optional<UnaryOperator<Draft>> edit = edit(command, buffer.typing());
        if (edit.isPresent()) {
            isMarking = false;
            if (command == Command.CUT || command == Command.LINE_CUT) {
                clips.keep(Clip.of(command == Command.CUT ? draft : draft.moving(caret -> Caret.at(caret.head()))));
            }
            buffer.edit(edit.get().apply(draft), false);
            return true;
        }
        return other(command, buffer);
    }

    private static boolean isVertical(Command command) {
        return switch (command) {
            case UP, DOWN, PAGE_UP, PAGE_DOWN, SELECT_UP, SELECT_DOWN, CARET_UP, CARET_DOWN -> true;
            default -> false;
        };
    }

    private boolean other(Command command, Buffer buffer) {
        Draft draft = buffer.draft();
        switch (command) {
            case COPY -> clips.keep(Clip.of(draft));
            case PASTE -> clips.latest().ifPresent(clip -> paste(buffer, clip));
            case MARK -> isMarking = !isMarking;
            case GROW -> grow(buffer);
            case FOLD -> Folding.here(buffer);
            case FOLD_ALL -> Folding.all(buffer);
            case SHRINK -> Optional.ofNullable(grown.poll()).filter(before -> before.content().equals(draft.content()))
                    .ifPresent(buffer::move);
            case CLOSE -> {
                isMarking = false;
                Caret caret = draft.caret();
                buffer.move(draft.with(draft.carets().size() > 1 ? caret : Caret.at(caret.head())));
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private Optional<Draft> move(Command command, Draft draft, int page) {
        boolean selects = isMarking;
        return Optional.ofNullable(switch (command) {
            case UP -> Motions.vertically(draft, -1, selects);
            case DOWN -> Motions.vertically(draft, 1, selects);
            case LEFT -> Motions.left(draft, selects);
            case RIGHT -> Motions.right(draft, selects);
            case WORD_LEFT -> Motions.wordLeft(draft, selects);
            case WORD_RIGHT -> Motions.wordRight(draft, selects);
            case LINE_START -> Motions.lineStart(draft, selects);
            case LINE_END -> Motions.lineEnd(draft, selects);
            case PAGE_UP -> Motions.vertically(draft, -page, selects);
            case PAGE_DOWN -> Motions.vertically(draft, page, selects);
            case SELECT_UP -> Motions.vertically(draft, -1, true);
            case SELECT_DOWN -> Motions.vertically(draft, 1, true);
            case SELECT_LEFT -> Motions.left(draft, true);
            case SELECT_RIGHT -> Motions.right(draft, true);
            case SELECT_WORD_LEFT -> Motions.wordLeft(draft, true);
            case SELECT_WORD_RIGHT -> Motions.wordRight(draft, true);
            case SELECT_LINE_START -> Motions.lineStart(draft, true);
            case SELECT_LINE_END -> Motions.lineEnd(draft, true);
            case SELECT_ALL -> draft.with(Caret.over(new Range(0, draft.content().length())));
            case FILE_START -> Motions.to(draft, 0);
            case FILE_END -> Motions.to(draft, draft.content().length());
            case NEXT_MEMBER -> member(draft, true);
            case PREVIOUS_MEMBER -> member(draft, false);
            case BRACKET -> bracket(draft);
            case CARET_NEXT -> CaretWork.next(draft);
            case CARET_ALL -> CaretWork.all(draft);
            case CARET_UP -> CaretWork.above(draft);
            case CARET_DOWN -> CaretWork.below(draft);
            case CARET_COLUMN -> CaretWork.column(draft);
            case CARET_DROP -> CaretWork.dropped(draft);
            default -> null;
        });
    }

    private static Optional<UnaryOperator<Draft>> edit(Command command, Typing typing) {
        LineWork lines = new LineWork(typing);
        return Optional.ofNullable(switch (command) {
            case ENTER -> typing::enter;
            case BACKSPACE -> typing::backspace;
            case DELETE -> typing::delete;
            case DELETE_WORD_LEFT -> typing::deleteWordLeft;
            case DELETE_WORD_RIGHT -> typing::deleteWordRight;
            case CUT -> draft -> draft.carets().stream().allMatch(Caret::isBare) ? lines.delete(draft)
                    : typing.type(draft, "");
            case LINE_UP -> lines::up;
            case LINE_DOWN -> lines::down;
            case LINE_DUPLICATE -> lines::duplicate;
            case LINE_CUT, LINE_DELETE -> lines::delete;
            case LINE_JOIN -> lines::join;
            case LINE_AFTER -> lines::after;
            case LINE_BEFORE -> lines::before;
            case LINE_COMMENT -> lines::comment;
            case LINE_IN -> lines::in;
            case LINE_OUT -> lines::out;
            default -> null;
        });
    }

    private void grow(Buffer buffer) {
        Draft draft = buffer.draft();
        Draft larger = draft.moving(caret -> new SelectionExpander(draft.tokens()).around(caret.range()).stream()
                .findFirst()
                .map(Caret::over).orElse(caret));
        if (!larger.carets().equals(draft.carets())) {
            grown.push(draft);
            buffer.move(larger);
        }
    }

    private static Draft member(Draft draft, boolean isNext) {
        int head = draft.caret().head();
        List<Integer> starts = draft.outline().members().stream().map(MemberOutline::nameRange).map(Range::start)
                .sorted()
                .toList();
        Optional<Integer> to = isNext ? starts.stream().filter(start -> start > head).findFirst()
                : starts.stream().filter(start -> start < head).max(Comparator.naturalOrder());
        return Motions.to(draft, to.orElse(head));
    }

    private static Draft bracket(Draft draft) {
        Tokens tokens = draft.tokens();
        int head = draft.caret().head();
        int here = Math.max(tokens.at(Math.min(head, draft.content().length())), 0);
        for (int token : new int[] {here, here - 1}) {
            int by = token < 0 || token >= tokens.count() ? 0 : direction(tokens, token);
            int depth = by;
            for (int i = token + by; by != 0 && i >= 0 && i < tokens.count(); i += by) {
                depth += direction(tokens, i);
                if (depth == 0) {
                    return Motions.to(draft, tokens.start(i));
                }
            }
        }
        return draft;
    }

    private static int direction(Tokens tokens, int token) {
        boolean isOne = tokens.end(token) - tokens.start(token) == 1;
        char c = tokens.content().charAt(tokens.start(token));
        if (!isOne) {
            return 0;
        }
        if ("([{".indexOf(c) >= 0) {
            return 1;
        }
        return ")]}".indexOf(c) >= 0 ? -1 : 0;
    }
}
