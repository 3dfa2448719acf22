package dev.deftchisel.lsp.session;

import java.nio.file.Path;
import java.util.List;
import org.eclipse.lsp4j.TextDocumentContentChangeEvent;

/**
 * A file that is open in the editor, at one moment.
 *
 * @param uri     as the editor names it
 * @param path    where it is saved
 * @param version counted by the editor
 * @param text    as it stands there
 * @param agreed  the text when calls and overrides agreed with its headers last: when it was opened, or such a header
 *                was carried to them
 */
public record Document(String uri, Path path, int version, String text, String agreed) {

    /** The same when its headers are agreed on. */
    Document agreedOn() {
        return new Document(uri, path, version, text, text);
    }

    /** The same after some changes, each of which is made to what the one before left (LSP 3.17, didChange). */
    Document changed(int newVersion, List<TextDocumentContentChangeEvent> changes, PositionEncoding units) {
        String now = text;
        for (TextDocumentContentChangeEvent change : changes) {
            if (change.getRange() == null) {
                now = change.getText();
            } else {
                dev.deftchisel.source.Range range = Positions.of(now, units).range(change.getRange());
                now = now.substring(0, range.start()) + change.getText() + now.substring(range.end());
            }
        }
        return new Document(uri, path, newVersion, now, agreed);
    }
}
