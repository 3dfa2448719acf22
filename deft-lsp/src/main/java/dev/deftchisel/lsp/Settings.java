package dev.deftchisel.lsp;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import dev.deftchisel.problem.Severity;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.eclipse.lsp4j.ConfigurationItem;
import org.eclipse.lsp4j.ConfigurationParams;

/**
 * What the user of an editor may set, in the section {@code deft}; what belongs to the code is in {@code .editorconfig} instead.
 *
 * @param least the least severity of a problem that is told
 */
record Settings(Severity least) {

    private static final String SECTION = "deft";

    /** Where nothing is set. */
    static final Settings STANDARD = new Settings(Severity.HINT);

    /** Asks the client; the standard counts where it does not say, or says something else. */
    static CompletableFuture<Settings> ask(Session session) {
        ConfigurationItem item = new ConfigurationItem();
        item.setSection(SECTION);
        return session.editor().configuration(new ConfigurationParams(List.of(item)))
                .thenApply(told -> told == null || told.isEmpty() ? STANDARD : of(told.get(0)))
                .exceptionally(refused -> STANDARD);
    }

    private static Settings of(Object told) {
        Optional<String> least = told instanceof JsonObject settings ? Optional.ofNullable(settings.get("least"))
                .filter(JsonElement::isJsonPrimitive).map(JsonElement::getAsString) : Optional.empty();
        return new Settings(least.flatMap(Severity::of).filter(severity -> severity != Severity.OFF).orElse(STANDARD.least()));
    }
}
