package dev.deftchisel.declare;

import com.sun.source.tree.VariableTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.declare.signature.NewType;
import dev.deftchisel.declare.signature.NewTypeText;
import dev.deftchisel.declare.signature.TypeUses;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.AccessQuestion;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.NewFile;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;

/** Declares the type that a name asks for, in a file of its own or within the class around. */
public final class DeclareTypeOperation implements Operation {

    /** The key of the choice of which kind it is; {@code use} for what the uses show. */
    public static final String KIND = "kind";
    /** The key of the choice where it goes: {@code own}, {@code beside} or {@code nested}. */
    public static final String WHERE = "where";
    /** The key of its package; empty for the one of the use. */
    public static final String PACKAGE = "package";

    private static final String USE = "use";
    private static final String NESTED = "nested";
    private static final String BESIDE = "beside";
    private static final Question KIND_QUESTION = new Question.Choice(KIND, "what it is", Stream.concat(
            Stream.of(new Question.Option(USE, "what the uses show")),
            Stream.of(NewType.Kind.values()).map(kind -> new Question.Option(kind.key(),
                    (kind.key().matches("[aeiou].*") ? "an " : "a ") + kind.key())))
            .toList(), USE);
    private static final Question WHERE_QUESTION = new Question.Choice(WHERE, "where it goes",
            List.of(new Question.Option("own", "a file of its own; main code, if a test asks for it"),
                    new Question.Option(BESIDE, "a file of its own, next to the one that asks for it"),
                    new Question.Option(NESTED, "within the class around")),
            "own");
    private static final Question VISIBILITY_QUESTION = AccessQuestion.asNeeded("as few as the uses allow",
            List.of(AccessLevel.PUBLIC, AccessLevel.PACKAGE, AccessLevel.PRIVATE));

    @Override
    public String id() {
        return "declare-type";
    }

    @Override
    public String summary() {
        return "Declare the class, record, interface, enum, annotation or exception that a name refers to";
    }

    @Override
    public List<Question> questions() {
        return List.of(KIND_QUESTION, WHERE_QUESTION, new Question.Text(PACKAGE, "its package, when it is another", ""),
                VISIBILITY_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return missing(resolved.analysis(), resolved)
                .map(missing -> new Offer(id(), title(missing), Offer.Kind.GENERATE, missing.range(),
                questions()));
    }

    private static Optional<UnresolvedName> missing(Analysis analysis, ResolvedPlace resolved) {
        return UnresolvedName.at(analysis, resolved).filter(UnresolvedName::isType);
    }

    private static String title(UnresolvedName missing) {
        return "declare the type " + missing.name();
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Path file = resolved.file().path();
        Analysis near = analyst.analyse(Focus.around(file, resolved.place().selection()).deeply());
        Optional<UnresolvedName> found = missing(near, resolved);
        if (found.isEmpty()) {
            return Plan.refused(resolved, "there is no name here of which a type could be declared");
        }
        String name = found.get().name();
        Set<Path> files = new HashSet<>(Set.of(file));
        files.addAll(analyst.snapshot().pathsMentioning(Set.of(name)));
        Optional<SymbolKey> around = found.get().isOfType() ? found.get().owner().map(found.get().code()::key)
                : Optional.empty();
        around.flatMap(analyst::declaring).ifPresent(home -> files.add(home.path()));
        // what is done with a variable of the type tells of the type, too
        Set<String> names = found.get().path().getParentPath().getLeaf() instanceof VariableTree variable
                ? Set.of(name, variable.getName().toString()) : Set.of(name);
        Analysis before = analyst.analyse(new Focus(files, names, Set.of(),
                Map.of(file, List.of(resolved.place().selection())), true));
        UnresolvedName missing = missing(before, resolved).orElseThrow();
        TypeUses uses = TypeUses.of(missing, before);
        if (found.get().isOfType()) {
            // what is selected from a type is within that one, wherever it is
            return nested(missing, uses, answers, before, around.flatMap(before::declaration).flatMap(declared ->
                    before.code(declared.file()).flatMap(code -> TargetClass.at(code, declared.range().start()))));
        }
        return answers.single(WHERE).filter(NESTED::equals).isPresent()
                ? nested(missing, uses, answers, before, around(missing, uses))
                : inFile(missing, uses, answers, before);
    }

    /** The class around from which others select it, else the innermost one in which all can name it. */
    private static Optional<TargetClass> around(UnresolvedName missing, TypeUses uses) {
        Set<TypeElement> named = uses.owners();
        return missing.classAround(at -> missing.code().element(at).filter(named::contains).isPresent())
                .or(() -> missing.classAround(at -> uses.isAroundAll(missing, missing.code().range(at.getLeaf()))));
    }

    private Plan nested(UnresolvedName missing, TypeUses uses, Answers answers, Analysis before,
            Optional<TargetClass> target) {
        if (target.isEmpty()) {
            return Plan.refused(Reason.at(missing.code().file().path(), missing.range(),
                    "there is no class of the workspace in which it could be"));
        }
        AttributedFile code = target.get().code();
        EditsByFile edits = new EditsByFile(before);
        TypeWriter writer = edits.writer(code);
        NewTypeText text = new NewTypeText(missing, uses,
                UseTypes.of(edits.writer(missing.code()), writer, missing.code(), Optional.empty()), writer);
        NewType.Kind kind = kind(uses, answers);
        boolean isInInterface = target.get().type().getKind().isInterface();
        String visibility = isInInterface ? "" : AccessQuestion.said(answers)
                .orElseGet(() -> uses.needed(target.get().type())).prefix();
        boolean isClass = kind == NewType.Kind.CLASS || kind == NewType.Kind.EXCEPTION;
        NewTypeText.Result type = text.of(kind, visibility
                + (isClass && !isInInterface && mayBeStatic(target.get()) ? "static " : ""));
        if (type.objection().isPresent()) {
            return Plan.refused(Reason.at(missing.code().file().path(), missing.range(), type.objection().get()));
        }
        edits.of(code.file().path()).addAll(new MemberInserter(target.get()).edits(List.of(
                NewMember.added(NewMember.Kind.TYPE, missing.name(), type.lines()).linking(type.proposed()))));
        return new Plan.Ready(edits.change(titled(kind, missing), SymbolEffects.same(), List.of()), before);
    }

    /**
     * Whether a class within another may be static: not in one that needs an object itself, before Java 16 (JLS 8.1.3).
     */
    private static boolean mayBeStatic(TargetClass around) {
        boolean isInner = around.type().getNestingKind() != NestingKind.TOP_LEVEL && !around.type().getModifiers()
                .contains(Modifier.STATIC)
                && around.type().getKind() == ElementKind.CLASS;
        return !isInner || around.code().file().module().level() >= 16;
    }

    private Plan inFile(UnresolvedName missing, TypeUses uses, Answers answers, Analysis before) {
        AttributedFile code = missing.code();
        SourceFile file = code.file();
        String home = answers.single(PACKAGE).filter(said -> !said.isEmpty()).orElseGet(missing::home);
        SourceRoot root = answers.single(WHERE).filter(BESIDE::equals).isPresent() ? file.root() : mainRoot(file);
        NewFile made = NewFile.of(root, home, missing.name(), file, before.snapshot(), code.elements());
        EditsByFile edits = new EditsByFile(before);
        boolean isElsewhere = !file.header().packageName().equals(home);
        if (isElsewhere && missing.isSimple() && !missing.isImported()) {
            edits.writer(code).importing(home + "." + missing.name());
        }
        NewTypeText text = new NewTypeText(missing, uses,
                UseTypes.of(edits.writer(code), made.writer(), code, Optional.empty()),
                made.writer());
        NewType.Kind kind = kind(uses, answers);
        boolean isOpen = uses.files().anyMatch(other -> !other.file().header().packageName().equals(home));
        String visibility = AccessQuestion.said(answers).orElse(isOpen ? AccessLevel.PUBLIC : AccessLevel.PACKAGE)
                .prefix();
        NewTypeText.Result type = text.of(kind, visibility);
        if (type.objection().isPresent()) {
            return Plan.refused(Reason.at(file.path(), missing.range(), type.objection().get()));
        }
        Change change = edits.change(titled(kind, missing), SymbolEffects.same(), List.of())
                .creating(made.with(type.lines(), type.proposed()));
        return new Plan.Ready(change, before);
    }

    private static String titled(NewType.Kind kind, UnresolvedName missing) {
        return "declare the " + kind.key() + " " + missing.name();
    }

    private static NewType.Kind kind(TypeUses uses, Answers answers) {
        return answers.single(KIND).flatMap(said -> Stream.of(NewType.Kind.values())
                .filter(kind -> kind.key().equals(said)).findFirst())
                .orElseGet(uses::kind);
    }

    /** What tests ask for is main code. */
    private static SourceRoot mainRoot(SourceFile file) {
        boolean isTest = file.root().use() == SourceRoot.Use.TEST;
        return file.module().roots().stream()
                .filter(root -> isTest && root.use() == SourceRoot.Use.MAIN && root.kind() == SourceRoot.Kind.SOURCE)
                .findFirst().orElse(file.root());
    }
}
