package dev.deftchisel.lsp.insight;

import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.lsp.session.Positions;
import dev.deftchisel.lsp.session.Session;
import dev.deftchisel.navigation.NameMeaning;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import javax.lang.model.element.Modifier;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.SemanticTokenModifiers;
import org.eclipse.lsp4j.SemanticTokenTypes;
import org.eclipse.lsp4j.SemanticTokens;
import org.eclipse.lsp4j.SemanticTokensDelta;
import org.eclipse.lsp4j.SemanticTokensEdit;
import org.eclipse.lsp4j.SemanticTokensLegend;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/** What names mean, as semantic tokens (LSP 3.17); what a parser alone can tell is left to the editor. */
public final class NameTokens {

    private static final List<String> TYPES = List.of(SemanticTokenTypes.Namespace, SemanticTokenTypes.Class,
            SemanticTokenTypes.Interface, SemanticTokenTypes.Enum, SemanticTokenTypes.Decorator,
            SemanticTokenTypes.TypeParameter, SemanticTokenTypes.Property, SemanticTokenTypes.EnumMember,
            SemanticTokenTypes.Method, SemanticTokenTypes.Parameter, SemanticTokenTypes.Variable);
    private static final List<String> MODIFIERS = List.of(SemanticTokenModifiers.Declaration,
            SemanticTokenModifiers.Static, SemanticTokenModifiers.Readonly, SemanticTokenModifiers.Abstract,
            SemanticTokenModifiers.Modification, SemanticTokenModifiers.Documentation,
            SemanticTokenModifiers.DefaultLibrary);
    /** Numbers that make a token. */
    private static final int STEP = 5;

    private final AtomicInteger lastId = new AtomicInteger();
    private final Map<String, Sent> sent = new ConcurrentHashMap<>();

    /** What a client has of a file. */
    private record Sent(String id, List<Integer> data) {
    }

    /** What the numbers of types and modifiers stand for. */
    public static SemanticTokensLegend legend() {
        return new SemanticTokensLegend(TYPES, MODIFIERS);
    }

    /** Of a whole file. */
    public SemanticTokens full(Session.RequestContext asked) {
        Sent now = remember(asked, data(asked, Optional.empty()));
        return new SemanticTokens(now.id(), now.data());
    }

    /** Of a stretch of a file. */
    public static SemanticTokens range(Session.RequestContext asked, org.eclipse.lsp4j.Range range) {
        return new SemanticTokens(data(asked, Optional.of(asked.positions().range(range))));
    }

    /** What is other than in the tokens that the client has, or all when it has others than were sent last. */
    public Either<SemanticTokens, SemanticTokensDelta> delta(Session.RequestContext asked, String previous) {
        Optional<Sent> before = Optional.ofNullable(sent.get(uri(asked))).filter(known -> known.id().equals(previous));
        Sent now = remember(asked, data(asked, Optional.empty()));
        return before.isEmpty() ? Either.forLeft(new SemanticTokens(now.id(), now.data()))
                : Either.forRight(new SemanticTokensDelta(edits(before.get().data(), now.data()), now.id()));
    }

    private Sent remember(Session.RequestContext asked, List<Integer> data) {
        Sent now = new Sent(String.valueOf(lastId.incrementAndGet()), data);
        sent.put(uri(asked), now);
        return now;
    }

    /** Nobody looks at a file any more. */
    public void closed(String uri) {
        sent.remove(uri);
    }

    private static String uri(Session.RequestContext asked) {
        return asked.session().documents().uri(asked.file().path());
    }

    /** One stretch between what both begin and end with. */
    static List<SemanticTokensEdit> edits(List<Integer> before, List<Integer> now) {
        int shorter = Math.min(before.size(), now.size());
        int start = 0;
        while (start < shorter && before.get(start).equals(now.get(start))) {
            start++;
        }
        if (start == before.size() && start == now.size()) {
            return List.of();
        }
        int end = 0;
        while (end < shorter - start
                && before.get(before.size() - 1 - end).equals(now.get(now.size() - 1 - end))) {
            end++;
        }
        return List.of(new SemanticTokensEdit(start, before.size() - start - end,
                List.copyOf(now.subList(start, now.size() - end))));
    }

    private static List<Integer> data(Session.RequestContext asked, Optional<Range> within) {
        Positions positions = asked.positions();
        List<Integer> data = new ArrayList<>();
        Position last = new Position(0, 0);
        for (NameMeaning name : asked.chisel().navigator().names(asked.file().path())) {
            int type = type(name.symbol());
            boolean isWanted = within.isEmpty() || within.get().encloses(name.range());
            if (type < 0 || !isWanted) {
                continue;
            }
            Position start = positions.of(name.range()).getStart();
            Position end = positions.of(name.range()).getEnd();
            boolean isSameLine = start.getLine() == last.getLine();
            data.addAll(List.of(start.getLine() - last.getLine(),
                    isSameLine ? start.getCharacter() - last.getCharacter() : start.getCharacter(),
                    end.getCharacter() - start.getCharacter(), type, modifiers(name)));
            last = start;
        }
        assert data.size() % STEP == 0;
        return data;
    }

    private static int type(Symbol symbol) {
        return TYPES.indexOf(switch (symbol.kind()) {
            case PACKAGE -> SemanticTokenTypes.Namespace;
            case CLASS, RECORD, CONSTRUCTOR -> SemanticTokenTypes.Class;
            case INTERFACE -> SemanticTokenTypes.Interface;
            case ENUM -> SemanticTokenTypes.Enum;
            case ANNOTATION -> SemanticTokenTypes.Decorator;
            case TYPE_PARAMETER -> SemanticTokenTypes.TypeParameter;
            case FIELD, RECORD_COMPONENT -> SemanticTokenTypes.Property;
            case ENUM_CONSTANT -> SemanticTokenTypes.EnumMember;
            case METHOD, ANNOTATION_ELEMENT -> SemanticTokenTypes.Method;
            case PARAMETER, LAMBDA_PARAMETER -> SemanticTokenTypes.Parameter;
            case LOCAL_VARIABLE, PATTERN_BINDING, CATCH_PARAMETER, RESOURCE_VARIABLE -> SemanticTokenTypes.Variable;
            case MODULE, LABEL, UNKNOWN -> "";
        });
    }

    private static int modifiers(NameMeaning name) {
        Symbol symbol = name.symbol();
        return bit(SemanticTokenModifiers.Declaration, name.role() == Role.DECLARATION)
                | bit(SemanticTokenModifiers.Static, symbol.isStatic())
                | bit(SemanticTokenModifiers.Readonly, symbol.modifiers().contains(Modifier.FINAL)
                && !symbol.kind().isType() && !symbol.kind().isMethod())
                | bit(SemanticTokenModifiers.Abstract, symbol.modifiers().contains(Modifier.ABSTRACT))
                | bit(SemanticTokenModifiers.Modification, name.role() == Role.WRITE)
                | bit(SemanticTokenModifiers.Documentation, name.role() == Role.DOC)
                | bit(SemanticTokenModifiers.DefaultLibrary, !symbol.isSource() && !symbol.kind().isLocal());
    }

    private static int bit(String modifier, boolean isSet) {
        return isSet ? 1 << MODIFIERS.indexOf(modifier) : 0;
    }
}
