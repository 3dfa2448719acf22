package dev.deftchisel.rule.unused;

import java.util.Set;
import javax.lang.model.element.ExecutableElement;

/**
 * Private methods that the platform calls by their names: those of serialization (Java Object Serialization 2.3 to
 * 3.7).
 */
final class PlatformMethods {

    private static final Set<String> NAMES = Set.of(
            "readObject", "writeObject", "readObjectNoData", "readResolve", "writeReplace");

    private PlatformMethods() {
    }

    static boolean isOne(ExecutableElement method) {
        return NAMES.contains(method.getSimpleName().toString());
    }
}
