package dev.deftchisel.proving.fault;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.MovedCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.function.BiPredicate;
import java.util.function.Predicate;

/** The ways to damage the move of a type that are planted. */
final class MoveFaults {

    private static final Map<String, String> OTHER = Map.of("true", "false", "false", "true", "==", "!=", "!=", "==",
            "+", "-", "-", "+", "<", "<=", ">", ">=", "&&", "||");

    private MoveFaults() {
    }

    /** All of them. */
    static List<Fault> all() {
        return List.of(
                new LeftOut("a name left as it was", edit -> edit.kind() == Edit.Kind.REFERENCE),
                new LeftOut("an import left out", edit -> edit.kind() == Edit.Kind.IMPORT
                        && !edit.replacement().isEmpty()),
                new Rewritten("a word changed", MoveFaults::other),
                new Rewritten("a word lost", (tokens, at) -> isStatementEnd(tokens, at) ? Optional.empty()
                        : Optional.of("")),
                new Rewritten("a modifier added", (tokens, at) -> tokens.is(at, "private") || tokens.is(at, "static")
                        || tokens.is(at, "final") ? Optional.of("") : isName(tokens, at) ? Optional.empty()
                        : tokens.is(at, "int") || tokens.is(at, "void") ? Optional.of("final " + tokens.text(at))
                        : Optional.empty()),
                new Rewritten("opened unannounced", (tokens, at) -> tokens.is(at, "private")
                        ? Optional.of("public") : Optional.empty()),
                new Rewritten("another name", MoveFaults::neighbour));
    }

    private static boolean isName(Tokens tokens, int at) {
        return tokens.kind(at) == TokenKind.IDENTIFIER;
    }

    private static boolean isStatementEnd(Tokens tokens, int at) {
        return tokens.is(at, ";") || tokens.is(at, "{") || tokens.is(at, "}");
    }

    private static Optional<String> other(Tokens tokens, int at) {
        String text = tokens.text(at);
        return text.matches("\\d{1,6}") ? Optional.of(String.valueOf(Integer.parseInt(text) + 1))
                : Optional.ofNullable(OTHER.get(text));
    }

    /** The next name in the text that is another one. */
    private static Optional<String> neighbour(Tokens tokens, int at) {
        for (int i = at + 1; isName(tokens, at) && i < Math.min(tokens.count(), at + 40); i++) {
            if (isName(tokens, i) && !tokens.text(i).equals(tokens.text(at))) {
                return Optional.of(tokens.text(i));
            }
        }
        return Optional.empty();
    }

    private static <T> Optional<T> any(List<T> candidates, Random random) {
        return candidates.isEmpty() ? Optional.empty() : Optional.of(candidates.get(random.nextInt(candidates.size())));
    }

    /** One edit does not take part. */
    private record LeftOut(String name, Predicate<Edit> isWanted) implements Fault {

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            BiPredicate<FileChange, Edit> wanted = (file, edit) -> edit.isTaken() && isWanted.test(edit);
            List<Edit> found = correct.effective().stream().flatMap(file -> file.takenEdits().stream()
                    .filter(edit -> wanted.test(file, edit))).toList();
            return any(found, random).map(left -> correct.choose((file, edit) -> edit.isTaken() && edit != left));
        }
    }

    /** One word of the text that moves is another, or not there. */
    private record Rewritten(String name, BiFunction<Tokens, Integer, Optional<String>> word) implements Fault {

        /** A word in a file, or in what an edit writes. */
        private record Place(FileChange file, Optional<Edit> edit, Range range, String instead) {
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            List<Place> places = new ArrayList<>();
            for (FileChange file : correct.effective()) {
                for (Edit edit : file.takenEdits()) {
                    if (edit.carried().stream().mapToInt(MovedCode::length).sum() > 0) {
                        places(Tokens.of(edit.replacement())).forEach((range, text) -> {
                            if (edit.carried().stream().anyMatch(piece -> piece.at() <= range.start()
                                    && range.end() <= piece.at() + piece.length())) {
                                places.add(new Place(file, Optional.of(edit), range, text));
                            }
                        });
                    }
                }
                if (file.target().isPresent() && file.path().toString().endsWith(".java")) {
                    places(Tokens.of(file.before().content())).forEach((range, text) -> {
                        boolean isFree = file.takenEdits().stream().noneMatch(edit -> edit.range()
                                .touches(range.start()) || edit.range().overlaps(range));
                        if (isFree && range.start() > file.before().content().indexOf('{')) {
                            places.add(new Place(file, Optional.empty(), range, text));
                        }
                    });
                }
            }
            return any(places, random).map(place -> damaged(correct, place));
        }

        private Map<Range, String> places(Tokens tokens) {
            Map<Range, String> found = new TreeMap<>();
            for (int i = 0; i < tokens.count(); i++) {
                int token = i;
                if (!tokens.kind(i).isTrivia()) {
                    word.apply(tokens, i).ifPresent(text -> found.put(tokens.range(token), text));
                }
            }
            return found;
        }

        private static Change damaged(Change correct, Place place) {
            List<Edit> edits = new ArrayList<>(place.file().edits());
            if (place.edit().isPresent()) {
                edits.replaceAll(edit -> edit == place.edit().get() ? damaged(edit, place) : edit);
            } else {
                edits.add(Edit.of(place.range(), place.instead(), Edit.Kind.CODE));
            }
            return new Change(correct.title(), correct.files().stream()
                    .map(file -> file == place.file() ? file.withEdits(edits) : file).toList(), correct.meaning(),
                    correct.notes());
        }

        /** What is carried stays true: only the word is written anew. */
        private static Edit damaged(Edit edit, Place place) {
            Range gone = place.range();
            int shift = place.instead().length() - gone.length();
            List<MovedCode> carried = new ArrayList<>();
            for (MovedCode piece : edit.carried()) {
                int end = piece.at() + piece.length();
                if (end <= gone.start() || piece.at() >= gone.end()) {
                    carried.add(new MovedCode(piece.file(), piece.from(), piece.at() + (piece.at() >= gone.end() ? shift
                            : 0), piece.renamed()));
                    continue;
                }
                int before = gone.start() - piece.at();
                int behind = gone.end() - piece.at();
                if (before > 0) {
                    carried.add(new MovedCode(piece.file(), new Range(piece.from().start(),
                            piece.from().start() + before), piece.at()));
                }
                if (behind < piece.length()) {
                    carried.add(new MovedCode(piece.file(), new Range(piece.from().start() + behind,
                            piece.from().end()), gone.end() + shift));
                }
            }
            String text = edit.replacement().substring(0, gone.start()) + place.instead()
                    + edit.replacement().substring(gone.end());
            return new Edit(edit.range(), text, edit.kind(), true, carried, edit.alike(), edit.unneeded(), List.of());
        }
    }
}
