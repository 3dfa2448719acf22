package dev.deftchisel.rename;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.ImplicitOrigin;
import dev.deftchisel.analysis.SearchWords;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.analysis.symbol.UnknownSupertypes;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.TypeElement;

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

    private static final Question EXTERNAL_QUESTION = new Question.Choice(
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
    private static final Question MENTIONS_QUESTION = new Question.Choice(
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
            return List.of(name(symbol.name(), "package", List.of()), MENTIONS_QUESTION, SUBPACKAGES_QUESTION);
        }
        List<Question> questions = new ArrayList<>(
                List.of(name(symbol.name(), symbol.kind().words(), proposals(resolved, symbol)), MENTIONS_QUESTION));
        if (hasNamesakes(symbol)) {
            questions.addAll(List.of(RELATED_QUESTION, EXCEPT_QUESTION));
        }
        if (resolved.analysis().known(symbol.key()).filter(known -> KeptNames.areThere(known.element())).isPresent()) {
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

    private static boolean hasNamesakes(Symbol symbol) {
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
        String newName = answers.single(NAME).orElse("");
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
                : plan(resolved, target, newName, answers, analyst, Map.of());
        return rules.unconventional(target.modifiers())
                .filter(note -> plan instanceof Plan.Ready)
                .map(note -> (Plan) new Plan.Ready(
                        ((Plan.Ready) plan).change().note(note), ((Plan.Ready) plan).before()))
                .orElse(plan);
    }

    /** @param made what annotation processors call otherwise then, as far as is known */
    private Plan plan(ResolvedPlace resolved, Symbol target, String newName, Answers answers, Analyst analyst,
            Map<SymbolKey, String> made) {
        boolean takesAll = hasNamesakes(target) && answers.single(RELATED).filter("all"::equals).isPresent();
        Set<String> kept = answers.single(EXCEPT).stream().flatMap(said -> Stream.of(said.split(",")))
                .map(String::strip).filter(said -> !said.isEmpty()).collect(Collectors.toSet());
        Set<String> possible = new RelatedNames(target, newName, Set.of()).names();
        Optional<String> stranger = kept.stream().filter(said -> !possible.contains(said)).sorted().findFirst();
        if (takesAll && stranger.isPresent()) {
            return Plan.refused(resolved, stranger.get() + " is nothing that could be named after " + target.name());
        }
        RelatedNames namesakes = new RelatedNames(target, newName, kept);
        FollowingMembers following = FollowingMembers.of(target.key(), target.name(), newName, analyst);
        Focus focus = focus(resolved, target, newName, analyst);
        if (!following.isEmpty()) {
            focus = focus.andNames(following.names())
                    .andFiles(analyst.snapshot().pathsMentioning(Set.copyOf(following.names())));
        }
        if (!made.isEmpty()) {
            Set<String> words = new HashSet<>(made.values());
            made.keySet().forEach(key -> words.addAll(ProcessorOutputNames.words(key)));
            focus = focus.andNames(words).andFiles(analyst.snapshot().pathsMentioning(words));
        }
        Analysis before = analyst.analyse(!takesAll ? focus : focus.andNames(namesakes.names())
                .andFiles(analyst.snapshot().pathsMentioning(namesakes.names())));
        Set<SymbolKey> family = Family.of(target, before);
        List<Reason> obstacles = libraryMembers(target, family, before);
        if (!obstacles.isEmpty()) {
            return new Plan.Refused(obstacles);
        }
        Optional<Reason> unknownMade = new UnprocessedNames(target, before, analyst).objection();
        if (unknownMade.isPresent()) {
            return new Plan.Refused(List.of(unknownMade.get()));
        }
        List<String> unseen = new ArrayList<>();
        for (SymbolKey member : family) {
            Optional<String> unknown = unknownAbove(member, before);
            if (unknown.isPresent() && isOverriding(member, before)
                    && family.stream().noneMatch(other -> !other.equals(member) && before.overrides(member, other))) {
                return Plan.refused(shown(member, before) + " overrides a method of " + unknown.get()
                        + ", which is not known here, so nobody can tell what else would have to be renamed");
            }
            unknown.ifPresent(type -> unseen.add(type + " is not known here: whether " + shown(member, before)
                    + " overrides something there was not seen"));
        }
        Map<Path, Map<Range, Edit>> references = new ReferenceEdits(before, family, newName).all();
        Map<Path, Path> moves = new HashMap<>(moves(target, newName, before));
        Map<Set<SymbolKey>, String> related = takesAll ? namesakes.in(before) : Map.of();
        related.forEach((keys, name) -> {
            new ReferenceEdits(before, keys, name).all().forEach((path, found) ->
                    references.computeIfAbsent(path, absent -> new LinkedHashMap<>()).putAll(found));
            keys.forEach(key -> before.symbol(key).ifPresent(symbol -> moves.putAll(moves(symbol, name, before))));
        });
        Map<SymbolKey, String> added = new LinkedHashMap<>(made);
        family.forEach(added::remove);
        added.putAll(following.in(before));
        added.forEach((key, name) -> new ReferenceEdits(before, Set.of(key), name).all().forEach((path, found) ->
                references.computeIfAbsent(path, absent -> new LinkedHashMap<>()).putAll(found)));
        for (Path taken : moves.values()) {
            if (analyst.snapshot().file(taken).isPresent()) {
                return Plan.refused("the file " + analyst.snapshot().workspace().show(taken)
                        + " exists already; rename or remove it first");
            }
        }
        Map<SymbolKey, String> names = new HashMap<>(added);
        related.forEach((keys, name) -> keys.forEach(key -> names.put(key, name)));
        family.forEach(key -> names.put(key, newName));
        KeptNames external = new KeptNames(before, !answers.single(EXTERNAL).filter("change"::equals).isPresent())
                .read(names.keySet());
        List<FileChange> texts = new ArrayList<>();
        List<FileChange> files = files(target, RenamedWords.of(target, newName, names, before), references,
                external.edits(), moves, choice(answers),
                before, texts);
        files.addAll(texts);
        Change change = new Change(
                "rename the " + target.describe() + " to " + newName + also(related.size()) + following(added.size()),
                files,
                new SymbolEffects(names, Map.of()),
                Stream.of(notes(target, before), unseen, external.notes(), DerivedQueries.notes(names.keySet(), before),
                        MentionsInOtherFiles.notes(texts, before.snapshot().workspace())).flatMap(List::stream)
                        .toList());
        Map<SymbolKey, String> remade = made.isEmpty() ? ProcessorOutputNames.of(change, analyst) : made;
        return remade.size() > made.size() ? plan(resolved, target, newName, answers, analyst, remade)
                : new Plan.Ready(change, before);
    }

    /** What is above the type of a method that can override, and not known. */
    private static Optional<String> unknownAbove(SymbolKey member, Analysis before) {
        return before.symbol(member).filter(symbol -> symbol.kind().isMethod() && !symbol.isStatic()
                && !symbol.isPrivate())
                .flatMap(Symbol::owner).flatMap(before::known).map(Analysis.KnownElement::element)
                .filter(TypeElement.class::isInstance).flatMap(type -> UnknownSupertypes.first((TypeElement) type));
    }

    /** Whether a method says that it overrides one. */
    private static boolean isOverriding(SymbolKey member, Analysis before) {
        return before.known(member).filter(known -> known.element().getAnnotationMirrors().stream()
                        .anyMatch(annotation -> annotation.getAnnotationType().asElement().getSimpleName()
                                .contentEquals("Override")))
                .isPresent();
    }

    private static String shown(SymbolKey member, Analysis before) {
        return before.symbol(member).map(Symbol::signature).orElseThrow();
    }

    private static String also(int related) {
        if (related == 0) {
            return "";
        }
        return ", and " + related + (related == 1 ? " thing that is" : " things that are") + " named after it";
    }

    private static String following(int added) {
        if (added == 0) {
            return "";
        }
        return ", and " + added + (added == 1 ? " member that follows from it" : " members that follow from it");
    }

    private static List<Reason> libraryMembers(Symbol target, Set<SymbolKey> family, Analysis before) {
        List<Symbol> members = family.stream()
                .map(before::symbol)
                .flatMap(Optional::stream)
                .filter(symbol -> !symbol.isSource())
                .sorted(Comparator.comparing(Symbol::signature))
                .toList();
        List<Reason> own = members.stream()
                .filter(symbol -> isAbove(symbol, target, before))
                .map(symbol -> Reason.of(target.signature() + " overrides or implements " + symbol.signature()
                        + ", which is declared in a library and cannot be renamed"))
                .toList();
        return !own.isEmpty() ? own : members.stream()
                .map(symbol -> Reason.of("a type inherits or overrides both " + target.signature() + " and "
                        + symbol.signature()
                        + ", which is declared in a library and cannot be renamed"))
                .toList();
    }

    private static boolean isAbove(Symbol member, Symbol target, Analysis before) {
        return target.owner().flatMap(before::known)
                .filter(owner -> owner.element() instanceof TypeElement type
                        && member.owner().filter(above -> before.isSubtype(type, above)).isPresent())
                .isPresent();
    }

    static Mentions.Choice choice(Answers answers) {
        return switch (answers.single(MENTIONS).orElse("sure")) {
            case "none" -> Mentions.Choice.NONE;
            case "all" -> Mentions.Choice.ALL;
            default -> Mentions.Choice.SURE;
        };
    }

    /** The files in which the old or the new name could be or become a reference. */
    private static Focus focus(ResolvedPlace resolved, Symbol target, String newName, Analyst analyst) {
        Set<String> names = new HashSet<>(SearchWords.of(target, resolved.analysis()));
        names.add(newName);
        if (target.kind().isLocal()) {
            return Focus.on(Set.of(resolved.file().path()), names);
        }
        Set<Path> files = new HashSet<>();
        if (target.isPrivate()) {
            // code uses it in its own file only, but documentation can refer to it from others, and under its new name
            // it can hide an inherited one anywhere
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(newName)));
            files.addAll(paths(analyst.snapshot().files().stream()
                    .filter(file -> file.content().contains("#" + target.name()))
                    .toList()));
            analyst.declaring(target.key()).map(SourceFile::path).ifPresent(files::add);
        } else {
            files.addAll(analyst.snapshot().pathsMentioning(names));
        }
        if (!resolved.file().root().isProcessed()) {
            files.add(resolved.file().path());
        }
        Set<String> owner = target.kind().isMethod()
                ? target.owner().flatMap(resolved.analysis()::symbol).map(Symbol::name).map(Set::of).orElse(Set.of())
                : Set.of();
        return Focus.on(files, names).withTypes(owner);
    }

    private static List<Path> paths(List<SourceFile> files) {
        return files.stream().map(SourceFile::path).toList();
    }

    /** A top-level type takes the file that is named after it along (JLS 7.6). */
    private static Map<Path, Path> moves(Symbol target, String newName, Analysis before) {
        Map<Path, Path> moves = new HashMap<>();
        if (target.key() instanceof SymbolKey.Type type && type.topLevel().equals(type.binaryName())) {
            before.declaration(type).ifPresent(declared -> {
                if (declared.file().endsWith(target.name() + ".java")) {
                    moves.put(declared.file(), declared.file().resolveSibling(newName + ".java"));
                }
            });
        }
        return moves;
    }

    private static List<FileChange> files(
            Symbol target,
            RenamedWords renaming,
            Map<Path, Map<Range, Edit>> references,
            Map<Path, List<Edit>> external,
            Map<Path, Path> moves,
            Mentions.Choice choice,
            Analysis before,
            List<FileChange> texts) {
        Map<Path, List<Edit>> edits = new LinkedHashMap<>();
        references.forEach((path, byRange) -> edits.put(path, new ArrayList<>(byRange.values())));
        external.forEach((path, found) -> edits.computeIfAbsent(path, file -> new ArrayList<>()).addAll(found));
        Mentions mentions = new Mentions(before.snapshot(), renaming, choice);
        Map<Path, Set<Range>> known = references.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue().keySet()));
        mentions.inJava(Mentions.Scope.of(target, before), known)
                .forEach((path, found) -> edits.computeIfAbsent(path, file -> new ArrayList<>()).addAll(found));
        List<FileChange> files = new ArrayList<>();
        edits.forEach((path, list) -> files.add(new FileChange(path, Optional.ofNullable(moves.get(path)),
                before.snapshot().source(path).text(), list)));
        boolean isSeen = !target.isPrivate() || !renaming.properties().isEmpty();
        if (!target.kind().isLocal() && isSeen) {
            texts.addAll(mentions.inResources(Map.of()));
            texts.addAll(mentions.beside());
        }
        return files;
    }

    private static List<String> notes(Symbol target, Analysis before) {
        List<String> notes = new ArrayList<>(before.gaps());
        boolean isMain = target.key() instanceof SymbolKey.Method method && method.name().equals("main")
                && target.isStatic() && method.descriptor().equals("([Ljava.lang.String;)V");
        if (isMain) {
            notes.add("programs are started by the name main (JLS 12.1.4); this class could no longer be started");
        }
        int unresolved = before.unresolved(target.name()).size();
        if (unresolved > 0) {
            var first = before.unresolved(target.name()).get(0);
            notes.add(unresolved + (unresolved == 1 ? " place" : " places") + " with the name '" + target.name()
                    + "' could not be resolved and " + (unresolved == 1 ? "is" : "are") + " left alone, first "
                    + before.snapshot().workspace().show(first.file()) + ":"
                    + before.snapshot().source(first.file()).position(first.range().start()));
        }
        return notes;
    }

    @Override
    public Optional<Change> mend(Change change, List<Difference> differences, Analysis before) {
        return new Qualifier(change, before).mend(differences);
    }
}
