package dev.deftchisel.workspace;

import java.util.Optional;
import java.util.stream.Stream;

/**
 * That code of a module is compiled with what another module of the workspace is compiled to.
 *
 * @param name    of the other module
 * @param by      the code that is: all of a module, or only its tests
 * @param ofTests the code that is also compiled with the tests of the other module; empty when none is
 */
public record ModuleUse(String name, SourceRoot.Use by, Optional<SourceRoot.Use> ofTests) {

    /** One whose code sees the tests of the other module, too. */
    public static ModuleUse ofAll(String name, SourceRoot.Use by) {
        return new ModuleUse(name, by, Optional.of(by));
    }

    /** Both of two uses of the same module. */
    public ModuleUse and(ModuleUse other) {
        return new ModuleUse(name, wider(by, other.by), Stream.of(ofTests, other.ofTests).flatMap(Optional::stream)
                .reduce(ModuleUse::wider));
    }

    private static SourceRoot.Use wider(SourceRoot.Use one, SourceRoot.Use other) {
        return one == SourceRoot.Use.MAIN ? one : other;
    }

    /**
     * Whether some code sees some of the other module.
     *
     * @param from main or test code of the module that uses the other
     * @param to   main or test code of the other
     */
    public boolean sees(SourceRoot.Use from, SourceRoot.Use to) {
        Optional<SourceRoot.Use> allowed = to == SourceRoot.Use.MAIN ? Optional.of(by) : ofTests;
        return allowed.filter(use -> use == SourceRoot.Use.MAIN || from == SourceRoot.Use.TEST).isPresent();
    }
}
