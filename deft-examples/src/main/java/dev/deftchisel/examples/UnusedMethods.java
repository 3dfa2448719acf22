package dev.deftchisel.examples;

import dev.deftchisel.Chisel;
import dev.deftchisel.Uses;
import dev.deftchisel.analysis.compiler.Monitor;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.opening.OpenRequest;
import java.io.PrintStream;
import java.nio.file.Path;

/** Asks the library a question of one's own: which methods does nothing call? */
public final class UnusedMethods {

    private UnusedMethods() {
    }

    /** @param arguments the folder of a workspace */
    public static void main(String[] arguments) {
        run(Path.of(arguments[0]), System.out);
    }

    static void run(Path folder, PrintStream out) {
        try (Chisel chisel = Chisel.open(OpenRequest.at(folder), Monitor.SILENT)) {
            for (SourceFile file : chisel.snapshot().files()) {
                ResolvedPlace start = chisel.resolved(new Place(file.path(), new Range(0, 0)));
                for (Binding binding : start.analysis().bindings(file.path())) {
                    boolean isMethod = binding.role() == Role.DECLARATION && binding.isNamed()
                            && start.analysis().symbol(binding.key())
                            .filter(symbol -> symbol.kind() == SymbolKind.METHOD)
                            .isPresent();
                    if (isMethod) {
                        chisel.uses(new Place(file.path(), binding.range()))
                                .filter(UnusedMethods::isOnlyDeclared)
                                .ifPresent(uses -> out.println(uses.symbol().signature()));
                    }
                }
            }
        }
    }

    private static boolean isOnlyDeclared(Uses uses) {
        return uses.all().stream().allMatch(use -> use.role() == Role.DECLARATION);
    }
}
