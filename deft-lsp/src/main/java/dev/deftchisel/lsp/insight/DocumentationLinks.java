package dev.deftchisel.lsp.insight;

import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.lsp.session.StoredPlace;
import java.util.List;
import org.eclipse.lsp4j.DocumentLink;

/** The names in documentation, such as that in {@code {@link Berth#moor}}, as links to what they mean. */
public final class DocumentationLinks {

    private DocumentationLinks() {
    }

    /** All links of a file to declarations in the workspace, without their targets. */
    public static List<DocumentLink> in(Session.RequestContext asked) {
        String uri = asked.session().documents().uri(asked.file().path());
        return asked.chisel().navigator().names(asked.file().path()).stream()
                .filter(name -> name.role() == Role.DOC && name.symbol().isSource() && !name.symbol().kind().isLocal())
                .map(name -> {
                    DocumentLink link = new DocumentLink(asked.positions().of(name.range()));
                    link.setTooltip(name.symbol().describe());
                    link.setData(new StoredPlace(uri, name.range().start(), "").json());
                    return link;
                }).toList();
    }

    /** The link with its target: the file with the line of the declaration. */
    public static DocumentLink resolve(Session session, DocumentLink link) {
        StoredPlace stored = StoredPlace.of(link.getData());
        Session.RequestContext asked = stored.asked(session);
        asked.chisel().navigator().declaration(stored.in(asked))
                .ifPresent(found -> link.setTarget(session.documents().uri(found.file()) + "#L"
                        + asked.chisel().snapshot().source(found.file()).position(found.caret()).line()));
        return link;
    }
}
