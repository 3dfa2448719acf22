package dev.deftchisel.analysis.symbol;

import java.nio.file.Path;

/**
 * Names a declaration so that it can be compared between two analyses, stored and written down.
 *
 * <p>Types and members are named as in class files (JVMS 4.2 and 4.3), everything within a body by the place of its
 * declaration.
 */
public sealed interface SymbolKey {

    /** @param name as declared, for instance {@code harbour.office} */
    record Module(String name) implements SymbolKey {
    }

    /** @param name with dots; empty for the unnamed package */
    record Package(String name) implements SymbolKey {
    }

    /** @param binaryName binary name (JLS 13.1) with dots between packages and {@code $} before nested types */
    record Type(String binaryName) implements SymbolKey {

        /** The last part of the name. */
        public String simpleName() {
            return binaryName.substring(Math.max(binaryName.lastIndexOf('.'), binaryName.lastIndexOf('$')) + 1);
        }

        /** The binary name of the outermost type around this one, or its own. */
        public String topLevel() {
            int packageEnd = binaryName.lastIndexOf('.');
            int nested = binaryName.indexOf('$', packageEnd + 2);
            return nested < 0 ? binaryName : binaryName.substring(0, nested);
        }
    }

    /**
     * A local or anonymous type, or a member type of one.
     *
     * @param file   where it is declared
     * @param offset of its name, or of its body when it has none
     */
    record LocalType(Path file, int offset) implements SymbolKey {
    }

    /** A field, enum constant, or record component together with its private field. */
    record Field(SymbolKey owner, String name) implements SymbolKey {
    }

    /**
     * A method, annotation element or constructor.
     *
     * @param name       {@code <init>} for a constructor
     * @param descriptor of the erased types, as in JVMS 4.3.3; types of bodies stand as {@code L@;}
     */
    record Method(SymbolKey owner, String name, String descriptor) implements SymbolKey {
    }

    /** @param index from 0, among the type parameters of the owner */
    record TypeParameter(SymbolKey owner, int index) implements SymbolKey {
    }

    /**
     * A local variable, parameter, pattern binding or label.
     *
     * @param file   where it is declared
     * @param offset of its name
     */
    record Local(Path file, int offset) implements SymbolKey {
    }

    /** What the compiler could not resolve; equal only in name, so it proves nothing. */
    record Unknown(String name) implements SymbolKey {
    }
}
