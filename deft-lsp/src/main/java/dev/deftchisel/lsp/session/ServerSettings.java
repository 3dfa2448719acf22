package dev.deftchisel.lsp.session;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.workspace.opening.Permission;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.eclipse.lsp4j.ConfigurationItem;
import org.eclipse.lsp4j.ConfigurationParams;

/**
 * What the user of an editor may set, in the section {@code deft} or when the server starts; what belongs to the code
 * is in {@code .editorconfig} instead.
 *
 * @param least       the least severity of a problem that is told
 * @param permissions what may be done when a folder is opened, besides reading
 * @param countsUses  whether uses are counted above declarations
 */
public record ServerSettings(Severity least, Set<Permission> permissions, boolean countsUses) {

    private static final String SECTION = "deft";
    private static final Map<String, Permission> PERMISSIONS = Map.of("online", Permission.FETCH_LIBRARIES,
            "runProcessors", Permission.RUN_PROCESSORS, "askBuild", Permission.ASK_BUILD);

    /** Where nothing is set. */
    public static final ServerSettings STANDARD = new ServerSettings(Severity.HINT, Set.of(), false);

    /**
     * Asks the client.
     *
     * @param otherwise what counts where it does not say, or says something else
     */
    public static CompletableFuture<ServerSettings> ask(Session session, ServerSettings otherwise) {
        ConfigurationItem item = new ConfigurationItem();
        item.setSection(SECTION);
        return session.editor().configuration(new ConfigurationParams(List.of(item)))
                .thenApply(told -> told == null || told.isEmpty() ? otherwise : of(told.get(0), otherwise))
                .exceptionally(refused -> otherwise);
    }

    /**
     * What an object says.
     *
     * @param told      from the client, anything
     * @param otherwise what counts where it does not say
     */
    public static ServerSettings of(Object told, ServerSettings otherwise) {
        if (!(told instanceof JsonObject settings)) {
            return otherwise;
        }
        Severity least = primitive(settings, "least").map(JsonElement::getAsString).flatMap(Severity::of)
                .filter(severity -> severity != Severity.OFF).orElse(otherwise.least());
        Set<Permission> permissions = PERMISSIONS.entrySet().stream()
                .filter(entry -> primitive(settings, entry.getKey()).map(JsonElement::getAsBoolean)
                        .orElse(otherwise.permissions().contains(entry.getValue())))
                .map(Map.Entry::getValue).collect(Collectors.toSet());
        return new ServerSettings(least, permissions, primitive(settings, "countUses").map(JsonElement::getAsBoolean)
                .orElse(otherwise.countsUses()));
    }

    private static Optional<JsonElement> primitive(JsonObject settings, String key) {
        return Optional.ofNullable(settings.get(key)).filter(JsonElement::isJsonPrimitive);
    }
}
