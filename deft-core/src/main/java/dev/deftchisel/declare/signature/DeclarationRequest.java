package dev.deftchisel.declare.signature;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.List;

/**
 * What a declaration is asked for.
 *
 * @param uses     of the name, the one that is meant first; the others may tell what it does not
 * @param owner    the type that must have it
 * @param isStatic whether there is no object that it could belong to
 * @param types    as they are written
 * @param before   what is declared and used now, in all files that mention the name
 * @param edits    collects what types need where they are written
 */
public record DeclarationRequest(List<UnresolvedName> uses, TargetClass owner, boolean isStatic, Answers answers,
        UseTypes types, Analysis before, EditsByFile edits) {

    public DeclarationRequest {
        uses = List.copyOf(uses);
    }

    /** The use that is meant. */
    public UnresolvedName missing() {
        return uses.get(0);
    }

    /** The file of the use. */
    public AttributedFile code() {
        return missing().code();
    }
}
