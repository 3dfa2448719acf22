package dev.deftchisel.lsp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.eclipse.lsp4j.jsonrpc.MessageConsumer;
import org.eclipse.lsp4j.jsonrpc.MessageIssueException;
import org.eclipse.lsp4j.jsonrpc.messages.Message;
import org.eclipse.lsp4j.jsonrpc.messages.NotificationMessage;
import org.eclipse.lsp4j.jsonrpc.messages.RequestMessage;
import org.junit.jupiter.api.Test;

/** The codes are those of LSP 3.17, response message. */
class MessageGateTest {

    private static final int NOT_INITIALIZED = -32002;
    private static final int INVALID_REQUEST = -32600;
    private static final int METHOD_NOT_FOUND = -32601;
    private static final int INVALID_PARAMETERS = -32602;

    private final DeftServer server = new DeftServer(Optional.empty());
    private final MessageGate gate = new MessageGate(server, server.getTextDocumentService(),
            server.getWorkspaceService());
    private final List<Message> passed = new ArrayList<>();
    private final MessageConsumer door = gate.before(passed::add);

    private static Message request(String method, Object params) {
        RequestMessage message = new RequestMessage();
        message.setId(1);
        message.setMethod(method);
        message.setParams(params);
        return message;
    }

    private static Message notification(String method) {
        NotificationMessage message = new NotificationMessage();
        message.setMethod(method);
        return message;
    }

    private int code(String method, Object params) {
        return assertThrows(MessageIssueException.class, () -> door.consume(request(method, params)))
                .getIssues().get(0).getIssueCode();
    }

    @Test
    void nothingIsAnsweredBeforeTheServerIsInitialized() {
        assertEquals(NOT_INITIALIZED, code("textDocument/hover", "here"));
        door.consume(notification("textDocument/didOpen"));
        assertEquals(List.of(), passed);
        door.consume(notification("exit"));
        assertEquals(1, passed.size());
    }

    @Test
    void theServerIsInitializedOnce() {
        door.consume(request("initialize", "client"));
        door.consume(request("textDocument/hover", "here"));
        assertEquals(2, passed.size());
        assertEquals(INVALID_REQUEST, code("initialize", "client"));
    }

    @Test
    void whatIsNotClaimedIsNotFound() {
        door.consume(request("initialize", "client"));
        assertEquals(METHOD_NOT_FOUND, code("textDocument/formatting", "here"));
        assertEquals(METHOD_NOT_FOUND, code("textDocument/completion", "here"));
        assertEquals(METHOD_NOT_FOUND, code("deft/nothing", null));
        assertEquals(INVALID_PARAMETERS, code("textDocument/hover", null));
    }

    @Test
    void afterShutdownOnlyTheEndIsHeard() {
        door.consume(request("initialize", "client"));
        door.consume(request("shutdown", null));
        assertEquals(INVALID_REQUEST, code("textDocument/hover", "here"));
        assertEquals(INVALID_REQUEST, code("shutdown", null));
        door.consume(notification("textDocument/didOpen"));
        door.consume(notification("exit"));
        assertEquals(3, passed.size());
    }

    private static String written(String json) {
        return "Content-Length: " + json.length() + "\r\n\r\n" + json;
    }

    @Test
    void parametersOfAnotherShapeAreInvalidNotUnreadable() throws Exception {
        String sent = written("""
                {"jsonrpc":"2.0","id":1,"method":"initialize","params":{"capabilities":{}}}""")
                + written("""
                {"jsonrpc":"2.0","id":2,"method":"codeAction/resolve","params":{"title":"moor","command":"moor"}}""")
                + written("""
                {"jsonrpc":"2.0","id":3,"method":"shutdown"}""")
                + written("""
                {"jsonrpc":"2.0","method":"exit"}""");
        ByteArrayOutputStream answered = new ByteArrayOutputStream();
        new DeftServer(Optional.empty())
                .serve(new ByteArrayInputStream(sent.getBytes(StandardCharsets.UTF_8)), answered);
        String answers = answered.toString(StandardCharsets.UTF_8);
        assertTrue(answers.contains("\"code\":" + INVALID_PARAMETERS), answers);
        assertFalse(answers.contains("-32700"), answers);
    }

    @Test
    void requestsOfAllServicesAreServed() {
        assertTrue(gate.served().containsAll(List.of("initialize", "shutdown", "textDocument/rename",
                "codeAction/resolve", "workspace/symbol", "typeHierarchy/subtypes")), gate.served().toString());
        assertFalse(gate.served().contains("textDocument/onTypeFormatting"));
    }
}
