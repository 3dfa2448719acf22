package dev.deftchisel.lsp.insight;

import dev.deftchisel.Uses;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.lsp.feature.Actions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.lsp.session.StoredPlace;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceRoot;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.eclipse.lsp4j.CodeLens;
import org.eclipse.lsp4j.Command;
import org.eclipse.lsp4j.Location;

/**
 * Above each type and method how often it is used and implemented, and how many of the uses are in tests. Off unless
 * the user wants it; counted only for what is on the screen, when the client resolves it.
 */
public final class UsesLens {

    private UsesLens() {
    }

    /** What is counted. */
    private enum Count { USES, IMPLEMENTATIONS }

    /** All of a file, not counted yet. */
    public static List<CodeLens> in(Session.FileText asked) {
        String uri = asked.session().documents().uri(asked.file().path());
        List<CodeLens> all = new ArrayList<>();
        for (MemberOutline member : asked.file().outline().members()) {
            boolean isInherited = member.kind().isType() || member.kind() == MemberOutline.Kind.METHOD;
            boolean isCounted = isInherited || member.kind() == MemberOutline.Kind.CONSTRUCTOR;
            Stream.of(Count.values()).filter(count -> isCounted && (count == Count.USES || isInherited))
                    .map(count -> new CodeLens(asked.positions().of(member.nameRange()), null,
                            new StoredPlace(uri, member.nameRange().start(), count.name()).json()))
                    .forEach(all::add);
        }
        return all;
    }

    /** The same, counted; the client is led to the first of what was counted. */
    public static CodeLens resolve(Session session, CodeLens lens) {
        StoredPlace stored = StoredPlace.of(lens.getData());
        Session.RequestContext asked = stored.asked(session);
        Place place = stored.in(asked);
        lens.setCommand(Count.IMPLEMENTATIONS.name().equals(stored.what()) ? implementations(asked, place)
                : uses(asked, place));
        return lens;
    }

    private static Command implementations(Session.RequestContext asked, Place place) {
        List<Place> found = asked.chisel().navigator().implementations(place);
        return command(counted(found.size(), "implementation"), asked, found.stream().findFirst());
    }

    private static Command uses(Session.RequestContext asked, Place place) {
        List<Uses.Use> found = asked.chisel().uses(place).map(Uses::all).orElse(List.of()).stream()
                .filter(use -> use.role() != Role.DECLARATION && use.role() != Role.IMPORT).toList();
        long inTests = found.stream().filter(use -> use.code() == SourceRoot.Use.TEST).count();
        return command(counted(found.size(), "use") + (inTests == 0 ? "" : ", " + inTests + " in tests"), asked,
                found.stream().findFirst().map(use -> new Place(use.file(), use.range())));
    }

    private static String counted(int count, String what) {
        return (count == 0 ? "no" : count) + " " + what + (count == 1 ? "" : "s");
    }

    private static Command command(String title, Session.RequestContext asked, Optional<Place> first) {
        Optional<Location> where = first.flatMap(place -> asked.positions(place.file()).map(positions ->
                new Location(asked.session().documents().uri(place.file()), positions.of(place.selection()))));
        return where.map(location -> new Command(title, Actions.SHOW_COMMAND, List.of(location)))
                .orElseGet(() -> new Command(title, ""));
    }
}
