package dev.deftchisel.proving.report;

import com.google.gson.GsonBuilder;
import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Writes every verdict, and the counts, for other programs. */
public final class JsonReport {

    /** Writes the file. */
    public void write(Summary summary, Path file) throws IOException {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("java", Runtime.version().toString());
        all.put("rows", summary.rows());
        all.put("corpora", summary.byCorpus());
        all.put("refusals", summary.refusals());
        all.put("failures", summary.failures());
        all.put("trials", summary.verdicts().stream().map(JsonReport::trial).toList());
        Files.writeString(file, new GsonBuilder().setPrettyPrinting().disableHtmlEscaping().create().toJson(all) + "\n",
                StandardCharsets.UTF_8);
    }

    private static Map<String, Object> trial(Verdict verdict) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("corpus", verdict.corpus());
        one.put("number", verdict.subject().number());
        one.put("operation", verdict.subject().operation());
        one.put("kind", verdict.subject().group());
        one.put("title", verdict.subject().title());
        one.put("result", verdict.result().name().toLowerCase(Locale.ROOT));
        one.put("why", verdict.why());
        verdict.oracle().ifPresent(oracle -> one.put("oracle", oracle));
        one.put("offerMillis", verdict.offerMillis());
        one.put("previewMillis", verdict.previewMillis());
        return one;
    }
}
