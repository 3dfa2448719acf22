package dev.deftchisel.lsp.feature;

import dev.deftchisel.Chisel;
import dev.deftchisel.Uses;
import dev.deftchisel.lsp.session.Documents;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.outline.TypeOutline;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.eclipse.lsp4j.ApplyWorkspaceEditParams;
import org.eclipse.lsp4j.MessageParams;
import org.eclipse.lsp4j.MessageType;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.Range;
import org.eclipse.lsp4j.TextEdit;
import org.eclipse.lsp4j.WorkspaceEdit;

/** What is done about files that the user makes or deletes in the editor. On the worker's thread. */
public final class FileEvents {

    private final Session session;

    public FileEvents(Session session) {
        this.session = session;
    }

    /** Files that were made without any text begin with package and type. */
    public void created(List<String> uris) {
        session.folders().refresh(uris.stream().flatMap(uri -> Documents.path(uri).stream()).toList());
        Map<String, List<TextEdit>> texts = new LinkedHashMap<>();
        for (String uri : uris) {
            Documents.path(uri).filter(this::isEmpty).flatMap(path -> session.folders().of(path)
                    .flatMap(chisel -> chisel.begun(path))).ifPresent(text -> texts.put(uri, List.of(
                            new TextEdit(new Range(new Position(0, 0), new Position(0, 0)), text))));
        }
        if (!texts.isEmpty()) {
            session.editor().applyEdit(new ApplyWorkspaceEditParams(new WorkspaceEdit(texts), "begin the new file"));
        }
    }

    private boolean isEmpty(Path path) {
        try {
            return session.documents().of(path).map(document -> document.text().isBlank())
                    .orElse(Files.isRegularFile(path) && Files.size(path) == 0);
        } catch (IOException unreadable) {
            return false;
        }
    }

    /** Where types of files that are about to be deleted are still used is said; nothing is changed there. */
    public void deleted(List<String> uris) {
        Set<Path> gone = uris.stream().flatMap(uri -> Documents.path(uri).stream()).collect(Collectors.toSet());
        List<String> used = new ArrayList<>();
        for (String uri : uris) {
            session.asked(uri).ifPresent(asked -> asked.file().outline().types().stream()
                    .filter(TypeOutline::isTopLevel)
                    .forEach(type -> used(asked, type, gone).ifPresent(used::add)));
        }
        used.forEach(sentence -> session.editor().showMessage(new MessageParams(MessageType.Warning, sentence)));
    }

    private static Optional<String> used(Session.RequestContext asked, TypeOutline type, Set<Path> gone) {
        Chisel chisel = asked.chisel();
        List<Uses.Use> left = chisel.uses(new Place(asked.file().path(), type.nameRange())).map(Uses::all)
                .orElse(List.of()).stream().filter(use -> !gone.contains(use.file())).toList();
        long files = left.stream().map(Uses.Use::file).distinct().count();
        return left.stream().findFirst().map(first -> type.name() + " is still used, " + left.size()
                + (left.size() == 1 ? " time in " : " times in ") + files + (files == 1 ? " file" : " files")
                + ", first at " + chisel.workspace().show(first.file()) + ":" + first.position());
    }
}
