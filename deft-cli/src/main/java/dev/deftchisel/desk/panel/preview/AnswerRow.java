package dev.deftchisel.desk.panel.preview;

import dev.deftchisel.desk.key.Command;
import dev.deftchisel.desk.picture.Ground;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.desk.picture.Pen;
import dev.deftchisel.desk.picture.Style;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Question;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** One question of an operation, and its answer as it is now. */
sealed interface AnswerRow {

    /** The question. */
    Question question();

    /** The answers with this one, where it differs from what is taken anyway. */
    Answers add(Answers answers);

    /** Whether the user has to say something first. */
    default boolean isOpen() {
        return false;
    }

    /** Does what a key says; whether the answer is another one then. */
    boolean take(Command command);

    /** Takes text; whether the answer is another one then. */
    boolean type(String text);

    /** What is shown after the label when the row is not the one that is answered, or when it has one line only. */
    Line line(boolean isHere);

    /** Draws more lines below; gives their number. */
    default int below(Pen pen, int row) {
        return 0;
    }

    /** Moves within the row; whether that was possible. */
    default boolean step(int by) {
        return false;
    }

    /** The row for a question. */
    static AnswerRow of(Question question) {
        if (question instanceof Question.Name name) {
            List<String> proposals = Stream.concat(Stream.of(name.current()), name.proposals().stream())
                    .filter(text -> !text.isEmpty())
                    .distinct().toList();
            return new TextRow(name, proposals, !name.current().isEmpty());
        } else if (question instanceof Question.Proposed name) {
            return new TextRow(name, name.proposals(), false);
        } else if (question instanceof Question.Placed values) {
            return new TextRow(values, List.of(), false);
        } else if (question instanceof Question.Text text) {
            return text.defaultAnswer().isEmpty() ? new TextRow(text, List.of(), false) : new EditedRow(text);
        } else if (question instanceof Question.Choice choice) {
            return new OneOf(choice);
        } else if (question instanceof Question.Flag flag) {
            return new YesNo(flag);
        }
        return new MembersRow((Question.Members) question);
    }

    /** A name or another text. */
    final class TextRow implements AnswerRow {

        private final Question question;
        private final List<String> proposals;
        private final boolean mustChange;
        private String text;
        private boolean isTouched;
        /** Whether the next letter takes the place of all. */
        private boolean isFresh = true;

        TextRow(Question question, List<String> proposals, boolean mustChange) {
            this.question = question;
            this.proposals = proposals;
            this.mustChange = mustChange;
            this.text = proposals.isEmpty() ? "" : proposals.get(0);
        }

        @Override
        public Question question() {
            return question;
        }

        @Override
        public Answers add(Answers answers) {
            boolean isSaid = isTouched || question instanceof Question.Name;
            return isSaid && !text.isBlank() ? answers.and(question.key(), text.strip()) : answers;
        }

        @Override
        public boolean isOpen() {
            boolean isAsBefore = mustChange && text.equals(proposals.get(0));
            return question instanceof Question.Name && (text.isBlank() || isAsBefore);
        }

        @Override
        public boolean take(Command command) {
            return switch (command) {
                case ERASE -> put(text.isEmpty() || isFresh ? ""
                        : text.substring(0, text.offsetByCodePoints(text.length(), -1)));
                case ERASE_ALL -> put("");
                case SWITCH -> type(" ");
                case OTHER -> proposal(1);
                case OTHER_BACK -> proposal(-1);
                default -> false;
            };
        }

        private boolean proposal(int by) {
            if (proposals.size() < 2) {
                return false;
            }
            boolean isAnother = put(proposals.get(Math.floorMod(proposals.indexOf(text) + by, proposals.size())));
            isFresh = true;
            return isAnother;
        }

        @Override
        public boolean type(String more) {
            boolean mayBeBlank = question instanceof Question.Text || question instanceof Question.Placed;
            String added = mayBeBlank ? more : more.replaceAll("\\s", "");
            return !added.isEmpty() && put(isFresh ? added : text + added);
        }

        private boolean put(String other) {
            isFresh = false;
            isTouched = true;
            boolean isAnother = !other.equals(text);
            text = other;
            return isAnother;
        }

        @Override
        public Line line(boolean isHere) {
            Style style = Style.PLAIN.strongly();
            if (text.isEmpty() && !isHere) {
                return Line.of("\u2013", Ink.QUIET);
            }
            Line line = Line.of(text, isHere && isFresh && !text.isEmpty() ? style.on(Ground.SELECTED) : style);
            List<String> others = proposals.stream().filter(one -> !one.equals(text)).toList();
            return isHere && !others.isEmpty() ? line.and("   or " + String.join(", ", others), Ink.QUIET) : line;
        }

        /** Begins one more value, at a place; behind those that are there. */
        void begin(String place) {
            text = (text.isBlank() ? "" : text + "; ") + place + "=";
            isFresh = false;
        }

        /** The text alone, after which the caret is. */
        String text() {
            return text;
        }
    }

    /** A text that is there already and is edited where the caret is. */
    final class EditedRow implements AnswerRow {

        private final Question.Text question;
        private String text;
        private int caret;

        EditedRow(Question.Text question) {
            this.question = question;
            this.text = question.defaultAnswer();
            this.caret = text.length();
        }

        @Override
        public Question question() {
            return question;
        }

        @Override
        public Answers add(Answers answers) {
            return text.equals(question.defaultAnswer()) || text.isBlank() ? answers
                    : answers.and(question.key(), text.strip());
        }

        @Override
        public boolean take(Command command) {
            return switch (command) {
                case ERASE -> caret > 0 && put(text.substring(0, moved(-1)) + text.substring(caret), moved(-1));
                case ERASE_ALL -> put("", 0);
                case SWITCH -> type(" ");
                case OTHER -> put(text, moved(1));
                case OTHER_BACK -> put(text, moved(-1));
                default -> false;
            };
        }

        /** The caret one letter on or back. */
        private int moved(int by) {
            boolean isAtEnd = by < 0 ? caret == 0 : caret == text.length();
            return isAtEnd ? caret : text.offsetByCodePoints(caret, by);
        }

        @Override
        public boolean type(String more) {
            return put(text.substring(0, caret) + more + text.substring(caret), caret + more.length());
        }

        private boolean put(String other, int at) {
            boolean isAnother = !other.equals(text);
            text = other;
            caret = at;
            return isAnother;
        }

        @Override
        public Line line(boolean isHere) {
            return Line.of(text, Style.PLAIN.strongly());
        }

        /** The text before the caret. */
        String beforeCaret() {
            return text.substring(0, caret);
        }
    }

    /** One of several. */
    final class OneOf implements AnswerRow {

        private final Question.Choice question;
        private int at;

        OneOf(Question.Choice question) {
            this.question = question;
            this.at = defaultAnswer();
        }

        private int defaultAnswer() {
            for (int i = 0; i < question.options().size(); i++) {
                if (question.options().get(i).key().equals(question.defaultAnswer())) {
                    return i;
                }
            }
            return 0;
        }

        @Override
        public Question question() {
            return question;
        }

        @Override
        public Answers add(Answers answers) {
            return at == defaultAnswer() ? answers : answers.and(question.key(), question.options().get(at).key());
        }

        @Override
        public boolean take(Command command) {
            int by;
            if (command == Command.OTHER || command == Command.SWITCH) {
                by = 1;
            } else if (command == Command.OTHER_BACK) {
                by = -1;
            } else {
                by = 0;
            }
            at = Math.floorMod(at + by, question.options().size());
            return by != 0 && question.options().size() > 1;
        }

        @Override
        public boolean type(String text) {
            for (int i = 1; i <= question.options().size(); i++) {
                int next = (at + i) % question.options().size();
                if (question.options().get(next).label().startsWith(text)) {
                    boolean isAnother = next != at;
                    at = next;
                    return isAnother;
                }
            }
            return false;
        }

        @Override
        public Line line(boolean isHere) {
            Line line = Line.of("\u2039", Ink.KEY).and(question.options().get(at).label(), Style.PLAIN.strongly())
                    .and("\u203a", Ink.KEY);
            return isHere ? line.and("  " + (at + 1) + " of " + question.options().size(), Ink.QUIET) : line;
        }
    }

    /** Yes or no. */
    final class YesNo implements AnswerRow {

        private final Question.Flag question;
        private boolean isOn;

        YesNo(Question.Flag question) {
            this.question = question;
            this.isOn = question.defaultAnswer();
        }

        @Override
        public Question question() {
            return question;
        }

        @Override
        public Answers add(Answers answers) {
            return isOn == question.defaultAnswer() ? answers : answers.and(question.key(), String.valueOf(isOn));
        }

        @Override
        public boolean take(Command command) {
            boolean isSwitched = command == Command.SWITCH || command == Command.OTHER || command == Command.OTHER_BACK;
            isOn ^= isSwitched;
            return isSwitched;
        }

        @Override
        public boolean type(String text) {
            boolean wanted = text.equals("y") || !text.equals("n") && isOn;
            boolean isAnother = wanted != isOn;
            isOn = wanted;
            return isAnother;
        }

        @Override
        public Line line(boolean isHere) {
            return Line.of(isOn ? "[x]" : "[ ]", Ink.KEY);
        }
    }

    /** Some of several, in an order. */
    final class MembersRow implements AnswerRow {

        private final Question.Members question;
        private final List<String> order = new ArrayList<>();
        private final Set<String> taken;
        private int at;

        MembersRow(Question.Members question) {
            this.question = question;
            order.addAll(question.defaultAnswer());
            question.candidates().stream().filter(one -> !order.contains(one)).forEach(order::add);
            taken = new LinkedHashSet<>(question.defaultAnswer());
        }

        @Override
        public Question question() {
            return question;
        }

        private List<String> chosen() {
            return order.stream().filter(taken::contains).toList();
        }

        @Override
        public Answers add(Answers answers) {
            return chosen().equals(question.defaultAnswer()) ? answers : answers.and(question.key(), chosen());
        }

        @Override
        public boolean step(int by) {
            int next = at + by;
            boolean isPossible = next >= 0 && next < order.size();
            at = isPossible ? next : at;
            return isPossible;
        }

        @Override
        public boolean take(Command command) {
            if (order.isEmpty()) {
                return false;
            }
            return switch (command) {
                case SWITCH -> taken.remove(order.get(at)) || taken.add(order.get(at));
                case OTHER -> taken.addAll(order);
                case OTHER_BACK -> taken.retainAll(Set.of());
                case EARLIER -> swap(-1);
                case LATER -> swap(1);
                default -> false;
            };
        }

        private boolean swap(int by) {
            int to = at + by;
            if (to < 0 || to >= order.size()) {
                return false;
            }
            Collections.swap(order, at, to);
            at = to;
            return true;
        }

        @Override
        public boolean type(String text) {
            return false;
        }

        @Override
        public Line line(boolean isHere) {
            if (isHere) {
                return Line.of(chosen().size() + " of " + order.size(), Ink.QUIET);
            }
            return Line.of(chosen().isEmpty() ? "none" : String.join(", ", chosen()), Style.PLAIN.strongly());
        }

        @Override
        public int below(Pen pen, int row) {
            for (int i = 0; i < order.size(); i++) {
                int column = pen.write(row + i, 4, taken.contains(order.get(i)) ? "[x] " : "[ ] ", Style.of(Ink.KEY));
                pen.write(row + i, column, order.get(i), Style.PLAIN);
                if (i == at) {
                    pen.restyle(row + i, 0, pen.width(), style -> style.on(Ground.HERE).strongly());
                }
            }
            return order.size();
        }
    }
}
