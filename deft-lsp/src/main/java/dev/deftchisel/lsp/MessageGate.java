package dev.deftchisel.lsp;

import java.lang.reflect.Method;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.eclipse.lsp4j.jsonrpc.MessageConsumer;
import org.eclipse.lsp4j.jsonrpc.MessageIssueException;
import org.eclipse.lsp4j.jsonrpc.messages.Message;
import org.eclipse.lsp4j.jsonrpc.messages.MessageIssue;
import org.eclipse.lsp4j.jsonrpc.messages.NotificationMessage;
import org.eclipse.lsp4j.jsonrpc.messages.RequestMessage;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseErrorCode;
import org.eclipse.lsp4j.jsonrpc.messages.ResponseMessage;
import org.eclipse.lsp4j.jsonrpc.services.JsonRequest;
import org.eclipse.lsp4j.jsonrpc.services.JsonSegment;
import org.eclipse.lsp4j.jsonrpc.services.ServiceEndpoints;
import org.eclipse.lsp4j.services.LanguageClient;

/**
 * Lets through only what the protocol allows at the time and this server answers (LSP 3.17, server lifecycle); the rest
 * is answered with the code that the protocol has for it.
 */
final class MessageGate {

    private static final String INITIALIZE = "initialize";
    private static final String SHUTDOWN = "shutdown";
    private static final String EXIT = "exit";

    /** What was agreed on so far. */
    private enum State { NEW, RUNNING, SHUT }

    /** What goes to the client comes along here, too. */
    private static final Set<String> TO_CLIENT = ServiceEndpoints.getSupportedMethods(LanguageClient.class).keySet();

    private final Set<String> served = new HashSet<>();
    private volatile State state = State.NEW;

    /** @param services that answer, by methods that they override */
    MessageGate(Object... services) {
        for (Object service : services) {
            for (Class<?> protocol : service.getClass().getInterfaces()) {
                Optional<String> segment = Optional.ofNullable(protocol.getAnnotation(JsonSegment.class))
                        .map(JsonSegment::value);
                for (Method method : protocol.getMethods()) {
                    JsonRequest request = method.getAnnotation(JsonRequest.class);
                    if (request != null && isOverridden(service, method)) {
                        String name = request.value().isEmpty() ? method.getName() : request.value();
                        served.add(segment.filter(part -> request.useSegment()).map(part -> part + "/").orElse("")
                                + name);
                    }
                }
            }
        }
    }

    /** What is not overridden throws, which is no answer. */
    private static boolean isOverridden(Object service, Method method) {
        try {
            return !service.getClass().getMethod(method.getName(), method.getParameterTypes()).isDefault();
        } catch (NoSuchMethodException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** The methods that are answered. */
    Set<String> served() {
        return Set.copyOf(served);
    }

    /** Passes on what may pass. */
    MessageConsumer before(MessageConsumer next) {
        return message -> {
            if (message instanceof RequestMessage request) {
                if (!TO_CLIENT.contains(request.getMethod())) {
                    check(request);
                }
                next.consume(message);
            } else if (!(message instanceof NotificationMessage told) || isHeard(told)) {
                if (message instanceof ResponseMessage answer) {
                    tellApart(answer);
                }
                next.consume(message);
            }
        };
    }

    /**
     * What the protocol library could not turn into objects it calls unreadable; where it could read which request that
     * was, its JSON was sound, and its parameters are not those of the request (JSON-RPC 2.0, 5.1).
     */
    private static void tellApart(ResponseMessage answer) {
        if (answer.getId() != null && answer.getError() != null
                && answer.getError().getCode() == ResponseErrorCode.ParseError.getValue()) {
            answer.getError().setCode(ResponseErrorCode.InvalidParams.getValue());
        }
    }

    private void check(RequestMessage request) {
        String method = request.getMethod();
        if (state == State.NEW && !method.equals(INITIALIZE)) {
            throw refused(request, ResponseErrorCode.ServerNotInitialized, "the server waits for 'initialize' first");
        } else if (state == State.SHUT) {
            throw refused(request, ResponseErrorCode.InvalidRequest, "the server was shut down; it waits for 'exit'");
        } else if (state == State.RUNNING && method.equals(INITIALIZE)) {
            throw refused(request, ResponseErrorCode.InvalidRequest, "the server is initialized already");
        } else if (!served.contains(method)) {
            throw refused(request, ResponseErrorCode.MethodNotFound, "'" + method + "' is not answered by this server");
        } else if (request.getParams() == null && !method.equals(SHUTDOWN)) {
            // the validation of the protocol library only looks into those that are there
            throw refused(request, ResponseErrorCode.InvalidParams, "there are no parameters");
        }
        if (method.equals(INITIALIZE)) {
            state = State.RUNNING;
        } else if (method.equals(SHUTDOWN)) {
            state = State.SHUT;
        }
    }

    /** Before and after, nothing is heard but that the client leaves. */
    private boolean isHeard(NotificationMessage told) {
        return told.getMethod().equals(EXIT) || state == State.RUNNING || TO_CLIENT.contains(told.getMethod());
    }

    private static MessageIssueException refused(Message message, ResponseErrorCode code, String sentence) {
        return new MessageIssueException(message, List.of(new MessageIssue(sentence, code.getValue())));
    }
}
