package dev.deftchisel.problem;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Meaning;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The change that several fixes make together. */
public final class FixDraft {

    private final EditsByFile edits;
    private final Map<SymbolKey, String> descriptors = new HashMap<>();
    private Meaning.Freedom freedom = Meaning.Freedom.FORM;

    /** @param before the analysis that the change will be compared with */
    public FixDraft(Analysis before) {
        this.edits = new EditsByFile(before);
    }

    /**
     * Adds what a fix writes.
     *
     * @param finding what it mends
     * @param fix     one of its fixes
     * @param code    the file in which it was found
     * @return what was added
     */
    public FixEdits add(Finding finding, Fix.Rewrite fix, Code code) {
        FixEdits taken = new FixEdits(code, edits.writer(code));
        fix.writer().accept(taken);
        edits.of(code.file().path()).addAll(taken.edits());
        descriptors.putAll(taken.descriptors());
        if (finding.about().tag() == Tag.ERROR) {
            freedom = Meaning.Freedom.TYPES;
        }
        return taken;
    }

    /** All of it. */
    public Change change(String title) {
        return edits.change(title, Meaning.parameters(descriptors).allowing(freedom), List.of());
    }
}
