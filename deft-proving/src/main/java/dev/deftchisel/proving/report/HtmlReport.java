package dev.deftchisel.proving.report;

import dev.deftchisel.proving.trial.Verdict;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.function.Function;

/** Writes one page with tables and charts; everything is in the file, nothing is loaded. */
public final class HtmlReport {

    private static final String HEAD = """
            <!doctype html>
            <html lang="en"><head><meta charset="utf-8"><title>%1$s</title><style>
            body { font: 14px/1.45 sans-serif; color: #222; max-width: 1220px; margin: 1.2em auto; padding: 0 1em }
            main { display: flex; gap: 2em; align-items: flex-start } h1 { font-size: 1.5em; margin: 0 }
            table { border-collapse: collapse; margin: 0 0 1em } td, th { padding: .1em .7em; text-align: right }
            th:first-child, td:first-child { text-align: left; white-space: nowrap } th { border-bottom: 2px solid #1f5f7a }
            tr:last-child td { border-top: 1px solid #bbb } img { max-width: 100%% }
            .bad { color: #a4161a; font-weight: bold } code { background: #f1f4f5; padding: 0 .2em }
            </style></head><body><h1>%1$s</h1>
            """;

    private final Function<Verdict, String> repeat;

    /** @param repeat the command that repeats a trial alone */
    public HtmlReport(Function<Verdict, String> repeat) {
        this.repeat = repeat;
    }

    /** Writes the page. */
    public void write(String title, Summary summary, Path file) throws IOException {
        StringBuilder page = new StringBuilder(HEAD.formatted(escaped(title)));
        page.append("<p>Java ").append(Runtime.version()).append(". Offers: ")
                .append(TableReport.times(summary, Verdict::offerMillis)).append(". Previews: ")
                .append(TableReport.times(summary, Verdict::previewMillis)).append(".</p>\n");
        page.append("<main><div>\n");
        table(page, summary.byCorpus());
        table(page, summary.rows());
        page.append("</div><div>\n");
        image(page, "Time until the preview", Charts.times("Time until the preview", summary, Verdict::previewMillis));
        image(page, "Time until the offers", Charts.times("Time until the offers", summary, Verdict::offerMillis));
        if (!summary.refusals().isEmpty()) {
            image(page, "Refusals by reason", Charts.reasons("Refusals by reason", summary.refusals()));
        }
        page.append("</div></main>\n");
        failures(page, summary);
        Files.writeString(file, page.append("</body></html>\n"), StandardCharsets.UTF_8);
    }

    private static void table(StringBuilder page, List<Summary.Row> rows) {
        page.append("<table><tr><th></th><th>tried</th><th>applied</th><th>refused</th><th>failed</th></tr>\n");
        for (Summary.Row row : rows) {
            page.append("<tr><td>%s</td><td>%d</td><td>%d</td><td>%d</td><td%s>%d</td></tr>%n".formatted(
                    escaped(row.name()), row.tried(), row.applied(), row.refused(),
                    row.failed() > 0 ? " class=\"bad\"" : "", row.failed()));
        }
        page.append("</table>\n");
    }

    private static void image(StringBuilder page, String what, byte[] png) {
        page.append("<img alt=\"").append(escaped(what)).append("\" src=\"data:image/png;base64,")
                .append(Base64.getEncoder().encodeToString(png)).append("\">\n");
    }

    private void failures(StringBuilder page, Summary summary) {
        List<Verdict> failed = summary.verdicts().stream()
                .filter(verdict -> verdict.result() == Verdict.Result.FAILED)
                .toList();
        page.append("<h2>").append(failed.isEmpty() ? "No oracle failed" : "Failures").append("</h2>\n");
        for (Verdict verdict : failed) {
            page.append("<p><span class=\"bad\">%s</span> %s: %s<br>%s<br><code>%s</code></p>%n".formatted(
                    escaped(verdict.oracle().orElse("")), escaped(verdict.corpus()), escaped(verdict.subject().title()),
                    escaped(verdict.why()), escaped(repeat.apply(verdict))));
        }
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}
