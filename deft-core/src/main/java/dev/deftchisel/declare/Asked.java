package dev.deftchisel.declare;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.member.Target;
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
record Asked(List<Missing> uses, Target owner, boolean isStatic, Answers answers, Types types, Analysis before, EditsByFile edits) {

    Asked {
        uses = List.copyOf(uses);
    }

    /** The use that is meant. */
    Missing missing() {
        return uses.get(0);
    }

    /** The file of the use. */
    Code code() {
        return missing().code();
    }
}
