package dev.deftchisel.lsp.feature;

import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.navigation.declaration.LibraryPage;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.Location;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Files of libraries that an editor is led to: they are put into the folder {@code .deft} of the workspace. */
final class LibraryFiles {

    private static final Logger LOG = LoggerFactory.getLogger(LibraryFiles.class);

    private LibraryFiles() {
    }

    /** Where a page can be read; nowhere in projects that the editor does not have open as a folder. */
    static List<Location> location(Session.RequestContext asked, Optional<LibraryPage> page) {
        if (page.isEmpty() || !asked.session().folders().areAround(asked.chisel().workspace().root())) {
            return List.of();
        }
        try {
            page.get().write(asked.chisel().workspace().root());
        } catch (IOException failed) {
            LOG.warn("{} cannot be written", page.get().file(), failed);
            return List.of();
        }
        Positions positions = Positions.of(page.get().file().content(), asked.session().client().units());
        return List.of(new Location(page.get().file().uri().toString(), positions.of(page.get().name())));
    }
}
