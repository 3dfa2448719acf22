package dev.deftchisel.workspace;

import dev.deftchisel.jdk.Jdk;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The running Java cannot read the language of a workspace; the message says what is needed, what was found, and what
 * to do.
 */
public final class UnfitJavaException extends WorkspaceException {

    private static final long serialVersionUID = 1L;

    private final transient Path root;
    private final transient Optional<Jdk> fitting;

    /**
     * @param root   of the workspace
     * @param module the one that asks for the most
     * @param jdks   those found on this machine
     */
    public UnfitJavaException(Path root, Module module, List<Jdk> jdks) {
        super(message(module, jdks));
        this.root = root;
        this.fitting = module.java().fitting(jdks);
    }

    private static String message(Module module, List<Jdk> jdks) {
        JavaLevel java = module.java();
        String need = java.isPreview() ? "Java " + java.level() + " with its preview features" : "Java " + java.level();
        String found = jdks.stream().map(jdk -> jdk.feature() + " (" + jdk.home() + ")")
                .collect(Collectors.joining(", "));
        return "module " + module.name() + " is written in " + need + ", which the Java that runs deft ("
                + Runtime.version().feature() + ") cannot read; "
                + java.fitting(jdks).map(jdk -> "start deft with JAVA_HOME=" + jdk.home())
                .orElse("nor can any other JDK that was found: " + found + "; install JDK " + java.level()
                        + (java.isPreview() ? "" : " or newer") + " and name it by JAVA_HOME");
    }

    /** The folder of the workspace; absolute. */
    public Path root() {
        return root;
    }

    /** A JDK on this machine that reads the workspace. */
    public Optional<Jdk> fitting() {
        return fitting;
    }
}
