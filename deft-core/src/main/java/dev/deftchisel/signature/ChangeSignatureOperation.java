package dev.deftchisel.signature;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.CanonicalConstructor;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.header.HeaderParts;
import dev.deftchisel.header.HeaderReader;
import dev.deftchisel.header.ParameterOrigins;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.member.parameter.FamilyBodies;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NamedConstructor;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rename.KeptNames;
import dev.deftchisel.rename.Qualifier;
import dev.deftchisel.rename.RenameOperation;
import dev.deftchisel.signature.declaration.ElementDefault;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.FunctionBodies;
import dev.deftchisel.signature.plan.NewExceptions;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javax.lang.model.element.TypeElement;

/**
 * Changes the signature of a method or constructor to a header that is typed as it is to be (the refactoring "change
 * function declaration" of the literature): all that it overrides and is overridden by, every call and the
 * documentation follow.
 */
public final class ChangeSignatureOperation implements Operation {

    /** The operation. */
    public static final String ID = "change-signature";

    /** The key of the header as it is to be, in Java; new parameters say after {@code =} what calls pass. */
    public static final String TO = "to";
    /** The key of parameters that go on under another name, {@code old=new} with commas between. */
    public static final String RENAMED = "renamed";

    /** The key of new parameters, {@code int rate = 3}, where the header is not typed as a whole. */
    public static final String ADD = "add";
    /** The key of the names of parameters that go, where the header is not typed as a whole. */
    public static final String DROP = "drop";
    /** The key of the names of parameters in the order that they get, where the header is not typed as a whole. */
    public static final String ORDER = "order";

    /** The key of the choice whether calls {@code change}, or {@code stay}, and the method passes on to a new one. */
    public static final String CALLS = "calls";

    /** The modifiers that a header may say though they were not there. */
    private static final Set<String> OPEN = Set.of("public", "protected", "private", "final",
            "static");
    /** The key of the callers that get new parameters as well, and pass them on: names of methods. */
    public static final String THROUGH = "through";

    /** The key of what single calls pass, {@code Office.java:14=days}. */
    public static final String PASS = "pass";

    /** The key of the choice what callers do about exceptions that are new. */
    public static final String THROWN = "thrown";

    /** The key of what single calls do about exceptions that are new, {@code Office.java:14=catch}. */
    public static final String HANDLE = "handle";

    private static final Question THROWN_QUESTION = new Question.Choice(THROWN, "what callers do about new exceptions",
            List.of(new Question.Option("told", "those that neither catch nor declare them are told"),
                    new Question.Option("declare", "they declare them, up to where they are caught"),
                    new Question.Option("catch", "they catch them, and throw an IllegalStateException")), "told");
    private static final Question CALLS_QUESTION = new Question.Choice(CALLS, "whether the calls change",
            List.of(new Question.Option("change", "each passes what the header says"),
                    new Question.Option("stay", "they stay, and the method they call passes it on to a new one")),
            "change");

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String summary() {
        return "Change the signature of a method, and all its calls, to a header as you type it";
    }

    @Override
    public List<Question> questions() {
        List<Question> questions = new ArrayList<>(questions(""));
        questions.addAll(List.of(RenameOperation.EXTERNAL_QUESTION,
                new Question.Text(ADD, "instead of a header: parameters to add", ""),
                new Question.Text(DROP, "instead of a header: parameters to drop", ""),
                new Question.Text(ORDER, "instead of a header: parameters in their order", "")));
        return List.copyOf(questions);
    }

    /** What is asked where the header can be seen and edited. */
    private static List<Question> questions(String current) {
        return List.of(new Question.Text(TO, "the new header, in Java", current),
                new Question.Text(RENAMED, "renamed parameters: old=new", ""), CALLS_QUESTION,
                new Question.Placed(PASS, "what single calls pass instead"),
                new Question.Text(THROUGH, "callers that pass new parameters on", ""), THROWN_QUESTION,
                new Question.Placed(HANDLE, "what single calls do about them instead"),
                RenameOperation.MENTIONS_QUESTION);
    }

    private static List<Question> questions(ResolvedPlace resolved, Symbol symbol) {
        List<Question> questions = new ArrayList<>(questions(current(resolved, symbol)));
        if (KeptNames.areThere(resolved.analysis(), symbol.key())) {
            questions.add(RenameOperation.EXTERNAL_QUESTION);
        }
        return questions;
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return symbol(resolved).map(symbol -> new Offer(id(), "change the signature of " + symbol.signature(),
                Offer.Kind.REFACTORING, resolved.bindings().stream().findFirst().map(Binding::range)
                .orElse(resolved.place().selection()), questions(resolved, symbol)));
    }

    /** The header where it stands, when the place is in the file that declares it. */
    private static String current(ResolvedPlace resolved, Symbol symbol) {
        return DeclaredHeader.of(resolved.analysis(), symbol.key()).map(declared -> declared.header().core())
                .orElse("");
    }

    /**
     * The method or constructor that is declared or called at a place, or in whose header that is, if the workspace
     * declares it.
     */
    static Optional<Symbol> symbol(ResolvedPlace resolved) {
        return NamedConstructor.at(resolved.analysis(), resolved.file(), resolved.place().caret())
                .or(resolved::symbol).filter(ChangeSignatureOperation::hasHeader).or(() -> around(resolved))
                .filter(Symbol::isSource);
    }

    private static boolean hasHeader(Symbol symbol) {
        return symbol.kind().isMethod() || symbol.kind() == SymbolKind.CONSTRUCTOR;
    }

    private static Optional<Symbol> around(ResolvedPlace resolved) {
        int caret = resolved.place().caret();
        return resolved.analysis().code(resolved.file().path()).stream()
                .flatMap(code -> code.around(new Range(caret, caret)).stream()
                        .filter(path -> path.getLeaf() instanceof MethodTree || path.getLeaf() instanceof ClassTree)
                        .limit(1).filter(path -> caret <= headEnd(code, path.getLeaf()))
                        .flatMap(path -> code.element(path).stream()))
                .map(element -> element instanceof TypeElement type ? CanonicalConstructor.of(type).orElse(null)
                        : element)
                .filter(Objects::nonNull)
                .flatMap(element -> resolved.analysis().symbol(resolved.analysis().key(element)).stream()).findFirst();
    }

    private static int headEnd(AttributedFile code, Tree tree) {
        Range whole = code.range(tree);
        if (tree instanceof MethodTree method) {
            return method.getBody() == null ? whole.end() : code.range(method.getBody()).start();
        }
        return code.findName(tree).flatMap(name -> DeclaredHeader.ofRecord(code, name))
                .map(header -> header.inner().end() + 1).orElse(whole.start() - 1);
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Symbol> symbol = symbol(resolved);
        if (symbol.isEmpty()) {
            return Plan.refused(resolved, resolved.symbol()
                    .filter(other -> other.kind().isMethod() && !other.isSource())
                    .map(other -> "the " + other.describe() + " is declared in a library, so it cannot be changed")
                    .orElse("there is no method or constructor here whose signature could be changed"));
        }
        Optional<SourceFile> home = analyst.declaring(symbol.get().key());
        if (home.isEmpty()) {
            return Plan.refused(resolved, "the " + symbol.get().describe() + " is not declared in a file");
        }
        // that of a class in a body is not among the declarations of a file
        Optional<DeclaredHeader> header = DeclaredHeader.of(resolved.analysis(), symbol.get().key())
                .or(() -> DeclaredHeader.of(analyst.analyse(Focus.declarations(List.of(home.get().path()))),
                        symbol.get().key()));
        if (header.isEmpty()) {
            return Plan.refused("the header of " + symbol.get().signature()
                    + " was not written by anybody, or cannot be read ('int days[]' is one that cannot; write "
                    + "'int[] days'); it cannot be changed this way");
        }
        String typed = answers.single(TO).orElse("");
        HeaderParts parts = new HeaderParts(answers.single(ADD).orElse(""), answers.single(DROP).orElse(""),
                answers.single(ORDER).orElse(""));
        HeaderParts.Result told = typed.isBlank() && !parts.isEmpty() ? parts.header(header.get().header(),
                renamed(answers)) : new HeaderParts.Result(Optional.of(typed), "");
        if (told.header().filter(text -> !text.isBlank()).isEmpty()) {
            return Plan.refused(resolved, told.header().isEmpty() ? told.objection()
                    : "type the header as it is to be; a new parameter says what calls pass: 'int rate = 3'");
        }
        HeaderReader.Result read = HeaderReader.read(told.header().get());
        if (read.header().isEmpty()) {
            return Plan.refused(read.objection());
        }
        Plan plan = plan(header.get(), read.header().get(), answers, analyst);
        return plan instanceof Plan.Ready ready ? new NamesAround(symbol.get().key(), ready.before(), answers)
                .with(ready) : plan;
    }

    private static Map<String, String> renamed(Answers answers) {
        Map<String, String> renamed = new HashMap<>();
        for (String pair : answers.single(RENAMED).orElse("").split(",")) {
            String[] names = pair.strip().split("\\s*=\\s*");
            if (names.length == 2) {
                renamed.put(names[0], names[1]);
            }
        }
        return renamed;
    }

    /** Plans the change of one header to a typed one. */
    static Plan plan(DeclaredHeader header, TypedHeader typed, Answers answers, Analyst analyst) {
        Optional<String> objection = objection(header, typed);
        if (objection.isPresent()) {
            return Plan.refused(objection.get());
        }
        SymbolKey key = header.code().key(header.element());
        Analysis before = looking(analyst, header, typed);
        boolean areStaying = answers.single(CALLS).filter("stay"::equals).isPresent();
        Set<String> through = Arrays.stream(answers.single(THROUGH).orElse("").split(",")).map(String::strip)
                .filter(name -> !name.isEmpty()).collect(Collectors.toSet());
        NewExceptions.Handling thrown = NewExceptions.Handling.of(answers.single(THROWN).orElse(""))
                .orElse(NewExceptions.Handling.TOLD);
        List<Reason> obstacles = new NamesAround(key, before, answers).obstacles();
        return !obstacles.isEmpty() ? new Plan.Refused(obstacles)
                : new PlannedSignature(analyst, before, key, typed, renamed(answers))
                .plan(new PlannedSignature.Calls(areStaying, through, answers.several(PASS).orElse(List.of()),
                        thrown, answers.several(HANDLE).orElse(List.of())));
    }

    /** An analysis of all that a change to a typed header may reach. */
    static Analysis looking(Analyst analyst, DeclaredHeader header, TypedHeader typed) {
        SymbolKey key = header.code().key(header.element());
        return FunctionBodies.with(analyst, FamilyBodies.with(analyst,
                analyst.analyse(focus(analyst, header, typed)), key), key);
    }

    /** What a header says that is not changed by one. */
    private static Optional<String> objection(DeclaredHeader own, TypedHeader typed) {
        TypedHeader old = own.header();
        boolean isConstructor = own.element().getSimpleName().contentEquals("<init>");
        Optional<Range> other = typed.words().stream().filter(word -> !OPEN.contains(typed.at(word))
                && old.words().stream().map(old::at).noneMatch(typed.at(word)::equals)).findFirst();
        if (isConstructor && !typed.at(typed.name()).equals(old.at(old.name()))) {
            return Optional.of(HeaderReader.at(typed.name().start(),
                    "a constructor is called as its class; rename that"));
        } else if (isConstructor && typed.head().result().isPresent()) {
            return Optional.of(HeaderReader.at(typed.head().result().get().start(), "a constructor has no result"));
        } else if (other.isPresent()) {
            return Optional.of(HeaderReader.at(other.get().start(), "whether the method is '"
                    + typed.at(other.get()) + "' stays as it is; leave that out"));
        } else if (own.isOfRecord() && typed.head().typeParameters().isPresent() && !typeParameters(typed)
                .equals(typeParameters(old))) {
            return Optional.of(HeaderReader.at(typed.head().typeParameters().get().start(),
                    "the type parameters of a record stay as they are; leave them out"));
        }
        String core = TypedHeader.compact(typed.core());
        boolean isSame = core.equals(TypedHeader.compact(old.core()))
                || typed.head().result().isEmpty() && TypedHeader.compact(old.core()).endsWith(" " + core);
        boolean hasDefault = typed.defaultValue().isPresent();
        if (own.isOfAnnotation() && (!typed.parameters().isEmpty() || typed.object().isPresent()
                || typed.thrown().isPresent() || typed.head().typeParameters().isPresent())) {
            return Optional.of(HeaderReader.at(typed.name().end(), "an element of an annotation has a type, a name and "
                    + "perhaps a default, nothing else (JLS 9.6.1)"));
        } else if (!own.isOfAnnotation() && hasDefault) {
            return Optional.of(HeaderReader.at(typed.defaultValue().get().start(),
                    "only elements of annotations have a default"));
        }
        boolean hasNewWord = typed.words().stream().map(typed::at)
                .anyMatch(word -> old.words().stream().map(old::at).noneMatch(word::equals));
        boolean hasOtherTypes = typed.head().typeParameters().isPresent() && !typeParameters(typed)
                .equals(typeParameters(old));
        boolean hasOtherDefault = ElementDefault.changes(old, typed);
        return isSame && !hasOtherDefault && !hasNewWord && !hasOtherTypes && typed.object().isEmpty()
                ? Optional.of("this is the header already; type it as it is to be") : Optional.empty();
    }

    private static String typeParameters(TypedHeader header) {
        return header.head().typeParameters().map(header::at).map(TypedHeader::compact)
                .filter(text -> !text.equals("< >")).orElse("");
    }

    /** Every body that names the method, its parameters, or what they will be called. */
    private static Focus focus(Analyst analyst, DeclaredHeader own, TypedHeader typed) {
        Set<String> names = new HashSet<>();
        own.header().known().forEach(parameter -> names.add(parameter.name()));
        typed.known().forEach(parameter -> names.add(parameter.name()));
        names.add(typed.at(typed.name()));
        List<Path> files = new ArrayList<>(List.of(own.code().file().path()));
        if (own.isOfRecord()) {
            // accessors are called by the names of components
            own.header().known().stream().map(ParameterOrigins.Known::name)
                    .forEach(name -> files.addAll(analyst.snapshot().pathsMentioning(Set.of(name))));
        }
        if (own.isOfAnnotation()) {
            // annotations that leave an element out do not name it
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(own.element().getEnclosingElement().getSimpleName()
                    .toString())));
        }
        boolean isRenamed = !typed.at(typed.name()).equals(AddedParameter.word(own.element()));
        if (typed.access().isPresent()) {
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(AddedParameter.word(own.element()))));
        }
        if (isRenamed) {
            files.addAll(analyst.snapshot().pathsMentioning(Set.of(typed.at(typed.name()))));
        }
        Range whole = own.code().range(own.path().getLeaf());
        return AddedParameter.focus(analyst, own.element(), files, names,
                Map.of(own.code().file().path(), List.of(whole)));
    }

    @Override
    public Optional<Change> mend(Change change, List<Difference> differences, Analysis before) {
        return new Qualifier(change, before).mend(differences);
    }
}
