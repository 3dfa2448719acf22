package dev.deftchisel.signature.plan;

import dev.deftchisel.analysis.Analysis;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The type that somebody means who writes a simple name which a file does not know: the only one of that name, or the
 * one that the workspace imports most, or the only one of the packages that everybody uses.
 */
public record MeantType(Optional<String> qualified, List<String> called) {

    private static final List<String> COMMON = List.of("java.util.", "java.time.", "java.io.", "java.nio.",
            "java.math.", "java.net.");

    /** Looks for it among the types of the workspace and its libraries. */
    public static MeantType of(Analysis analysis, String simpleName, Path file) {
        List<String> called = analysis.typesCalled(simpleName, file);
        if (called.size() == 1) {
            return new MeantType(Optional.of(called.get(0)), called);
        }
        List<String> byImports = called.stream().sorted(Comparator.comparing(analysis::importing).reversed()).toList();
        boolean isClear = called.size() > 1 && analysis.importing(byImports.get(0)) > analysis.importing(byImports
                .get(1));
        List<String> common = called.stream().filter(name -> COMMON.stream().anyMatch(name::startsWith)).toList();
        Optional<String> onlyCommon = common.size() == 1 ? Optional.of(common.get(0)) : Optional.empty();
        return new MeantType(isClear ? Optional.of(byImports.get(0)) : onlyCommon, called);
    }
}
