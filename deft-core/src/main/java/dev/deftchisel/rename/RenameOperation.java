package dev.deftchisel.rename;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.ImplicitOrigin;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rename.mention.Mentions;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Renames any symbol that the workspace declares, everywhere it is used. */
public final class RenameOperation implements Operation {

    /** The key of the new name. */
    public static final String NAME = "name";
    /** The key of the choice which mentions in text are taken: {@code none}, {@code sure} or {@code all}. */
    public static final String MENTIONS = "mentions";
    /** The key of the flag whether the packages below a package go along. */
    public static final String SUBPACKAGES = "subpackages";

    /** The key of the choice whether what is named after it goes along: {@code none} or {@code all}. */
    public static final String RELATED = "related";

    /** The key of the names that keep theirs all the same, with commas between. */
    public static final String EXCEPT = "except";

    /** The key of the choice what becomes of the names by which frameworks know it: {@code keep} or {@code change}. */
    public static final String EXTERNAL = "external";

    /** Whether frameworks that know a name are to know it by the new one. */
    public static final Question EXTERNAL_QUESTION = new Question.Choice(
            EXTERNAL,
            "names by which frameworks know it: JSON properties, columns, parameters of requests, beans",
            List.of(new Question.Option("keep", "stay as they are, by an annotation"),
                    new Question.Option("change", "change along")),
            "keep");
    private static final Question EXCEPT_QUESTION = new Question.Text(
            EXCEPT, "derived names that stay, such as getDepth,depths", "");
    private static final Question RELATED_QUESTION = new Question.Choice(
            RELATED,
            "names derived from it: accessors and parameters of a field, variables and tests of a type",
            List.of(new Question.Option("none", "stay"), new Question.Option("all", "change, too")),
            "none");
    /** Which mentions of a name in text become the new one. */
    public static final Question MENTIONS_QUESTION = new Question.Choice(
            MENTIONS,
            "mentions in comments, strings and resources",
            List.of(new Question.Option("none", "leave all text alone"),
                    new Question.Option("sure", "only qualified names in service files and XML attributes"),
                    new Question.Option("all", "every mention of the word")),
            "sure");
    private static final Question SUBPACKAGES_QUESTION = new Question.Flag(
            SUBPACKAGES, "rename its subpackages too", false);

    @Override
    public String id() {
        return "rename";
    }

    @Override
    public String summary() {
        return "Rename a symbol and all its uses";
    }

    @Override
    public List<Question> questions() {
        return List.of(name("", "", List.of()), MENTIONS_QUESTION, RELATED_QUESTION, EXCEPT_QUESTION, EXTERNAL_QUESTION,
                SUBPACKAGES_QUESTION);
    }

    /** The part of a package's name that stands under the caret, which is its last one. */
    private static String segment(Symbol packageSymbol) {
        return packageSymbol.name().substring(packageSymbol.name().lastIndexOf('.') + 1);
    }

    /** A package that is given a name without a dot stays where it is, only that part of its name is another. */
    private static String whole(String said, Symbol target) {
        boolean isPart = target.kind() == SymbolKind.PACKAGE && !said.contains(".") && target.name().contains(".");
        return isPart ? target.name().substring(0, target.name().lastIndexOf('.') + 1) + said : said;
    }

    private static Question name(String current, String what, List<String> proposals) {
        return new Question.Name(NAME, "the new name" + (what.isEmpty() ? "" : " of the " + what), current, proposals);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return resolved.symbol()
                .filter(symbol -> symbol.isSource() && symbol.kind() != SymbolKind.UNKNOWN)
                .map(symbol -> new Offer(id(), "rename the " + symbol.describe(), Offer.Kind.REFACTORING,
                        resolved.bindings().get(0).range(), questions(resolved, symbol)));
    }

    private static List<Question> questions(ResolvedPlace resolved, Symbol symbol) {
        if (symbol.kind() == SymbolKind.PACKAGE) {
            return List.of(name(segment(symbol), "package", List.of()), MENTIONS_QUESTION, SUBPACKAGES_QUESTION);
        }
        List<Question> questions = new ArrayList<>(
                List.of(name(symbol.name(), symbol.kind().words(), proposals(resolved, symbol)), MENTIONS_QUESTION));
        if (hasNamesakes(symbol)) {
            questions.addAll(List.of(RELATED_QUESTION, EXCEPT_QUESTION));
        }
        if (KeptNames.areThere(resolved.analysis(), symbol.key())) {
            questions.add(EXTERNAL_QUESTION);
        }
        return List.copyOf(questions);
    }

    /** Names that the value of a variable, or its type, would have. */
    private static List<String> proposals(ResolvedPlace resolved, Symbol symbol) {
        return resolved.analysis().declaration(symbol.key())
                .flatMap(declared -> resolved.analysis().code(declared.file())
                        .flatMap(code -> code.declaration(declared.range())
                        .filter(path -> path.getLeaf() instanceof VariableTree)
                        .map(path -> proposals(code, path))))
                .orElse(List.of()).stream()
                .filter(name -> !name.equals(symbol.name()) && !name.equals("value")).distinct().toList();
    }

    private static List<String> proposals(AttributedFile code, TreePath variable) {
        List<String> names = new ArrayList<>();
        ExpressionTree value = ((VariableTree) variable.getLeaf()).getInitializer();
        if (value != null && code.find(value).isPresent()) {
            names.addAll(new NameProposals(code).of(new TreePath(variable, value)));
        }
        code.element(variable).map(element -> NameProposals.ofType(element.asType()))
                .map(name -> NewName.free(code.tokens().names(), name)).ifPresent(names::add);
        return names;
    }

    static boolean hasNamesakes(Symbol symbol) {
        return symbol.kind().isType() || symbol.kind() == SymbolKind.FIELD && !symbol.isStatic();
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Symbol> found = resolved.symbol();
        if (found.isEmpty()) {
            return new Plan.Refused(List.of(Reason.at(resolved.file().path(), resolved.place().selection(),
                    "there is no name here that could be renamed; put the caret on one")));
        }
        Symbol target = found.get();
        String newName = whole(answers.single(NAME).orElse(""), target);
        if (!target.isSource()) {
            return Plan.refused("the " + target.describe() + " is declared in a library, so it cannot be renamed");
        }
        Optional<String> origin = resolved.analysis().declaration(target.key()).isPresent() ? Optional.empty()
                : ImplicitOrigin.field(target.key(), target.name(), analyst);
        if (origin.isPresent()) {
            return Plan.refused("the " + target.describe() + " does not stand in the code, an annotation adds it"
                    + (origin.get().isEmpty() ? "" : "; rename the field '" + origin.get() + "', and it follows"));
        }
        if (analyst.declaring(target.key()).filter(file -> file.root().isProcessed()).isPresent()) {
            return Plan.refused("the " + target.describe()
                    + " is made by an annotation processor; rename what it is made from, and it follows");
        }
        NewName rules = NewName.of(newName, target, resolved.file().module().level());
        if (rules.objection().isPresent()) {
            return Plan.refused(rules.objection().get());
        }
        if (newName.equals(target.name())) {
            return Plan.refused("it is called '" + newName + "' already");
        }
        Plan plan = target.kind() == SymbolKind.PACKAGE || target.kind() == SymbolKind.MODULE
                ? new QualifiedRename(target, newName, answers, analyst).plan()
                : new SymbolRename(resolved, target, newName, answers, analyst).plan();
        return rules.unconventional(target.modifiers())
                .filter(note -> plan instanceof Plan.Ready)
                .map(note -> (Plan) new Plan.Ready(
                        ((Plan.Ready) plan).change().note(note), ((Plan.Ready) plan).before()))
                .orElse(plan);
    }

    /** Which mentions are taken by the answers. */
    public static Mentions.Choice choice(Answers answers) {
        return switch (answers.single(MENTIONS).orElse("sure")) {
            case "none" -> Mentions.Choice.NONE;
            case "all" -> Mentions.Choice.ALL;
            default -> Mentions.Choice.SURE;
        };
    }

    @Override
    public Optional<Change> mend(Change change, List<Difference> differences, Analysis before) {
        return new Qualifier(change, before).mend(differences);
    }
}
