package dev.deftchisel.lsp.session;

import com.google.gson.Gson;
import com.google.gson.JsonElement;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;

/**
 * A place that a client keeps for us with what it was given, until it asks for the rest.
 *
 * @param uri    of the file
 * @param offset in it
 * @param what   is asked for there
 */
public record StoredPlace(String uri, int offset, String what) {

    private static final Gson GSON = new Gson();

    /** From what a client sends back, which may be anything. */
    public static StoredPlace of(Object data) {
        return data instanceof JsonElement json && json.isJsonObject() ? GSON.fromJson(json, StoredPlace.class)
                : new StoredPlace("", 0, "");
    }

    /** As the client keeps it. */
    public JsonElement json() {
        return GSON.toJsonTree(this);
    }

    /**
     * The file as it is now; on the worker's thread.
     *
     * @throws org.eclipse.lsp4j.jsonrpc.ResponseErrorException when it is of no workspace
     */
    public Session.RequestContext asked(Session session) {
        return session.asked(String.valueOf(uri))
                .orElseThrow(() -> RefusedRequest.invalid("this is of no file of a workspace"));
    }

    /** The place in it, which may be shorter by now. */
    public Place in(Session.RequestContext asked) {
        int within = Math.max(0, Math.min(offset, asked.file().content().length()));
        return new Place(asked.file().path(), new Range(within, within));
    }
}
