package dev.deftchisel.buildtool;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** A build tool that can be run to say what a build consists of. */
public interface BuildTool {

    /**
     * The command that has it said, to be run in the root of the build.
     *
     * @param root     of the build
     * @param answer   the folder to write into; there, and empty
     * @param isOnline whether libraries may be fetched
     * @throws IOException when what the command needs cannot be written
     */
    List<String> command(Path root, Path answer, boolean isOnline) throws IOException;

    /** The wrapper script that a build brings, or the tool on the path. */
    static String script(Path root, String wrapper, String tool, String endingOnWindows) {
        boolean isWindows = System.getProperty("os.name").toLowerCase(Locale.ROOT).startsWith("windows");
        Path own = root.resolve(isWindows ? wrapper + endingOnWindows : wrapper);
        if (Files.isRegularFile(own) && (isWindows || Files.isExecutable(own))) {
            return own.toString();
        }
        return isWindows ? tool + endingOnWindows : tool;
    }
}
