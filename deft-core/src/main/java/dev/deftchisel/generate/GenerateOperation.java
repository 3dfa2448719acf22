package dev.deftchisel.generate;

import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.ImpactScope;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.StateField;
import dev.deftchisel.member.SupertypeClause;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.AccessQuestion;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Writes members that follow from the state of an object. An operation says which parts it is for and what the members
 * look like; finding the type and the place, and having the names looked at wherever they stand, is the same for all.
 *
 * <p>What was generated before is known by being just what would be generated for the parts that it mentions: it is
 * written anew for others, where other code is left alone unless that is asked for.
 */
public abstract class GenerateOperation implements Operation {

    /** The key of the parts, in order. */
    public static final String MEMBERS = "members";
    /** The key of the choice what becomes of members that are there: {@code keep} or {@code replace}. */
    public static final String EXISTING = "existing";

    /** Who may use what is generated; everyone, by default. */
    static final AccessQuestion VISIBILITY = new AccessQuestion("who may use it",
            List.of(AccessLevel.PUBLIC, AccessLevel.PROTECTED, AccessLevel.PACKAGE, AccessLevel.PRIVATE));

    private static final String REPLACE = "replace";

    /** What is asked besides the parts, independent of a place. */
    abstract List<Question> choices();

    /** What is asked besides the parts at a type, where that makes a difference. */
    List<Question> choices(TargetClass target) {
        return choices();
    }

    /** What is asked about the parts. */
    abstract String membersLabel();

    /** Whether it makes sense for a type. */
    abstract boolean isFor(TargetClass target);

    /** The parts that can be chosen. */
    abstract List<StateField> candidates(TargetClass target);

    /** Those that are chosen by default. */
    List<StateField> defaultMembers(TargetClass target, int offset) {
        return candidates(target);
    }

    /** For instance {@code generate the equality of Berth}. */
    abstract String title(TargetClass target);

    /** The members. */
    abstract GenerationResult generate(GenerationRequest request);

    /** What is asked about members that are there. */
    static Question existing() {
        return new Question.Choice(EXISTING, "what was written by hand before",
                List.of(new Question.Option("keep", "it stays"), new Question.Option(REPLACE, "it is replaced")),
                "keep");
    }

    static boolean replaces(Answers answers) {
        return answers.single(EXISTING).filter(REPLACE::equals).isPresent();
    }

    @Override
    public final List<Question> questions() {
        List<Question> all = new ArrayList<>(List
                .of(new Question.Members(MEMBERS, membersLabel(), List.of(), List.of())));
        all.addAll(choices());
        return List.copyOf(all);
    }

    @Override
    public final Optional<Offer> offer(ResolvedPlace resolved) {
        int caret = resolved.place().caret();
        return target(resolved.analysis(), resolved).filter(target -> target.isAmongMembers(caret) && isFor(target))
                .map(target -> {
                    List<Question> questions = new ArrayList<>(List.of(new Question.Members(MEMBERS, membersLabel(),
                            names(candidates(target)), names(defaultMembers(target, caret)))));
                    questions.addAll(choices(target));
                    Range range = target.code().range(target.tree());
                    return new Offer(id(), title(target), Offer.Kind.GENERATE, range, questions);
                });
    }

    /** The type at a place. */
    public static Optional<TargetClass> target(Analysis analysis, ResolvedPlace resolved) {
        return analysis.code(resolved.file().path()).flatMap(code -> TargetClass.at(code, resolved.place().caret()));
    }

    private static List<String> names(List<StateField> parts) {
        return parts.stream().map(StateField::name).toList();
    }

    @Override
    public final Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        // the bodies of the type tell what is there already
        Analysis first = analyst.analyse(Focus.around(file, resolved.place().selection()).deeply());
        Optional<TargetClass> found = target(first, resolved);
        if (found.isEmpty() || !isFor(found.get())) {
            return Plan.refused(resolved, "this cannot be done for " + found.map(target -> target.name().isEmpty()
                    ? "an anonymous class" : target.name()).orElse("what is outside of all types"));
        }
        TargetClass target = found.get();
        List<String> names = answers.several(MEMBERS)
                .orElseGet(() -> names(defaultMembers(target, resolved.place().caret())));
        List<StateField> candidates = candidates(target);
        List<StateField> chosen = new ArrayList<>();
        for (String name : names) {
            Optional<StateField> part = candidates.stream().filter(one -> one.name().equals(name)).findFirst();
            if (part.isEmpty()) {
                return Plan.refused(resolved, "there is no '" + name + "' in " + target.name() + " for this; "
                        + (candidates.isEmpty() ? "there is nothing"
                                : "there are " + String.join(", ", names(candidates))));
            }
            chosen.add(part.get());
        }
        EditsByFile edits = new EditsByFile(first);
        GenerationResult generated = generate(new GenerationRequest(target, chosen, answers,
                edits.writer(target.code()), analyst));
        return generated instanceof GenerationResult.Members members ? plan(resolved, target, members, edits, analyst)
                : Plan.refused(((GenerationResult.Refused) generated).reason());
    }

    private Plan plan(ResolvedPlace resolved, TargetClass target, GenerationResult.Members generated, EditsByFile edits,
            Analyst analyst) {
        AttributedFile code = target.code();
        List<NewMember> members = generated.members().stream().filter(member -> !isThere(code, member)).toList();
        if (members.isEmpty() && generated.above().isEmpty()) {
            return Plan.refused(resolved, "all of this is there already");
        }
        List<Edit> written = new MemberInserter(target).edits(members);
        edits.of(code.file().path()).addAll(written);
        generated.above().forEach(type -> edits.of(code.file().path()).add(SupertypeClause.implementing(target, type)));
        Set<SymbolKey> rewritten = new HashSet<>();
        for (NewMember member : members) {
            member.instead().flatMap(tree -> code.element(new TreePath(target.path(), tree))).map(code::key)
                    .ifPresent(rewritten::add);
        }
        Focus focus = ImpactScope.of(target, members, !generated.above().isEmpty()).focus(analyst.snapshot());
        return new Plan.Ready(edits.change(generated.title(), SymbolEffects.same().rewriting(rewritten)
                .extending(Set.of(code.key(target.type()))),
                generated.notes()), analyst.analyse(focus));
    }

    /** Whether a member stands there, but for white space. */
    private static boolean isThere(AttributedFile code, NewMember member) {
        return member.instead().filter(tree -> isSame(code, tree, member.lines())).isPresent();
    }

    /** Whether a member of the file is what some lines say, but for white space and comments. */
    static boolean isSame(AttributedFile code, Tree member, List<String> lines) {
        return words(Tokens.of(String.join("\n", lines))).equals(words(Tokens.of(code.text(member))));
    }

    private static List<String> words(Tokens tokens) {
        List<String> words = new ArrayList<>();
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            words.add(tokens.text(i));
        }
        return words;
    }
}
