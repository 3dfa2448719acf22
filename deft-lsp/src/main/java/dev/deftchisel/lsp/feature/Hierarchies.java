package dev.deftchisel.lsp.feature;

import dev.deftchisel.Hierarchy;
import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.lsp.session.StoredPlace;
import dev.deftchisel.navigation.CallSignatures;
import dev.deftchisel.operation.Place;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.eclipse.lsp4j.CallHierarchyIncomingCall;
import org.eclipse.lsp4j.CallHierarchyItem;
import org.eclipse.lsp4j.CallHierarchyOutgoingCall;
import org.eclipse.lsp4j.ParameterInformation;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.SignatureHelp;
import org.eclipse.lsp4j.SignatureInformation;
import org.eclipse.lsp4j.TypeHierarchyItem;
import org.eclipse.lsp4j.jsonrpc.messages.Tuple;

/** Who calls whom, what is above and below a type, and what a call can pass. */
public final class Hierarchies {

    private Hierarchies() {
    }

    private static CallHierarchyItem call(Session session, Hierarchy.Member member) {
        Positions positions = session.positions(member.file());
        CallHierarchyItem item = new CallHierarchyItem();
        item.setName(member.sketch().signature(member.file().content()));
        item.setKind(Navigation.kind(member.sketch()));
        item.setDetail(member.container());
        item.setUri(session.documents().uri(member.file().path()));
        item.setRange(positions.of(member.sketch().range()));
        item.setSelectionRange(positions.of(member.sketch().nameRange()));
        return item;
    }

    private static TypeHierarchyItem type(Session session, Hierarchy.Member member) {
        Positions positions = session.positions(member.file());
        return new TypeHierarchyItem(member.sketch().name(), Navigation.kind(member.sketch()), session.documents()
                .uri(member.file()
                .path()),
                positions.of(member.sketch().range()), positions.of(member.sketch().nameRange()), member.container());
    }

    public static List<CallHierarchyItem> calls(Session.RequestContext asked, Position position) {
        return asked.chisel().hierarchy().declared(asked.place(position))
                .filter(member -> member.sketch().parameters().length() > 0)
                .map(member -> call(asked.session(), member)).stream().toList();
    }

    public static List<CallHierarchyIncomingCall> incoming(Session.RequestContext asked, CallHierarchyItem item) {
        return asked.chisel().hierarchy().callers(asked.place(item.getSelectionRange().getStart())).stream()
                .map(calls -> new CallHierarchyIncomingCall(call(asked.session(), calls.other()),
                        asked.positions(calls.file())
                        .map(positions -> calls.ranges().stream().map(positions::of).toList()).orElse(List.of())))
                .toList();
    }

    public static List<CallHierarchyOutgoingCall> outgoing(Session.RequestContext asked, CallHierarchyItem item) {
        return asked.chisel().hierarchy().callees(asked.place(item.getSelectionRange().getStart())).stream()
                .map(calls -> new CallHierarchyOutgoingCall(call(asked.session(), calls.other()),
                        asked.positions(calls.file())
                        .map(positions -> calls.ranges().stream().map(positions::of).toList()).orElse(List.of())))
                .toList();
    }

    public static List<TypeHierarchyItem> types(Session.RequestContext asked, Position position) {
        return asked.chisel().hierarchy().declared(asked.place(position))
                .filter(member -> member.sketch().kind().isType())
                .map(member -> type(asked.session(), member)).stream().toList();
    }

    /** The file by which the type of an item is known: one of the workspace, also for types of libraries. */
    public static String uri(TypeHierarchyItem item) {
        return isOfLibrary(item) ? StoredPlace.of(item.getData()).uri() : item.getUri();
    }

    private static boolean isOfLibrary(TypeHierarchyItem item) {
        return item.getData() != null;
    }

    /** Those of the workspace come first, then those of libraries. */
    public static List<TypeHierarchyItem> supertypes(Session.RequestContext asked, TypeHierarchyItem item) {
        Hierarchy hierarchy = asked.chisel().hierarchy();
        if (isOfLibrary(item)) {
            StoredPlace stored = StoredPlace.of(item.getData());
            return libraryTypes(asked, hierarchy.librarySupertypes(stored.in(asked), stored.what())).toList();
        }
        Place place = asked.place(item.getSelectionRange().getStart());
        return Stream.concat(hierarchy.supertypes(place).stream().map(member -> type(asked.session(), member)),
                libraryTypes(asked, hierarchy.librarySupertypes(place))).toList();
    }

    private static Stream<TypeHierarchyItem> libraryTypes(Session.RequestContext asked,
            List<Hierarchy.LibraryType> types) {
        return types.stream().flatMap(type -> LibraryFiles.type(asked, type).stream());
    }

    public static List<TypeHierarchyItem> subtypes(Session.RequestContext asked, TypeHierarchyItem item) {
        Hierarchy hierarchy = asked.chisel().hierarchy();
        StoredPlace stored = StoredPlace.of(item.getData());
        List<Hierarchy.Member> below = isOfLibrary(item) ? hierarchy.subtypes(stored.in(asked), stored.what())
                : hierarchy.subtypes(asked.place(item.getSelectionRange().getStart()));
        return below.stream().map(member -> type(asked.session(), member)).toList();
    }

    public static Optional<SignatureHelp> signatures(Session.RequestContext asked, Position position) {
        return asked.chisel().navigator().signatures(asked.place(position)).filter(found -> !found.all().isEmpty())
                .map(found -> {
            CallSignatures.Signature active = found.all().get(found.active());
            int last = Math.max(0, active.parameters().size() - 1);
            return new SignatureHelp(found.all().stream().map(Hierarchies::signature).toList(), found.active(),
                    active.isVariable() ? Math.min(found.argument(), last) : found.argument());
        });
    }

    private static SignatureInformation signature(CallSignatures.Signature signature) {
        SignatureInformation shown = new SignatureInformation(signature.text());
        shown.setParameters(signature.parameters().stream().map(range -> {
            ParameterInformation parameter = new ParameterInformation();
            // offsets in a label are in UTF-16, whatever columns are counted in (LSP 3.17)
            parameter.setLabel(Tuple.two(range.start(), range.end()));
            return parameter;
        }).toList());
        return shown;
    }
}
