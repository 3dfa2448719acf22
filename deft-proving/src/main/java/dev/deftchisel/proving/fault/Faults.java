package dev.deftchisel.proving.fault;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** The ways to damage a rename that are planted. */
final class Faults {

    private Faults() {
    }

    /** All of them. */
    static List<Fault> all() {
        return List.of(new Forgotten(), new OneTooMany(), new Shadowing(), new SwappedArguments(), new DroppedCast());
    }

    /** An edit somewhere in a file. */
    private record Spot(Path file, Edit edit) {
    }

    private static <T> Optional<T> any(List<T> candidates, Random random) {
        return candidates.isEmpty() ? Optional.empty() : Optional.of(candidates.get(random.nextInt(candidates.size())));
    }

    private static List<Spot> edits(Change change, Set<Edit.Kind> kinds) {
        List<Spot> spots = new ArrayList<>();
        for (FileChange file : change.effective()) {
            file.takenEdits().stream()
                    .filter(edit -> kinds.contains(edit.kind()))
                    .forEach(edit -> spots.add(new Spot(file.path(), edit)));
        }
        return spots;
    }

    private static List<SourceFile> files(Change change, Analysis before) {
        return change.effective().stream()
                .map(file -> before.snapshot().file(file.path()))
                .flatMap(Optional::stream)
                .toList();
    }

    private static Change with(Change change, Analysis before, Path file, Edit... edits) {
        return change.plus(Map.of(file, List.of(edits)), before.snapshot());
    }

    /** A name is left as it was. */
    private static final class Forgotten implements Fault {

        @Override
        public String name() {
            return "one name left behind";
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            return any(edits(correct, Set.of(Edit.Kind.REFERENCE, Edit.Kind.DECLARATION)), random).map(resolved ->
                    correct.choose((file, edit) -> edit.isTaken()
                            && !(file.path().equals(resolved.file()) && edit.equals(resolved.edit()))));
        }
    }

    /** A name is taken that reads the same or stands nearby, but means something else. */
    private static final class OneTooMany implements Fault {

        @Override
        public String name() {
            return "one name too many";
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            Optional<Spot> model = any(edits(correct, Set.of(Edit.Kind.REFERENCE, Edit.Kind.DECLARATION)), random);
            List<Binding> others = new ArrayList<>();
            for (SourceFile file : files(correct, before)) {
                before.bindings(file.path()).stream()
                        .filter(binding -> binding.isNamed() && binding.role() != Role.DOC
                                && !correct.meaning().names().containsKey(binding.key()))
                        .filter(binding -> correct.file(binding.file()).orElseThrow().edits().stream()
                                .noneMatch(edit -> edit.range().overlaps(binding.range())))
                        .forEach(others::add);
            }
            return model.flatMap(resolved -> any(others, random).map(other -> with(correct, before, other.file(),
                    Edit.of(other.range(), simple(resolved.edit().replacement()), Edit.Kind.REFERENCE))));
        }
    }

    private static String simple(String name) {
        return name.substring(name.lastIndexOf('.') + 1);
    }

    /** A variable of the new name is declared before the place. */
    private static final class Shadowing implements Fault {

        @Override
        public String name() {
            return "a declaration that shadows";
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            List<Spot> references = edits(correct, Set.of(Edit.Kind.REFERENCE)).stream()
                    .filter(resolved -> body(before, resolved).isPresent())
                    .toList();
            return any(references, random).map(resolved -> {
                int start = body(before, resolved).orElseThrow().start();
                return with(correct, before, resolved.file(), Edit.of(new Range(start, start),
                        " Object " + simple(resolved.edit().replacement()) + " = null;", Edit.Kind.QUALIFIER));
            });
        }

        private static Optional<Range> body(Analysis before, Spot resolved) {
            return before.snapshot().source(resolved.file()).outline().bodies().stream()
                    .filter(body -> body.encloses(resolved.edit().range()))
                    .findFirst();
        }
    }

    /** Two arguments of a call change places. */
    private static final class SwappedArguments implements Fault {

        @Override
        public String name() {
            return "two arguments swapped";
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            List<Change> damaged = new ArrayList<>();
            for (SourceFile file : files(correct, before)) {
                Tokens tokens = file.tokens();
                for (int i = 0; i + 5 < tokens.count(); i++) {
                    int first = tokens.code(i + 2);
                    int comma = tokens.code(first + 1);
                    int second = tokens.code(comma + 1);
                    int close = tokens.code(second + 1);
                    boolean isCall = close < tokens.count() && tokens.kind(i) == TokenKind.IDENTIFIER
                            && tokens.is(i + 1, '(') && isSimple(tokens, first) && tokens.is(comma, ',')
                            && isSimple(tokens, second) && tokens.is(close, ')')
                            && !tokens.text(first).equals(tokens.text(second));
                    if (isCall && isFree(correct, file, new Range(tokens.start(first), tokens.end(second)))) {
                        damaged.add(with(correct, before, file.path(),
                                Edit.of(tokens.range(first), tokens.text(second), Edit.Kind.REFERENCE),
                                Edit.of(tokens.range(second), tokens.text(first), Edit.Kind.REFERENCE)));
                    }
                }
            }
            return any(damaged, random);
        }

        private static boolean isSimple(Tokens tokens, int index) {
            return switch (tokens.kind(index)) {
                case IDENTIFIER, NUMBER, STRING, CHARACTER -> true;
                default -> false;
            };
        }
    }

    private static boolean isFree(Change change, SourceFile file, Range range) {
        return change.file(file.path()).orElseThrow().edits().stream().noneMatch(edit -> edit.range().overlaps(range));
    }

    /** A cast is dropped, which may choose another overload or leave code that does not compile. */
    private static final class DroppedCast implements Fault {

        @Override
        public String name() {
            return "a cast dropped";
        }

        @Override
        public Optional<Change> damage(Change correct, Analysis before, Random random) {
            List<Change> damaged = new ArrayList<>();
            for (SourceFile file : files(correct, before)) {
                Tokens tokens = file.tokens();
                for (int i = 1; i + 4 < tokens.count(); i++) {
                    int previous = tokens.codeBefore(i - 1);
                    int after = tokens.code(i + 3);
                    boolean isCast = tokens.is(i, '(') && tokens.is(i + 2, ')') && after < tokens.count()
                            && (tokens.kind(i + 1) == TokenKind.IDENTIFIER || tokens.kind(i + 1) == TokenKind.KEYWORD)
                            && tokens.kind(after) == TokenKind.IDENTIFIER
                            && previous >= 0 && tokens.kind(previous) == TokenKind.SYMBOL && !tokens.is(previous, ')');
                    Range cast = new Range(tokens.start(i), tokens.end(Math.min(i + 2, tokens.count() - 1)));
                    if (isCast && isFree(correct, file, cast)) {
                        damaged.add(with(correct, before, file.path(), Edit.of(cast, "", Edit.Kind.REFERENCE)));
                    }
                }
            }
            return any(damaged, random);
        }
    }
}
