package dev.deftchisel.lsp.feature;

import dev.deftchisel.Chisel;
import dev.deftchisel.Problems;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.detection.ProblemScope;
import dev.deftchisel.workspace.Snapshot;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.eclipse.lsp4j.Diagnostic;
import org.eclipse.lsp4j.PublishDiagnosticsParams;
import org.eclipse.lsp4j.WorkspaceDiagnosticReport;
import org.eclipse.lsp4j.WorkspaceDocumentDiagnosticReport;
import org.eclipse.lsp4j.WorkspaceFullDocumentDiagnosticReport;
import org.eclipse.lsp4j.WorkspaceUnchangedDocumentDiagnosticReport;

/**
 * Errors in files that are not open. A change in one file breaks others, and whoever made it wants to know; what is
 * less than an error is for those who open the file. All of it on the worker's thread.
 */
public final class WorkspaceDiagnostics {

    private static final int STEP = 100;

    private final Session session;
    /** The errors of the workspaces as they were when they were looked at last. */
    private final Map<Chisel, Found> latest = new IdentityHashMap<>();
    /** Files of which a client that takes what it is sent has errors. */
    private final Set<String> told = new HashSet<>();

    private record Found(Snapshot snapshot, Map<Path, List<Problem>> errors) {
    }

    public WorkspaceDiagnostics(Session session) {
        this.session = session;
    }

    private Map<Path, List<Problem>> errors(Chisel chisel) {
        chisel.edited(session.documents().texts());
        Found known = latest.get(chisel);
        if (known == null || known.snapshot() != chisel.snapshot()) {
            Map<Path, List<Problem>> errors = new LinkedHashMap<>();
            look(chisel.problems(), known != null).stream()
                    .filter(problem -> problem.severity() == Severity.ERROR)
                    .forEach(problem -> errors.computeIfAbsent(problem.file(), file -> new ArrayList<>())
                            .add(problem));
            known = new Found(chisel.snapshot(), errors);
            latest.put(chisel, known);
        }
        return known.errors();
    }

    /**
     * The first look at a large workspace takes long and gives way often; it goes in steps, whose findings are kept.
     *
     * @param isKnown whether all of the workspace was looked at before
     */
    private static List<Problem> look(Problems problems, boolean isKnown) {
        if (isKnown) {
            return problems.sinceLast(problems.everywhere());
        }
        List<Path> files = List.copyOf(problems.everywhere().files());
        List<Problem> found = new ArrayList<>();
        for (int start = 0; start < files.size(); start += STEP) {
            found.addAll(problems.sinceLast(ProblemScope.of(
                    files.subList(start, Math.min(start + STEP, files.size())))));
        }
        return found;
    }

    /** By address, for all files that are not open and have errors. */
    private Map<String, List<Diagnostic>> all() {
        List<Chisel> open = session.folders().own();
        latest.keySet().retainAll(open);
        Map<String, List<Diagnostic>> all = new LinkedHashMap<>();
        open.forEach(chisel -> errors(chisel).forEach((file, errors) -> {
            if (session.documents().of(file).isEmpty()) {
                String uri = session.documents().uri(file);
                session.asked(uri).ifPresent(asked -> all.put(uri, errors.stream()
                        .map(problem -> Diagnostics.diagnostic(problem, asked)).toList()));
            }
        }));
        return all;
    }

    /**
     * What is other than the client has it.
     *
     * @param known the ids of the results that it has, by file
     */
    public WorkspaceDiagnosticReport report(Map<String, String> known) {
        List<WorkspaceDocumentDiagnosticReport> items = new ArrayList<>();
        Map<String, List<Diagnostic>> all = all();
        all.forEach((uri, found) -> {
            String id = Integer.toHexString(found.hashCode());
            if (id.equals(known.get(uri))) {
                items.add(new WorkspaceDocumentDiagnosticReport(
                        new WorkspaceUnchangedDocumentDiagnosticReport(id, uri, null)));
            } else {
                items.add(full(uri, found, id));
            }
        });
        known.keySet().stream().filter(uri -> !all.containsKey(uri) && session.documents().of(uri).isEmpty())
                .forEach(uri -> items.add(full(uri, List.of(), "")));
        return new WorkspaceDiagnosticReport(items);
    }

    private static WorkspaceDocumentDiagnosticReport full(String uri, List<Diagnostic> found, String id) {
        WorkspaceFullDocumentDiagnosticReport report = new WorkspaceFullDocumentDiagnosticReport(found, uri, null);
        if (!id.isEmpty()) {
            report.setResultId(id);
        }
        return new WorkspaceDocumentDiagnosticReport(report);
    }

    /** Sends them to a client that does not ask. */
    public void tell() {
        Map<String, List<Diagnostic>> all = all();
        all.forEach((uri, found) -> session.editor().publishDiagnostics(new PublishDiagnosticsParams(uri, found)));
        told.stream().filter(uri -> !all.containsKey(uri) && session.documents().of(uri).isEmpty())
                .forEach(uri -> session.editor().publishDiagnostics(new PublishDiagnosticsParams(uri, List.of())));
        told.clear();
        told.addAll(all.keySet());
    }
}
