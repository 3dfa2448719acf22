package dev.deftchisel.desk.text;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * What was done to a text, so that it can be taken back and done again. Letters typed one after the other are one step.
 */
public final class Steps {

    private final Deque<Step> done = new ArrayDeque<>();
    private final Deque<Step> undone = new ArrayDeque<>();

    /** Something that was done. */
    public sealed interface Step {

        /**
         * The text was edited.
         *
         * @param difference between before and after
         * @param before     the carets before
         * @param after      the carets after
         * @param isTyping   whether letters were typed, of which the next joins in
         */
        record Edited(TextDifference difference, List<Caret> before, List<Caret> after, boolean isTyping)
                implements Step {
        }

        /**
         * A change was applied, to this file among others.
         *
         * @param number in the history of the workspace
         */
        record Applied(int number) implements Step {
        }
    }

    /** Notes an edit. */
    void edited(Draft before, Draft after, boolean isTyping) {
        undone.clear();
        TextDifference difference = TextDifference.between(before.content(), after.content());
        if (isTyping && done.peek() instanceof Step.Edited last && last.isTyping() && last.after()
                .equals(before.carets())) {
            TextDifference both = TextDifference.between(last.difference().revert(before.content()), after.content());
            done.pop();
            done.push(new Step.Edited(both, last.before(), after.carets(), !difference.inserted().isBlank()));
            return;
        }
        done.push(new Step.Edited(difference, before.carets(), after.carets(), isTyping));
    }

    /** Notes a change, which has given the text another content. */
    void applied(int number) {
        undone.clear();
        done.push(new Step.Applied(number));
    }

    /** What would be taken back. */
    public Optional<Step> last() {
        return Optional.ofNullable(done.peek());
    }

    /** What would be done again. */
    public Optional<Step> next() {
        return Optional.ofNullable(undone.peek());
    }

    /** The text before the last step; for a change only the step is taken off, since the text comes from elsewhere. */
    Draft undo(Draft now) {
        Step step = done.pop();
        undone.push(step);
        return step instanceof Step.Edited edited
                ? Draft.of(edited.difference().revert(now.content()), edited.before(), edited.before().get(0)) : now;
    }

    /** The text after the next step. */
    Draft redo(Draft now) {
        Step step = undone.pop();
        done.push(step);
        return step instanceof Step.Edited edited
                ? Draft.of(edited.difference().apply(now.content()), edited.after(), edited.after().get(0)) : now;
    }

    /** Forgets everything, since the text became another one by somebody else. */
    void forget() {
        done.clear();
        undone.clear();
    }
}
