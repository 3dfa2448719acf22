package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lines that import in the way of other languages (JLS 7.5). */
public final class ImportCandidates implements CandidateSource {

    private static final Pattern SEVERAL = Pattern.compile("^import\\s+([\\w.]+(\\s*,\\s*[\\w.]+)+)\\s*;");
    private static final Pattern QUOTED = Pattern.compile("^import\\s+[\"'<]([\\w./]+)[\"'>]\\s*;?");
    private static final Pattern OTHER_WORD =
            Pattern.compile("^(using|use|require|include|imports|Import)\\s+([\\w.]+(\\.\\*)?)\\s*;?");
    private static final Pattern FROM = Pattern.compile("^from\\s+([\\w.]+)\\s+import\\s+(\\w+|\\*)\\s*;?");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        int line = text.lineOf(text.at());
        line(text, line, SEVERAL, "import each by itself", match -> "import " + match.group(1)
                .replaceAll("\\s*,\\s*", ";" + text.lineEnd() + "import ") + ";", found);
        line(text, line, QUOTED, "import it without marks", match -> "import " + match.group(1).replace('/', '.') + ";",
                found);
        line(text, line, OTHER_WORD, "write 'import'", match -> "import " + match.group(2) + ";", found);
        line(text, line, FROM, "write 'import' in front", match -> "import " + match.group(1) + "." + match.group(2)
                + ";", found);
        return found;
    }

    /** What an import is in place of a line. */
    private interface Writer {

        String write(Matcher match);
    }

    private static void line(BrokenText text, int line, Pattern pattern, String title, Writer writer,
            List<Candidate> found) {
        Matcher match = pattern.matcher(text.lineText(line));
        if (match.find()) {
            int start = text.line(line).start();
            found.add(Candidate.replace(title, -1, new Range(start, start + match.end()), writer.write(match)));
        }
    }
}
