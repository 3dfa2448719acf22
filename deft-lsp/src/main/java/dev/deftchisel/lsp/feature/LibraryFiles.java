package dev.deftchisel.lsp.feature;

import dev.deftchisel.Hierarchy;
import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.lsp.session.StoredPlace;
import dev.deftchisel.navigation.declaration.LibraryPage;
import dev.deftchisel.workspace.SourceFile;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.Location;
import org.eclipse.lsp4j.TypeHierarchyItem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Files of libraries that an editor is led to: they are put into the folder {@code .deft} of the workspace. */
final class LibraryFiles {

    private static final Logger LOG = LoggerFactory.getLogger(LibraryFiles.class);

    private LibraryFiles() {
    }

    /** Where a page can be read; nowhere in projects that the editor does not have open as a folder. */
    static List<Location> location(Session.RequestContext asked, Optional<LibraryPage> page) {
        return page.filter(found -> isWritten(asked, found)).stream()
                .map(found -> new Location(found.file().uri().toString(),
                        Positions.of(found.file().content(), asked.session().client().units()).of(found.name())))
                .toList();
    }

    /** A type of a library for whoever goes up and down; empty where its page cannot be read. */
    static Optional<TypeHierarchyItem> type(Session.RequestContext asked, Hierarchy.LibraryType type) {
        SourceFile file = type.page().file();
        Positions positions = Positions.of(file.content(), asked.session().client().units());
        return Optional.of(type.page()).filter(page -> isWritten(asked, page))
                .flatMap(page -> file.outline().members().stream()
                        .filter(member -> member.nameRange().equals(page.name())).findFirst())
                .map(member -> {
                    TypeHierarchyItem item = new TypeHierarchyItem(member.name(), Navigation.kind(member),
                            file.uri().toString(), positions.of(member.range()), positions.of(member.nameRange()),
                            type.name().substring(0, Math.max(0, type.name().lastIndexOf('.'))));
                    item.setData(new StoredPlace(asked.session().documents().uri(type.place().file()),
                            type.place().caret(), type.name()).json());
                    return item;
                });
    }

    private static boolean isWritten(Session.RequestContext asked, LibraryPage page) {
        if (!asked.session().folders().areAround(asked.chisel().workspace().root())) {
            return false;
        }
        try {
            page.write(asked.chisel().workspace().root());
            return true;
        } catch (IOException failed) {
            LOG.warn("{} cannot be written", page.file(), failed);
            return false;
        }
    }
}
