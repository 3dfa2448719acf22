package dev.deftchisel.signature.plan;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;

/**
 * Looks at every file in which a lambda stands, when a method changes that lambdas may implement: they do not name it
 * (JLS 15.27.3).
 */
public final class FunctionBodies {

    private FunctionBodies() {
    }

    /**
     * An analysis with these files.
     *
     * @param before in which every file that mentions the method was looked at
     */
    public static Analysis with(Analyst analyst, Analysis before, SymbolKey method) {
        boolean isFunction = before.symbol(method).filter(symbol -> Family.mayHaveLambdas(Family.of(symbol, before),
                before)).isPresent();
        if (!isFunction) {
            return before;
        }
        Set<Path> files = new HashSet<>(before.focus().files());
        before.snapshot().files().stream().filter(Functions::mayStandIn).map(SourceFile::path).forEach(files::add);
        return analyst.analyse(Focus.whole(files).deeply());
    }
}
