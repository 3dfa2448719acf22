package dev.deftchisel.proving.fault;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiPredicate;

/** The ways to damage a change of a signature that are planted. */
final class SignatureFaults {

    private SignatureFaults() {
    }

    /** All of them. */
    static List<Fault> all() {
        return List.of(new LeftBehind("a call left behind", SignatureFaults::isCall),
                new LeftBehind("a declaration forgotten", SignatureFaults::isDeclaration),
                new Swapped("two arguments swapped", SignatureFaults::isCall),
                new Swapped("two parameters swapped", SignatureFaults::isDeclaration),
                new Dropped());
    }

    /** An edit of a list in a file, cut at its commas. */
    private record ListEdit(Path file, Edit edit, List<Range> parts) {
    }

    private static boolean isDeclaration(Analysis before, ListEdit list) {
        return before.bindings(list.file()).stream().anyMatch(binding -> binding.role() == Role.DECLARATION
                && (list.edit().range().encloses(binding.range()) || binding.range().end() + 1 == list.edit().range()
                        .start()));
    }

    private static boolean isCall(Analysis before, ListEdit list) {
        return !isDeclaration(before, list);
    }

    private static List<ListEdit> lists(Change change, Analysis before, BiPredicate<Analysis, ListEdit> isWanted) {
        List<ListEdit> found = new ArrayList<>();
        for (FileChange file : change.effective()) {
            Tokens tokens = Tokens.of(file.before().content());
            for (Edit edit : file.takenEdits()) {
                int open = tokens.codeBefore(tokens.at(Math.max(0, edit.range().start() - 1)));
                boolean isInParentheses = edit.kind() == Edit.Kind.CODE && open >= 0 && tokens.is(open, "(");
                ListEdit list = new ListEdit(file.path(), edit, parts(edit.replacement()));
                if (isInParentheses && isWanted.test(before, list)) {
                    found.add(list);
                }
            }
        }
        return found;
    }

    private static List<Range> parts(String list) {
        Tokens tokens = Tokens.of(list);
        List<Range> parts = new ArrayList<>();
        int depth = 0;
        int start = 0;
        for (int i = 0; i < tokens.count(); i++) {
            depth += "([{<".contains(tokens.text(i)) ? 1 : ")]}>".contains(tokens.text(i)) ? -1 : 0;
            if (depth == 0 && tokens.is(i, ",")) {
                parts.add(new Range(start, tokens.start(i)));
                start = tokens.end(i);
            }
        }
        parts.add(new Range(start, list.length()));
        return parts;
    }

    private static <T> Optional<T> any(List<T> candidates, Random random) {
        return candidates.isEmpty() ? Optional.empty() : Optional.of(candidates.get(random.nextInt(candidates.size())));
    }

    /** The list with its parts in another order, or without some. */
    private static Change with(Change change, Analysis before, ListEdit list, List<Integer> order) {
        StringBuilder text = new StringBuilder();
        List<MovedCode> carried = new ArrayList<>();
        for (int index : order) {
            Range part = list.parts().get(index);
            text.append(text.isEmpty() ? "" : ",");
            int shift = text.length() - part.start();
            list.edit().carried().stream()
                    .filter(piece -> piece.at() >= part.start() && piece.at() + piece.length() <= part.end())
                    .forEach(piece -> carried.add(new MovedCode(piece.file(), piece.from(), piece.at() + shift,
                            piece.renamed())));
            text.append(list.edit().replacement(), part.start(), part.end());
        }
        Edit damaged = new Edit(list.edit().range(), text.toString(), list.edit().kind(), true, carried,
                list.edit().alike(), list.edit().unneeded(), List.of());
        return change.plus(Map.of(list.file(), List.of(damaged)), before.snapshot());
    }

    private static List<Integer> inOrder(ListEdit list) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < list.parts().size(); i++) {
            order.add(i);
        }
        return order;
    }

    /** One list stays as it is. */
    private record LeftBehind(String name, BiPredicate<Analysis, ListEdit> isWanted) implements Fault {

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            return any(lists(correct, before, isWanted), random).map(list -> correct.choose((file, edit) ->
                    edit.isTaken() && !(file.path().equals(list.file()) && edit.equals(list.edit()))));
        }
    }

    /** Two in a list change places. */
    private record Swapped(String name, BiPredicate<Analysis, ListEdit> isWanted) implements Fault {

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            return any(lists(correct, before, isWanted).stream().filter(list -> list.parts().size() > 1).toList(),
                    random).map(list -> {
                        List<Integer> order = inOrder(list);
                        int one = random.nextInt(order.size());
                        Collections.swap(order, one, (one + 1 + random.nextInt(order.size() - 1)) % order.size());
                        return with(correct, before, list, order);
                    });
        }
    }

    /** One in a list is not there. */
    private static final class Dropped implements Fault {

        @Override
        public String name() {
            return "an argument dropped";
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            return any(lists(correct, before, SignatureFaults::isCall), random).map(list -> {
                List<Integer> order = inOrder(list);
                order.remove(random.nextInt(order.size()));
                return with(correct, before, list, order);
            });
        }
    }
}
