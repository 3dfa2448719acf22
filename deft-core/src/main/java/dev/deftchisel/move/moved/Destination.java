package dev.deftchisel.move.moved;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.workspace.SourceRoot;

/** Where a type goes. */
public sealed interface Destination {

    /** What the type belongs to then. */
    SymbolKey owner();

    /** The package in which it is then. */
    String packageName();

    /**
     * A file of its own.
     *
     * @param root        in which the file is found by its package
     * @param packageName empty for the unnamed package
     */
    record OwnFile(SourceRoot root, String packageName) implements Destination {

        @Override
        public SymbolKey owner() {
            return new SymbolKey.Package(packageName);
        }
    }

    /**
     * Among the members of another type.
     *
     * @param outer       that type
     * @param packageName in which it is
     */
    record Member(SymbolKey.Type outer, String packageName) implements Destination {

        @Override
        public SymbolKey owner() {
            return outer;
        }

        /** Its name as code writes it in full (JLS 6.7). */
        public String canonicalName() {
            return outer.binaryName().replace('$', '.');
        }
    }
}
