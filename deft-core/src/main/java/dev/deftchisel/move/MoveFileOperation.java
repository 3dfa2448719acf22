package dev.deftchisel.move;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.move.moved.FileGoal;
import dev.deftchisel.move.type.FilesMove;
import dev.deftchisel.move.type.TypeMove;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rename.RenameOperation;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Moves files and folders, so that the code follows: the package of each file becomes the one of its folder, a type
 * gets the name of its file.
 */
public final class MoveFileOperation implements Operation {

    /** The key of where the file goes: a folder or a path. */
    public static final String TO = "to";
    /** The key of all that moves, files and folders, each as {@code FROM=TO}; then the place itself does not count. */
    public static final String MOVES = "moves";

    private static final Question TO_QUESTION = new Question.Text(
            TO, "where the file goes: a folder, or a path with its name; nothing for where it is already", "");
    private static final Question MOVES_QUESTION = new Question.Placed(
            MOVES, "what moves instead, files and folders, each as FROM=TO");

    @Override
    public String id() {
        return "move-file";
    }

    @Override
    public String summary() {
        return "Move files and folders, and have packages, imports and names follow";
    }

    @Override
    public List<Question> questions() {
        return List.of(TO_QUESTION, MOVES_QUESTION, MoveTypeOperation.ACCESS_QUESTION,
                RenameOperation.MENTIONS_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        Range clause = resolved.file().outline().packageRange();
        return Optional.of(clause).filter(range -> range.length() > 0 && range.touches(resolved.place().caret()))
                .map(range -> new Offer(id(), "move the file to another folder", Offer.Kind.REFACTORING, range,
                        questions()));
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Map<Path, Path> moves = new TreeMap<>();
        List<String> said = answers.several(MOVES).filter(list -> !list.isEmpty())
                .orElseGet(() -> List.of(resolved.file().path() + "=" + answers.single(TO).orElse("")));
        for (String move : said) {
            int equals = move.lastIndexOf('=');
            try {
                Path root = analyst.snapshot().workspace().root();
                Path from = root.resolve(move.substring(0, Math.max(0, equals))).normalize();
                String target = move.substring(equals + 1);
                Path to = target.isEmpty() ? from : root.resolve(target).normalize();
                boolean isIntoFolder = analyst.snapshot().file(from).isPresent() && !target.endsWith(".java")
                        && !target.isEmpty();
                moves.put(from, isIntoFolder ? to.resolve(from.getFileName()) : to);
            } catch (InvalidPathException illegal) {
                return Plan.refused("'" + move + "' has no path in it");
            }
        }
        FilesMove files = FilesMove.of(moves, analyst.snapshot());
        if (!files.obstacles().isEmpty()) {
            return new Plan.Refused(files.obstacles());
        }
        Optional<Path> renamed = files.renamed();
        if (renamed.isPresent()) {
            return renamed(analyst, renamed.get(), files.goals().get(renamed.get()), files.goals().size(), answers);
        }
        return TypeMove.plan(analyst, files.types(), files.goals(), title(files.goals(), analyst),
                MoveTypeOperation.manner(answers));
    }

    private static String title(Map<Path, FileGoal> goals, Analyst analyst) {
        List<Path> files = new ArrayList<>(goals.keySet());
        FileGoal first = goals.get(files.get(0));
        return files.size() == 1 ? "move " + analyst.snapshot().workspace().show(files.get(0)) + " to the package "
                + first.packageName() : "move " + files.size() + " files";
    }

    /** The type that is called as its file gets the new name of that. */
    private static Plan renamed(Analyst analyst, Path from, FileGoal goal, int count, Answers answers) {
        SourceFile file = analyst.snapshot().source(from);
        if (count > 1 || !goal.packageName().equals(file.header().packageName())) {
            return Plan.refused(Reason.at(from, new Range(0, 0), "this file gets another name and something else "
                    + "moves; do one after the other"));
        }
        String name = goal.path().getFileName().toString().replaceFirst("\\.java$", "");
        Range declared = file.outline().types().stream().filter(TypeOutline::isTopLevel)
                .filter(type -> from.endsWith(type.name() + ".java")).findFirst().orElseThrow().nameRange();
        Place place = new Place(from, new Range(declared.start(), declared.start()));
        return new RenameOperation().plan(new ResolvedPlace(place, file, analyst.analyse(Focus.on(List.of(from),
                Set.of(file.content().substring(declared.start(), declared.end()))))),
                answers.and(RenameOperation.NAME, name), analyst);
    }
}
