package dev.deftchisel.lsp.feature;

import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.Tag;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import org.eclipse.lsp4j.Diagnostic;
import org.eclipse.lsp4j.DiagnosticCodeDescription;
import org.eclipse.lsp4j.DiagnosticSeverity;
import org.eclipse.lsp4j.DiagnosticTag;
import org.eclipse.lsp4j.PublishDiagnosticsParams;

/** Problems as diagnostics: told when a file was changed and is left alone for a moment, or when they are asked for. */
public final class Diagnostics {

    public static final String SOURCE = "deft";

    /** How long nothing must be typed, in milliseconds. */
    private static final long PAUSE = 50;
    /** The same for files that are not open. */
    private static final long LONG_PAUSE = 1500;

    private final Session session;
    private final WorkspaceDiagnostics workspace;
    private final Set<String> waiting = ConcurrentHashMap.newKeySet();

    public Diagnostics(Session session) {
        this.session = session;
        this.workspace = new WorkspaceDiagnostics(session);
    }

    /** Those of files that are not open. */
    public WorkspaceDiagnostics workspace() {
        return workspace;
    }

    /** A file may have other problems than before, and with it all that are open. */
    public void changed() {
        if (!session.client().can(Negotiated.Ability.PULLING_DIAGNOSTICS)) {
            session.documents().all().forEach(document -> waiting.add(document.uri()));
            session.worker().later(this::tell, PAUSE);
            session.worker().whenIdle(workspace::tell, LONG_PAUSE);
        }
    }

    /** A file is not looked at any more. */
    public void closed(String uri) {
        waiting.remove(uri);
        if (!session.client().can(Negotiated.Ability.PULLING_DIAGNOSTICS)) {
            session.editor().publishDiagnostics(new PublishDiagnosticsParams(uri, List.of()));
        }
    }

    private void tell() {
        for (String uri : waiting) {
            // taken off before it is looked at: a change in the meantime puts it there again
            waiting.remove(uri);
            try {
                session.asked(uri).ifPresent(asked -> {
                    PublishDiagnosticsParams found = new PublishDiagnosticsParams(uri, of(asked), asked.version());
                    if (session.documents().of(uri).isPresent()) {
                        session.editor().publishDiagnostics(found);
                    }
                });
            } catch (CancellationException stopped) {
                waiting.add(uri);
                throw stopped;
            }
        }
    }

    /** Those of one file. */
    public static List<Diagnostic> of(Session.RequestContext asked) {
        return asked.problems().stream().filter(problem -> problem.severity()
                .compareTo(asked.session().settings().least()) >= 0)
                .map(problem -> diagnostic(problem, asked)).toList();
    }

    static Diagnostic diagnostic(Problem problem, Session.RequestContext asked) {
        Diagnostic diagnostic = new Diagnostic(asked.positions().of(problem.range()), problem.sentence(),
                severity(problem.severity()), SOURCE, problem.rule());
        if (problem.tag() == Tag.UNUSED || problem.tag() == Tag.REDUNDANT) {
            diagnostic.setTags(List.of(DiagnosticTag.Unnecessary));
        }
        asked.session().pages().ifPresent(pages ->
                diagnostic.setCodeDescription(new DiagnosticCodeDescription(page(pages, problem))));
        return diagnostic;
    }

    private static String page(Path pages, Problem problem) {
        return problem.tag() == Tag.ERROR ? pages.resolve("errors.md").toUri().toString()
                : pages.resolve("rules.md").toUri() + "#" + problem.rule();
    }

    private static DiagnosticSeverity severity(Severity severity) {
        return switch (severity) {
            case ERROR -> DiagnosticSeverity.Error;
            case WARNING -> DiagnosticSeverity.Warning;
            case NOTE -> DiagnosticSeverity.Information;
            case HINT, OFF -> DiagnosticSeverity.Hint;
        };
    }
}
