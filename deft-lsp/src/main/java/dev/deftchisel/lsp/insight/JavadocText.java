package dev.deftchisel.lsp.insight;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Documentation comments as Markdown: the inline tags and the few elements of HTML that most of them use. */
final class JavadocText {

    private static final Pattern CODE = Pattern.compile("\\{@(?:code|literal)\\s+([^{}]*)\\}");
    private static final Pattern LINK = Pattern.compile("\\{@link(?:plain)?\\s+([^\\s{}]+)(?:\\s+([^{}]*))?\\}");
    private static final Pattern OTHER_TAG = Pattern.compile("\\{@\\w+\\s*([^{}]*)\\}");

    private JavadocText() {
    }

    /** @param comment with its stars */
    static String markdown(String comment) {
        List<String> lines = new ArrayList<>();
        String inside = comment.replaceFirst("^/\\*\\*", "").replaceFirst("\\*/$", "");
        for (String line : inside.split("\\R")) {
            lines.add(line.replaceFirst("^\\s*\\*? ?", "").stripTrailing());
        }
        String text = String.join("\n", lines).strip();
        text = CODE.matcher(text).replaceAll("`$1`");
        text = LINK.matcher(text).replaceAll(found -> Matcher.quoteReplacement("`" + (found.group(2) == null
                ? found.group(1).replaceFirst("^#", "").replace('#', '.') : found.group(2)) + "`"));
        text = OTHER_TAG.matcher(text).replaceAll("$1");
        return text.replaceAll("</?pre>", "\n```\n").replaceAll("<p>\\s*", "\n\n").replaceAll("<li>\\s*", "\n- ")
                .replaceAll("</?(?:ul|ol|li|p)>", "").replaceAll("</?(?:b|strong)>", "**")
                .replaceAll("</?(?:i|em)>", "*")
                .replaceAll("</?code>", "`").replace("&lt;", "<").replace("&gt;", ">").replace("&amp;", "&")
                .replaceAll("(?m)^@param\\s+(\\S+)\\s*", "\n- `$1`: ").replaceAll("(?m)^@return\\s*", "\n- result: ")
                .replaceAll("(?m)^@(?:throws|exception)\\s+(\\S+)\\s*", "\n- throws `$1`: ")
                .replaceAll("(?m)^@(\\w+)\\s*", "\n- $1: ")
                .replaceAll("\n{3,}", "\n\n").strip();
    }
}
