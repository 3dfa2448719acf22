package dev.deftchisel.lsp.feature;

import com.google.gson.Gson;
import com.google.gson.JsonElement;
import com.google.gson.JsonParseException;
import dev.deftchisel.Chisel;
import dev.deftchisel.Outcome;
import dev.deftchisel.Problems;
import dev.deftchisel.header.edited.EditedHeader;
import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.RefusedRequest;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.source.Range;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.eclipse.lsp4j.CodeAction;
import org.eclipse.lsp4j.CodeActionContext;
import org.eclipse.lsp4j.CodeActionDisabled;
import org.eclipse.lsp4j.CodeActionKind;
import org.eclipse.lsp4j.CodeActionParams;
import org.eclipse.lsp4j.Command;
import org.eclipse.lsp4j.Diagnostic;
import org.eclipse.lsp4j.Location;
import org.eclipse.lsp4j.WorkspaceEdit;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/**
 * What can be done at a place, as code actions. A list of them is quick, since what each would change is computed
 * when it is taken: by {@code codeAction/resolve}, or for a client that does not know that by the command
 * {@link #COMMAND}.
 */
public final class Actions {

    private static final Set<String> RULES_OF_IMPORTS = Set.of("unused-import", "redundant-import", "import-order");

    /** The command that computes an action and has the client make its changes; its argument is an {@link Action}. */
    public static final String COMMAND = "deft.take";
    /** Has the client go to a place; its argument is that. */
    public static final String SHOW_COMMAND = "deft.show";
    /** The same, where the user is asked what the operation wants to be told. */
    public static final String ASKING_COMMAND = "deft.ask";

    /** Members that are written from others. */
    private static final String GENERATE = CodeActionKind.Source + ".generate";
    private static final String FIX_ALL = CodeActionKind.SourceFixAll + ".deft";
    /** For so long it is looked what would be refused: a list is to be there before anybody notices. */
    private static final Duration OBJECTIONS = Duration.ofMillis(30);
    private static final Gson GSON = new Gson();

    private final Session session;
    private final WorkspaceEdits edits;

    public Actions(Session session) {
        this.session = session;
        this.edits = new WorkspaceEdits(session);
    }

    /** The kinds there are (LSP 3.17, CodeActionKind). */
    public static List<String> kinds() {
        return List.of(CodeActionKind.QuickFix, CodeActionKind.RefactorExtract, CodeActionKind.RefactorInline,
                CodeActionKind.RefactorRewrite, CodeActionKind.SourceOrganizeImports, FIX_ALL, GENERATE);
    }

    /**
     * All that must be known to work an action out later.
     *
     * @param uri     of the file
     * @param version for which it was offered
     * @param what    a fix, an offer, or all fixes of some sort
     * @param id      of the rule or operation
     * @param start   offset
     * @param end     offset
     * @param fix     which fix of a problem, from 0 on
     * @param answers to the questions of an operation, where they are not the standard
     */
    public record Action(String uri, int version, What what, String id, int start, int end, int fix,
            Map<String, List<String>> answers) {

        /** What is not said in JSON is nothing. */
        public Action {
            answers = answers == null ? Map.of() : Map.copyOf(answers);
        }

        /** The same with answers. */
        public Action and(Answers said) {
            return new Action(uri, version, what, id, start, end, fix, said.values());
        }

        /** The same with answers as a client gives them: by the keys of the questions, one text or several. */
        public Action and(JsonElement said) {
            Map<String, List<String>> all = new HashMap<>(answers);
            try {
                said.getAsJsonObject().entrySet().forEach(one -> all.put(one.getKey(), one.getValue().isJsonArray()
                        ? one.getValue().getAsJsonArray().asList().stream().map(JsonElement::getAsString).toList()
                        : List.of(one.getValue().getAsString())));
            } catch (IllegalStateException | UnsupportedOperationException other) {
                throw RefusedRequest.invalid("answers are an object with a text, or a list of texts, for each "
                        + "question");
            }
            return new Action(uri, version, what, id, start, end, fix, all);
        }

        enum What { FIX, OFFER, HEADER, FIX_ALL, IMPORTS }

        public static Action of(JsonElement json) {
            try {
                Action action = GSON.fromJson(json, Action.class);
                if (action != null && action.uri != null && action.what != null && action.id != null) {
                    return action;
                }
            } catch (JsonParseException other) {
                // the same as for one that says too little
            }
            throw RefusedRequest.invalid("this is no action that was offered here");
        }
    }

    public List<Either<Command, CodeAction>> at(Session.RequestContext asked, CodeActionParams params) {
        List<String> only = Optional.ofNullable(params.getContext()).map(CodeActionContext::getOnly).orElse(List.of());
        Predicate<String> isWanted = kind -> only.isEmpty() ? !kind.startsWith(CodeActionKind.SourceFixAll)
                : only.stream().anyMatch(wanted -> kind.equals(wanted) || kind.startsWith(wanted + "."));
        Range selection = asked.positions().range(params.getRange());
        List<CodeAction> all = new ArrayList<>();
        if (isWanted.test(CodeActionKind.QuickFix)) {
            header(asked, selection).ifPresent(typed -> all.add(action(typed.title(), CodeActionKind.QuickFix, asked,
                    Action.What.HEADER, "change-signature", selection, 0)));
            all.addAll(fixes(asked, selection));
        }
        all.addAll(offers(asked, selection, isWanted));
        if (isWanted.test(CodeActionKind.SourceOrganizeImports)) {
            all.add(action("put the imports in order", CodeActionKind.SourceOrganizeImports, asked, Action.What.IMPORTS,
                    "imports",
                    selection, 0));
        }
        if (isWanted.test(FIX_ALL)) {
            all.add(action("fix all that can be fixed in the file", FIX_ALL, asked, Action.What.FIX_ALL, "all",
                    selection, 0));
        }
        return all.stream().map(this::shown).toList();
    }

    /** A header that is typed where it stands, while the code agrees with the one that stood there. */
    private Optional<EditedHeader> header(Session.RequestContext asked, Range selection) {
        return session.documents().of(asked.file().path()).flatMap(document -> asked.chisel().editedHeader(
                new Place(asked.file().path(), selection), document.agreed()));
    }

    /** What carries such a header on; when the client has done that, the code agrees with it. */
    private Outcome carried(EditedHeader header, Chisel chisel) {
        Outcome outcome = chisel.preview(header);
        if (outcome instanceof Outcome.Preview preview) {
            preview.change().files().stream().filter(file -> file.path().equals(header.file().path()))
                    .forEach(file -> session.documents().expect(file.path(), file.after().content()));
        }
        return outcome;
    }

    /** As the client can take it. */
    private Either<Command, CodeAction> shown(CodeAction action) {
        Command command = new Command(action.getTitle(), COMMAND, List.of(action.getData()));
        if (!session.client().can(Negotiated.Ability.ACTION_OBJECTS)) {
            return Either.forLeft(command);
        } else if (!session.client().can(Negotiated.Ability.RESOLVING_EDITS)) {
            action.setData(null);
            action.setCommand(command);
        }
        return Either.forRight(action);
    }

    private List<CodeAction> fixes(Session.RequestContext asked, Range selection) {
        List<CodeAction> actions = new ArrayList<>();
        Problems problems = asked.chisel().problems();
        for (Problem problem : asked.problems()) {
            if (problem.range().touches(selection.start()) || problem.range().overlaps(selection)) {
                Diagnostic diagnostic = Diagnostics.diagnostic(problem, asked);
                // the best first, and none that cannot be taken
                List<String> titles = problems.checked(problem).fixes();
                for (String title : titles) {
                    CodeAction action = action(title, CodeActionKind.QuickFix, asked, Action.What.FIX, problem.rule(),
                            problem.range(),
                            problem.fixes().indexOf(title));
                    action.setDiagnostics(List.of(diagnostic));
                    action.setIsPreferred(title.equals(titles.get(0)));
                    actions.add(action);
                }
            }
        }
        return actions;
    }

    private List<CodeAction> offers(Session.RequestContext asked, Range selection, Predicate<String> isWanted) {
        Place place = new Place(asked.file().path(), selection);
        List<Offer> all = asked.chisel().offers(place).stream()
                // that has a request of its own
                .filter(offer -> !offer.operation().equals("rename") && isWanted.test(kind(offer)))
                .toList();
        Map<Offer, Reason> objections = asked.chisel().objections(place, all, OBJECTIONS);
        boolean tellsWhy = session.client().can(Negotiated.Ability.DISABLED_ACTIONS);
        List<CodeAction> actions = new ArrayList<>();
        for (Offer offer : all) {
            Optional<Reason> objection = Optional.ofNullable(objections.get(offer));
            if (objection.isEmpty() || tellsWhy) {
                CodeAction action = action(offer.title(), kind(offer), asked, Action.What.OFFER, offer.operation(),
                        selection, 0);
                objection.ifPresent(reason -> action.setDisabled(new CodeActionDisabled(reason.sentence())));
                actions.add(action);
            }
        }
        return actions;
    }

    private static String kind(Offer offer) {
        return switch (offer.kind()) {
            case EXTRACT -> CodeActionKind.RefactorExtract;
            case INLINE -> CodeActionKind.RefactorInline;
            case FIX -> CodeActionKind.QuickFix;
            case GENERATE -> GENERATE;
            case REFACTORING, RESHAPE -> CodeActionKind.RefactorRewrite;
        };
    }

    private static CodeAction action(String title, String kind, Session.RequestContext asked, Action.What what,
            String id, Range range, int fix) {
        CodeAction action = new CodeAction(title);
        action.setKind(kind);
        action.setData(GSON.toJsonTree(new Action(asked.session().documents().uri(asked.file().path()), asked.version(),
                what, id,
                range.start(), range.end(), fix, Map.of())));
        return action;
    }

    /**
     * Works an action out.
     *
     * @throws org.eclipse.lsp4j.jsonrpc.ResponseErrorException when it is refused, or the file is another one by now
     */
    public WorkspaceEdit edit(Action action) {
        Session.RequestContext asked = asked(action);
        return edit(outcome(action, asked), asked);
    }

    private Session.RequestContext asked(Action action) {
        Session.RequestContext asked = session.asked(action.uri())
                .orElseThrow(() -> RefusedRequest.invalid(action.uri() + " is no file of a workspace"));
        if (asked.version() != action.version()) {
            throw RefusedRequest.outdated();
        }
        return asked;
    }

    private WorkspaceEdit edit(Optional<Outcome> outcome, Session.RequestContext asked) {
        return outcome.map(one -> edits.of(one, asked.chisel())).orElseGet(WorkspaceEdit::new);
    }

    /**
     * Works an action out where it was offered. When it gives something a name, and the client goes to places when
     * asked, it is asked to go to that name afterwards, where its own rename changes all places of it.
     */
    public CodeAction resolve(CodeAction action) {
        Action meant = Action.of((JsonElement) action.getData());
        Session.RequestContext asked = asked(meant);
        Optional<Outcome> outcome = outcome(meant, asked);
        action.setEdit(edit(outcome, asked));
        if (meant.what() == Action.What.OFFER && session.client().can(Negotiated.Ability.SHOWING_DOCUMENTS)) {
            outcome.flatMap(one -> named(one, asked)).ifPresent(name ->
                    action.setCommand(new Command("go to the new name", SHOW_COMMAND, List.of(name))));
        }
        return action;
    }

    /** Where a new name stands afterwards, in the file of the action. */
    private static Optional<Location> named(Outcome outcome, Session.RequestContext asked) {
        if (!(outcome instanceof Outcome.Preview preview)) {
            return Optional.empty();
        }
        return preview.change().effective().stream()
                .filter(file -> file.path().equals(asked.file().path())
                        && file.takenEdits().stream().anyMatch(edit -> !edit.linked().isEmpty()))
                .findFirst()
                .flatMap(file -> Chisel.linkedPlaces(preview.change()).stream()
                        .filter(place -> place.file().equals(file.pathAfter())).findFirst()
                        .map(place -> new Location(asked.session().documents().uri(file.pathAfter()),
                                Positions.of(file.after().content(), asked.session().client().units())
                                .of(place.selection()))));
    }

    private Optional<Outcome> outcome(Action action, Session.RequestContext asked) {
        Problems problems = asked.chisel().problems();
        ProblemScope file = ProblemScope.of(List.of(asked.file().path()));
        return switch (action.what()) {
            case FIX -> Optional.of(problems.fix(asked.problems().stream()
                    .filter(problem -> problem.rule().equals(action.id()) && problem.range()
                            .equals(new Range(action.start(), action.end()))
                            && action.fix() >= 0 && action.fix() < problem.fixes().size())
                    .findFirst().orElseThrow(RefusedRequest::outdated), action.fix()));
            case OFFER -> Optional.of(asked.chisel()
                    .preview(new Place(asked.file().path(), selection(action, asked)), action.id(),
                    new Answers(action.answers())));
            case HEADER -> Optional.of(carried(header(asked, selection(action, asked))
                    .orElseThrow(RefusedRequest::outdated), asked.chisel()));
            case FIX_ALL -> problems.fixAll(file, problem -> true).outcome();
            case IMPORTS -> problems.fixAll(file, problem -> RULES_OF_IMPORTS.contains(problem.rule())).outcome();
        };
    }

    private static Range selection(Action action, Session.RequestContext asked) {
        int length = asked.file().content().length();
        if (action.start() < 0 || action.end() < action.start() || action.end() > length) {
            throw RefusedRequest.invalid("there is no such place in the file");
        }
        return new Range(action.start(), action.end());
    }
}
