package dev.deftchisel.move;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.type.TypeMove;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rename.RenameOperation;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javax.lang.model.SourceVersion;

/** Moves a type to a file of its own, to another package, or into another type. */
public final class MoveTypeOperation implements Operation {

    /** The key of where it goes: a package, a type, or nothing for a file of its own. */
    public static final String TO = "to";
    /** The key of the source folder to which its file goes. */
    public static final String ROOT = "root";
    /** The key of the choice what becomes of what would be out of reach: {@code keep} or {@code open}. */
    public static final String ACCESS = "access";

    private static final String OPEN = "open";
    private static final Question TO_QUESTION = new Question.Text(
            TO, "where it goes: a package, a type that it becomes a member of; nothing for a file of its own", "");
    private static final Question ROOT_QUESTION = new Question.Text(
            ROOT, "the source folder of its file, such as src/test/java; nothing for the one where it is", "");
    static final Question ACCESS_QUESTION = new Question.Choice(
            ACCESS,
            "what would be out of reach from its new place, or of it",
            List.of(new Question.Option("keep", "stays as it is, and so does the type"),
                    new Question.Option(OPEN, "is opened as far as is needed")),
            "keep");

    @Override
    public String id() {
        return "move-type";
    }

    @Override
    public String summary() {
        return "Move a type to a file of its own, another package or into another type";
    }

    @Override
    public List<Question> questions() {
        return List.of(TO_QUESTION, ROOT_QUESTION, ACCESS_QUESTION, RenameOperation.MENTIONS_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.declaration().filter(resolved::isAt).flatMap(declared -> type(resolved)
                .map(type -> new Offer(id(), title(resolved.file(), type), Offer.Kind.REFACTORING, declared.range(),
                        questions())));
    }

    private static String title(SourceFile file, SymbolKey.Type type) {
        boolean isOwn = file.path().endsWith(type.simpleName() + ".java") && type.topLevel().equals(type.binaryName());
        return "move " + type.simpleName() + (isOwn ? " to another package or type" : " to a file of its own");
    }

    private static Optional<SymbolKey.Type> type(ResolvedPlace resolved) {
        return resolved.symbol().filter(Symbol::isSource).map(Symbol::key)
                .filter(SymbolKey.Type.class::isInstance).map(SymbolKey.Type.class::cast);
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<SymbolKey.Type> type = type(resolved);
        Optional<SourceFile> home = type.flatMap(analyst::declaring);
        if (home.isEmpty()) {
            return Plan.refused(resolved, "there is no type here that the workspace declares for others to name");
        }
        return destination(home.get(), answers, analyst, destination -> TypeMove.plan(analyst, type.get(), destination,
                manner(answers)));
    }

    /** How it is done, by the answers. */
    static TypeMove.Manner manner(Answers answers) {
        return new TypeMove.Manner(answers.single(ACCESS).filter(OPEN::equals).isPresent(),
                RenameOperation.choice(answers));
    }

    /** Reads where it is to go, and goes on with that. */
    private static Plan destination(SourceFile home, Answers answers, Analyst analyst,
            Function<Destination, Plan> then) {
        Optional<SourceRoot> root = root(home, answers.single(ROOT).orElse("").strip(), analyst);
        if (root.isEmpty()) {
            return Plan.refused("'" + answers.single(ROOT).orElse("") + "' is no source folder of the workspace;"
                    + " it has "
                    + String.join(", ", analyst.snapshot().workspace().modules().stream()
                            .flatMap(module -> module.roots().stream())
                            .filter(one -> one.kind() == SourceRoot.Kind.SOURCE)
                            .map(one -> analyst.snapshot().workspace().show(one.folder())).sorted().toList()));
        }
        String said = answers.single(TO).orElse("").strip();
        String name = said.isEmpty() ? home.header().packageName() : said;
        Optional<Destination> member = member(name, home, analyst);
        if (member.isPresent()) {
            return then.apply(member.get());
        } else if (!name.isEmpty() && !SourceVersion.isName(name)) {
            return Plan.refused("'" + name + "' is no name of a package or type");
        }
        boolean isPackage = name.isEmpty() || analyst.snapshot().files().stream()
                .anyMatch(file -> file.header().packageName().equals(name));
        boolean looksLikeType = !isPackage && Character.isUpperCase(name.charAt(name.lastIndexOf('.') + 1));
        return looksLikeType
                ? Plan.refused("there is no type '" + name + "' in the workspace; say its package, too")
                : then.apply(new Destination.OwnFile(root.get(), name));
    }

    private static Optional<SourceRoot> root(SourceFile home, String said, Analyst analyst) {
        if (said.isEmpty()) {
            return Optional.of(home.root());
        }
        Path folder = analyst.snapshot().workspace().root().resolve(said).normalize();
        return analyst.snapshot().workspace().modules().stream().flatMap(module -> module.roots().stream())
                .filter(root -> root.kind() == SourceRoot.Kind.SOURCE && root.folder().equals(folder)).findFirst();
    }

    /** A type that is called so, in full or in the package or file where the moved one is. */
    private static Optional<Destination> member(String name, SourceFile home, Analyst analyst) {
        for (SourceFile file : analyst.snapshot().files()) {
            String prefix = file.header().packageName().isEmpty() ? "" : file.header().packageName() + ".";
            for (TypeOutline type : file.outline().types()) {
                boolean isNear = file.header().packageName().equals(home.header().packageName())
                        && type.nestedName().equals(name);
                if (isNear || file.outline().qualifiedName(type).equals(name)) {
                    return Optional.of(new Destination.Member(new SymbolKey.Type(prefix
                            + type.nestedName().replace('.', '$')), file.header().packageName()));
                }
            }
        }
        return Optional.empty();
    }
}
