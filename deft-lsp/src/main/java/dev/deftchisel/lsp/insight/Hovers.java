package dev.deftchisel.lsp.insight;

import dev.deftchisel.Chisel;
import dev.deftchisel.Navigator;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.navigation.InlayHints;
import dev.deftchisel.navigation.declaration.DeclarationSummary;
import dev.deftchisel.operation.Place;
import java.util.Optional;
import org.eclipse.lsp4j.Hover;
import org.eclipse.lsp4j.MarkupContent;
import org.eclipse.lsp4j.MarkupKind;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.Range;

/** What is known of a name: how it is declared, its type and constant value, its documentation. */
public final class Hovers {

    private Hovers() {
    }

    public static Optional<Hover> at(Session.RequestContext asked, Position position) {
        Place place = asked.place(position);
        Chisel chisel = asked.chisel();
        return chisel.navigator().symbol(place).map(symbol -> {
            // what is of this place first: a declaration in another file is another analysis
            Range name = chisel.navigator().name(place).map(asked.positions()::of).orElse(null);
            Optional<Navigator.Typed> typed = chisel.navigator().typed(place);
            Optional<DeclarationSummary> described = chisel.navigator().described(place)
                    .or(() -> chisel.navigator().libraryDeclaration(place)
                            .flatMap(page -> DeclarationSummary.at(page.file(), page.name())));
            String heading = described.map(DeclarationSummary::heading)
                    .orElseGet(() -> typed.filter(known -> !known.type().equals("void"))
                    .map(known -> known.type() + " ").orElse("") + symbol.signature());
            String value = typed.flatMap(Navigator.Typed::value).map(known -> " = " + InlayHints.constant(known))
                    .orElse("");
            String text = "```java\n" + heading + value + "\n```\n"
                    + where(symbol) + chisel.origin(symbol).map(origin -> ", " + origin)
                    .orElse("") + described.map(DeclarationSummary::documentation).filter(comment -> !comment.isEmpty())
                    .map(comment -> "\n\n" + JavadocText.markdown(comment)).orElse("");
            return new Hover(new MarkupContent(MarkupKind.MARKDOWN, text), name);
        });
    }

    private static String where(Symbol symbol) {
        return symbol.kind().isLocal() ? symbol.kind().words() : symbol.describe();
    }
}
