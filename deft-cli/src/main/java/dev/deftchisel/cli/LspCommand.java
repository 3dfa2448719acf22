package dev.deftchisel.cli;

import dev.deftchisel.cli.console.Console;
import dev.deftchisel.cli.console.ExitCode;
import dev.deftchisel.jdk.Jdk;
import dev.deftchisel.jdk.JdkFinder;
import dev.deftchisel.lsp.DeftServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.BindException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.channels.Channels;
import java.nio.channels.ServerSocketChannel;
import java.nio.channels.SocketChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Serves an editor that speaks the Language Server Protocol, over the standard streams or a socket. */
@Command(name = "lsp", description = LspCommand.WHAT)
final class LspCommand implements Callable<Integer> {

    static final String WHAT = "Run the language server for an editor.";

    private static final int HIGHEST_PORT = 65_535;

    private final Console console;
    private final Restart restart;

    @Option(names = {"-h", "--help"}, usageHelp = true, description = "show this help")
    private boolean help;

    @Option(names = "--port", paramLabel = "N",
            description = "wait for one client at this port of this machine (0 for any that is free), instead of the "
            + "standard streams")
    private Integer port;

    @Option(names = "--socket", paramLabel = "FILE",
            description = "wait for one client at this socket file, in a folder that only you can enter; safer than a "
            + "port on a machine with other users")
    private Path socket;

    @Option(names = "--log", paramLabel = "FILE",
            description = "append to this file what the server does, instead of the output that a client shows")
    private Path log;

    @Option(names = "--log-level", paramLabel = "LEVEL",
            description = "what is logged: error, warn (the standard), info or debug")
    private ServerLog.Level level = ServerLog.Level.WARN;

    LspCommand(Console console, Restart restart) {
        this.console = console;
        this.restart = restart;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Jdk newest = JdkFinder.ofThisMachine().all().get(0);
        if (restart.isPossible() && newest.feature() > Runtime.version().feature()) {
            // which folders the editor has is known only when it has sent something, which nobody could read again then
            return restart.with(newest);
        }
        // what the protocol library writes on its own would stand between our messages
        LogManager.getLogManager().reset();
        Optional<String> objection = objection();
        if (objection.isPresent()) {
            console.say("deft: " + objection.get());
            return ExitCode.USAGE;
        } else if (socket != null) {
            return serve(new SocketFile(socket));
        } else if (port == null) {
            return serve(console.in(), console.out());
        }
        try (ServerSocket listening = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
            console.say("deft: waiting for a client at port " + listening.getLocalPort());
            try (Socket client = listening.accept()) {
                // nobody else may come
                listening.close();
                return serve(client.getInputStream(), client.getOutputStream());
            }
        } catch (BindException taken) {
            console.say("deft: port " + port + " is taken; choose another, or 0 for any that is free");
            return ExitCode.USAGE;
        }
    }

    /** What is wrong with the options, before any client is waited for. */
    private Optional<String> objection() {
        if (socket != null && port != null) {
            return Optional.of("take either --port or --socket");
        } else if (port != null && (port < 0 || port > HIGHEST_PORT)) {
            return Optional.of(port + " is no port; take one from 0 to " + HIGHEST_PORT);
        }
        return Optional.ofNullable(log).flatMap(ServerLog::objection);
    }

    private int serve(SocketFile file) throws IOException, InterruptedException {
        Optional<String> objection = file.objection();
        if (objection.isPresent()) {
            console.say("deft: " + objection.get());
            return ExitCode.USAGE;
        }
        try (ServerSocketChannel listening = file.listen()) {
            console.say("deft: waiting for a client at " + socket);
            try (SocketChannel client = listening.accept()) {
                // nobody else may come; the client that is there stays connected
                listening.close();
                return serve(Channels.newInputStream(client), Channels.newOutputStream(client));
            }
        } finally {
            file.remove();
        }
    }

    private int serve(InputStream in, OutputStream out) throws InterruptedException {
        DeftServer server = new DeftServer(pages());
        try (ServerLog open = log == null ? ServerLog.to(server::log, level) : ServerLog.to(log, level)) {
            return server.serve(in, out) ? ExitCode.DONE : ExitCode.REFUSED;
        }
    }

    /** Where the pages of rules and errors are, in a checkout. */
    private static Optional<Path> pages() {
        return Optional.ofNullable(System.getProperty("deft.home")).map(home -> Path.of(home, "docs"))
                .filter(Files::isDirectory);
    }
}
