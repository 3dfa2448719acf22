package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import java.util.ArrayList;
import java.util.List;

/** What a user should know of uses that nobody could see. */
public final class UnseenUses {

    private UnseenUses() {
    }

    /**
     * One line each; empty when all is known.
     *
     * @param target what is to be declared in another way
     */
    public static List<String> notes(Symbol target, Analysis before) {
        List<String> notes = new ArrayList<>(before.gaps());
        boolean isMain = target.key() instanceof SymbolKey.Method method && method.name().equals("main")
                && target.isStatic() && method.descriptor().equals("([Ljava.lang.String;)V");
        if (isMain) {
            notes.add("programs are started by the name main (JLS 12.1.4); this class could no longer be started");
        }
        int unresolved = before.unresolved(target.name()).size();
        if (unresolved > 0) {
            var first = before.unresolved(target.name()).get(0);
            notes.add(unresolved + (unresolved == 1 ? " place" : " places") + " with the name '" + target.name()
                    + "' could not be resolved and " + (unresolved == 1 ? "is" : "are") + " left alone, first "
                    + before.snapshot().show(first.file(), first.range().start()));
        }
        return notes;
    }
}
