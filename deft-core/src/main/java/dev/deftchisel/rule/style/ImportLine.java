package dev.deftchisel.rule.style;

import dev.deftchisel.source.Range;
import java.util.Optional;

/**
 * An import as it is there or is wanted.
 *
 * @param name     qualified, with {@code *} at its end when it is on demand
 * @param isStatic whether it is of static members
 * @param there    where it stands now, with its comments; empty for one that is to be written
 */
record ImportLine(String name, boolean isStatic, Optional<Range> there) {

    /** One that is to be written. */
    static ImportLine fresh(String name) {
        return new ImportLine(name, false, Optional.empty());
    }

    /** Whether it brings all types of a package or class. */
    boolean isOnDemand() {
        return name.endsWith(".*");
    }

    /** What it is imported from. */
    String home() {
        return name.substring(0, Math.max(0, name.lastIndexOf('.')));
    }

    /** As it is written. */
    String text() {
        return "import " + (isStatic ? "static " : "") + name + ";";
    }
}
