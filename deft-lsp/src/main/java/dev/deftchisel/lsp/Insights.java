package dev.deftchisel.lsp;

import com.google.gson.JsonElement;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.Role;
import dev.deftchisel.source.MemberSketch;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.CodeLens;
import org.eclipse.lsp4j.Command;
import org.eclipse.lsp4j.InlayHint;
import org.eclipse.lsp4j.InlayHintKind;
import org.eclipse.lsp4j.LinkedEditingRanges;
import org.eclipse.lsp4j.Position;
import org.eclipse.lsp4j.jsonrpc.messages.Either;

/** What is shown beside the code: inferred types, values of constants, how often something is used, names that go together. */
final class Insights {

    private Insights() {
    }

    static List<InlayHint> hints(Session.Asked asked, org.eclipse.lsp4j.Range range) {
        return asked.chisel().navigator().hints(asked.file().path(), asked.positions().range(range)).stream().map(hint -> {
            InlayHint shown = new InlayHint(asked.positions().at(hint.offset()), Either.forLeft(hint.text()));
            if (hint.text().startsWith(":")) {
                shown.setKind(InlayHintKind.Type);
            }
            return shown;
        }).toList();
    }

    /** A lens for each type and method; how often it is used is counted when the lens is to be seen. */
    static List<CodeLens> lenses(Session.Asked asked) {
        return asked.file().skeleton().members().stream()
                .filter(member -> member.kind() != MemberSketch.Kind.FIELD && member.kind() != MemberSketch.Kind.ENUM_CONSTANT)
                .map(member -> new CodeLens(asked.positions().of(member.nameRange()), null, asked.session().documents()
                        .uri(asked.file().path())))
                .toList();
    }

    /** The file that a lens is of. */
    static String uri(CodeLens lens) {
        if (lens.getData() instanceof JsonElement json && json.isJsonPrimitive()) {
            return json.getAsString();
        }
        throw Refused.invalid("this is no lens that was given here");
    }

    static CodeLens counted(Session.Asked asked, CodeLens lens) {
        long uses = uses(asked, lens.getRange().getStart()).map(Uses::all).orElse(List.of()).stream()
                .filter(use -> use.role() != Role.DECLARATION).count();
        String title = uses == 0 ? "not used" : uses == 1 ? "1 use" : uses + " uses";
        return new CodeLens(lens.getRange(), new Command(title, ""), lens.getData());
    }

    private static Optional<Uses> uses(Session.Asked asked, Position position) {
        return asked.chisel().uses(asked.place(position));
    }

    /** All places of a name that only stands in this file, to be typed over together. */
    static Optional<LinkedEditingRanges> linked(Session.Asked asked, Position position) {
        return uses(asked, position).filter(uses -> uses.symbol().kind().isLocal()).map(uses -> new LinkedEditingRanges(
                uses.all().stream().map(Uses.Use::range)
                .filter(range -> asked.file().content().substring(range.start(), range.end()).equals(uses.symbol().name()))
                .map(asked.positions()::of).toList()));
    }
}
