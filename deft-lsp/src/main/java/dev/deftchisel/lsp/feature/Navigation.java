package dev.deftchisel.lsp.feature;

import dev.deftchisel.Navigator;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.lsp.session.Negotiated;
import dev.deftchisel.lsp.session.PartialResults;
import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.navigation.Finder;
import dev.deftchisel.navigation.declaration.DeclarationTree;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.eclipse.lsp4j.DocumentHighlight;
import org.eclipse.lsp4j.DocumentHighlightKind;
import org.eclipse.lsp4j.DocumentSymbol;
import org.eclipse.lsp4j.Location;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.SymbolInformation;
import org.eclipse.lsp4j.SymbolKind;
import org.eclipse.lsp4j.WorkspaceSymbol;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/** Where things are declared and used, and what there is. */
public final class Navigation {

    private static final int MOST_FOUND = 200;

    private Navigation() {
    }

    private static Optional<Location> location(Session.RequestContext asked, Path file, Range range) {
        return asked.positions(file)
                .map(positions -> new Location(asked.session().documents().uri(file), positions.of(range)));
    }

    private static List<Location> locations(Session.RequestContext asked, Stream<Place> places) {
        return places.flatMap(found -> location(asked, found.file(), found.selection()).stream()).toList();
    }

    public static List<Location> declaration(Session.RequestContext asked, Position position) {
        Place place = asked.place(position);
        List<Location> found = locations(asked, asked.chisel().navigator().declaration(place).stream());
        return found.isEmpty() ? LibraryFiles.location(asked, asked.chisel().navigator().libraryDeclaration(place))
                : found;
    }

    public static List<Location> typeDeclaration(Session.RequestContext asked, Position position) {
        Place place = asked.place(position);
        List<Location> found = locations(asked, asked.chisel().navigator().typeDeclaration(place).stream());
        return found.isEmpty() ? LibraryFiles.location(asked, asked.chisel().navigator().libraryTypeDeclaration(place))
                : found;
    }

    /** The types below a type, the methods that override a method. */
    public static List<Location> implementations(Session.RequestContext asked, Position position) {
        return locations(asked, asked.chisel().navigator().implementations(asked.place(position)).stream());
    }

    /** Every use; those in documentation too, and the imports. Those of a member in the same file are found first. */
    public static List<Location> references(Session.RequestContext asked, Position position, boolean withDeclarations,
            PartialResults<Location> found) {
        Place place = asked.place(position);
        Navigator navigator = asked.chisel().navigator();
        if (found.areWanted() && navigator.symbol(place).filter(symbol -> symbol.kind().isMethod()
                || symbol.kind().isField()).isPresent()) {
            found.send(locations(asked, navigator.usesInFile(place), withDeclarations));
        }
        return found.end(locations(asked, navigator.uses(place), withDeclarations));
    }

    private static List<Location> locations(Session.RequestContext asked, Optional<Uses> uses,
            boolean withDeclarations) {
        return uses.map(Uses::all).orElse(List.of()).stream()
                .filter(use -> withDeclarations || use.role() != Role.DECLARATION)
                .flatMap(use -> location(asked, use.file(), use.range()).stream())
                .toList();
    }

    /** The uses in the same file, told apart by what they do. */
    public static List<DocumentHighlight> highlights(Session.RequestContext asked, Position position) {
        return asked.chisel().navigator().usesInFile(asked.place(position)).map(Uses::all).orElse(List.of()).stream()
                .map(use -> new DocumentHighlight(asked.positions().of(use.range()), switch (use.role()) {
                    case DECLARATION, WRITE -> DocumentHighlightKind.Write;
                    case READ, CALL -> DocumentHighlightKind.Read;
                    case TYPE, IMPORT, DOC -> DocumentHighlightKind.Text;
                }))
                .toList();
    }

    /** As a tree, or for a client that knows none one after the other with what each is declared in. */
    public static List<Either<SymbolInformation, DocumentSymbol>> symbols(Session.FileText asked) {
        List<DeclarationTree> all = DeclarationTree.in(asked.file());
        if (asked.session().client().can(Negotiated.Ability.SYMBOL_TREES)) {
            return all.stream().map(one -> Either.<SymbolInformation, DocumentSymbol>forRight(
                    symbol(one, asked.file().content(), asked.positions()))).toList();
        }
        List<Either<SymbolInformation, DocumentSymbol>> flat = new ArrayList<>();
        all.forEach(one -> flatten(asked, one, asked.file().header().packageName(), flat));
        return flat;
    }

    @SuppressWarnings("deprecation") // what the protocol has for clients that know no better
    private static void flatten(Session.FileText asked, DeclarationTree declared, String container,
            List<Either<SymbolInformation,
            DocumentSymbol>> flat) {
        MemberOutline member = declared.member();
        flat.add(Either.forLeft(new SymbolInformation(member.signature(asked.file().content()), kind(member),
                new Location(
                asked.session().documents().uri(asked.file().path()), asked.positions().of(member.range())),
                container)));
        declared.children().forEach(child -> flatten(asked, child, member.name(), flat));
    }

    private static DocumentSymbol symbol(DeclarationTree declared, String content, Positions positions) {
        MemberOutline member = declared.member();
        return new DocumentSymbol(member.signature(content), kind(member), positions.of(member.range()),
                positions.of(member.nameRange()), null,
                declared.children().stream().map(one -> symbol(one, content, positions)).toList());
    }

    /** What goes with some typed letters, in all workspaces. */
    public static List<WorkspaceSymbol> find(Session session, String typed, PartialResults<WorkspaceSymbol> parts) {
        List<WorkspaceSymbol> found = new ArrayList<>();
        session.folders().all().forEach(chisel -> {
            chisel.edited(session.documents().texts());
            new Finder(chisel.snapshot()).find(typed, MOST_FOUND).forEach(one -> {
                Location location = new Location(session.documents().uri(one.file().path()),
                        session.positions(one.file()).of(one.member().nameRange()));
                found.add(new WorkspaceSymbol(one.member().signature(one.file().content()), kind(one.member()),
                        Either.forLeft(location), one.container()));
            });
            parts.send(found);
        });
        return parts.end(found);
    }

    static SymbolKind kind(MemberOutline member) {
        return switch (member.kind()) {
            case CLASS, RECORD -> SymbolKind.Class;
            case INTERFACE, ANNOTATION -> SymbolKind.Interface;
            case ENUM -> SymbolKind.Enum;
            case ENUM_CONSTANT -> SymbolKind.EnumMember;
            case FIELD -> SymbolKind.Field;
            case METHOD -> SymbolKind.Method;
            case CONSTRUCTOR -> SymbolKind.Constructor;
        };
    }
}
