package dev.deftchisel.lsp.insight;

import dev.deftchisel.Uses;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.operation.Place;
import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.InlayHint;
import org.eclipse.lsp4j.InlayHintKind;
import org.eclipse.lsp4j.LinkedEditingRanges;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/** What is shown beside the code: inferred types, values of constants, parameters, names that go together. */
public final class Insights {

    private Insights() {
    }

    public static List<InlayHint> hints(Session.RequestContext asked, org.eclipse.lsp4j.Range range) {
        return asked.chisel().navigator().hints(asked.file().path(), asked.positions().range(range)).stream()
                .map(hint -> {
            InlayHint shown = new InlayHint(asked.positions().at(hint.offset()), Either.forLeft(hint.text()));
            switch (hint.kind()) {
                case TYPE -> shown.setKind(InlayHintKind.Type);
                case PARAMETER -> {
                    shown.setKind(InlayHintKind.Parameter);
                    shown.setPaddingRight(true);
                }
                case VALUE -> {
                    // the protocol has no kind for it
                }
            }
            return shown;
        }).toList();
    }

    /**
     * All places of a name that only stands in this file, to be typed over together; looked for at every step of a
     * caret.
     */
    public static Optional<LinkedEditingRanges> linked(Session.RequestContext asked, Position position) {
        Place place = asked.place(position);
        return asked.chisel().symbol(place).filter(symbol -> symbol.kind().isLocal())
                .flatMap(local -> asked.chisel().uses(place))
                .map(uses -> new LinkedEditingRanges(uses.all().stream().map(Uses.Use::range)
                        .filter(range -> asked.file().content().substring(range.start(), range.end())
                                .equals(uses.symbol().name()))
                        .map(asked.positions()::of).toList()));
    }
}
