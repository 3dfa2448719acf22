package dev.deftchisel.cli;

import java.io.IOException;
import java.net.StandardProtocolFamily;
import java.net.UnixDomainSocketAddress;
import java.nio.channels.ServerSocketChannel;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** A socket file at which the language server waits for its client; nobody but the user may get at it. */
final class SocketFile {

    private static final Set<PosixFilePermission> OF_OTHERS = EnumSet.of(PosixFilePermission.GROUP_READ,
            PosixFilePermission.GROUP_WRITE, PosixFilePermission.GROUP_EXECUTE, PosixFilePermission.OTHERS_READ,
            PosixFilePermission.OTHERS_WRITE, PosixFilePermission.OTHERS_EXECUTE);

    private final Path file;

    SocketFile(Path file) {
        this.file = file.toAbsolutePath();
    }

    /** Why the server does not wait there, in one line; empty when it may. */
    Optional<String> objection() throws IOException {
        Path folder = file.getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            return Optional.of(folder + ": no such folder");
        } else if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
            return Optional.of(file + " is there already; remove it, or choose another name");
        } else if (!Files.getFileStore(folder).supportsFileAttributeView("posix")) {
            return Optional.empty();
        }
        Set<PosixFilePermission> open = EnumSet.noneOf(PosixFilePermission.class);
        open.addAll(Files.getPosixFilePermissions(folder));
        open.retainAll(OF_OTHERS);
        return open.isEmpty() ? Optional.empty()
                : Optional.of("others can enter " + folder + "; choose a folder of your own (chmod 700)");
    }

    /** Waits for connections from now on. */
    ServerSocketChannel listen() throws IOException {
        ServerSocketChannel listening = ServerSocketChannel.open(StandardProtocolFamily.UNIX);
        listening.bind(UnixDomainSocketAddress.of(file), 1);
        return listening;
    }

    void remove() throws IOException {
        Files.deleteIfExists(file);
    }
}
