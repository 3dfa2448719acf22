package dev.deftchisel.proving.message;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * A request or notification from client to server (LSP 3.17).
 *
 * @param isRequest  whether it has an answer
 * @param name       such as {@code textDocument/hover}
 * @param capability by which a server claims it, as a path into its capabilities; {@code -} when it need not
 * @param parameters the name of what is sent along, see {@link RequestParameters}
 */
public record ProtocolMethod(boolean isRequest, String name, String capability, String parameters) {

    private static final String FILE = "/dev/deftchisel/proving/protocol.txt";

    /** All of the protocol, in the order of its specification. */
    public static List<ProtocolMethod> all() {
        try (InputStream in = ProtocolMethod.class.getResourceAsStream(FILE)) {
            return parse(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    static List<ProtocolMethod> parse(String text) {
        return text.lines().filter(line -> !line.isBlank() && !line.startsWith("#"))
                .map(line -> line.strip().split("\\s+"))
                .map(words -> new ProtocolMethod(words[0].equals("request"), words[1], words[2], words[3])).toList();
    }

    /** Whether a server must be told by the client before it may be asked. */
    public boolean isAlwaysThere() {
        return capability.equals("-");
    }
}
