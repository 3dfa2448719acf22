package dev.deftchisel.lsp.insight;

import com.google.gson.Gson;
import com.google.gson.JsonElement;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.lsp.session.RefusedRequest;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import java.util.List;
import org.eclipse.lsp4j.DocumentLink;

/** The names in documentation, such as that in {@code {@link Berth#moor}}, as links to what they mean. */
public final class DocumentationLinks {

    private static final Gson GSON = new Gson();

    private DocumentationLinks() {
    }

    /** Where a link stands, to find its target when somebody wants to follow it. */
    private record Origin(String uri, int offset) {
    }

    /** All links of a file to declarations in the workspace, without their targets. */
    public static List<DocumentLink> in(Session.RequestContext asked) {
        String uri = asked.session().documents().uri(asked.file().path());
        return asked.chisel().navigator().names(asked.file().path()).stream()
                .filter(name -> name.role() == Role.DOC && name.symbol().isSource() && !name.symbol().kind().isLocal())
                .map(name -> {
                    DocumentLink link = new DocumentLink(asked.positions().of(name.range()));
                    link.setTooltip(name.symbol().describe());
                    link.setData(GSON.toJsonTree(new Origin(uri, name.range().start())));
                    return link;
                }).toList();
    }

    /** The link with its target: the file with the line of the declaration. */
    public static DocumentLink resolve(Session session, DocumentLink link) {
        Origin origin = link.getData() instanceof JsonElement data && data.isJsonObject()
                ? GSON.fromJson(data, Origin.class) : new Origin("", 0);
        Session.RequestContext asked = session.asked(String.valueOf(origin.uri()))
                .orElseThrow(() -> RefusedRequest.invalid("this link is of no file of a workspace"));
        int offset = Math.max(0, Math.min(origin.offset(), asked.file().content().length()));
        asked.chisel().navigator().declaration(new Place(asked.file().path(), new Range(offset, offset)))
                .ifPresent(found -> link.setTarget(session.documents().uri(found.file()) + "#L"
                        + asked.chisel().snapshot().source(found.file()).position(found.caret()).line()));
        return link;
    }
}
