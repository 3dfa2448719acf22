package dev.deftchisel.repair.syntax.token;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers that are written as on paper, or as in other languages (JLS 3.10.1, 3.10.2). */
public final class NumberCandidates implements CandidateSource {

    private static final Pattern OCTAL = Pattern.compile("(?<![\\w.])0+(?=\\d*[89])\\d*");
    private static final Pattern HEXADECIMAL =
            Pattern.compile("(?<![\\w.])0(?=\\d*[A-Fa-f])(?![bBlLdDfF]\\b)[\\dA-Fa-f]+\\b");
    private static final Pattern UNDERSCORE = Pattern.compile("(?<![\\w.])\\d[\\d_]*_(?![\\d_])");
    private static final Pattern DECIMAL = Pattern.compile("(?<![\\w.,])\\d+,\\d+(?![\\w.,])");
    private static final Pattern THOUSANDS = Pattern.compile("(?<![\\w.,])\\d{1,3}(,\\d{3})+(?![\\w,])");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        each(text, OCTAL, number -> number.replaceFirst("^0+(?=\\d)", ""), 0, found);
        each(text, HEXADECIMAL, number -> "0x" + number.substring(1), 0, found);
        each(text, UNDERSCORE, number -> number.replaceFirst("_+$", ""), 0, found);
        boolean isFraction = text.lineText(text.lineOf(text.at()))
                .matches(".*\\b(double|float|Double|Float|BigDecimal)\\b.*");
        each(text, DECIMAL, number -> number.replace(',', '.'), isFraction ? -1 : 5, found);
        each(text, THOUSANDS, number -> number.replace(",", ""), isFraction ? 0 : -1, found);
        return found;
    }

    private static void each(BrokenText text, Pattern pattern, UnaryOperator<String> meant, int cost,
            List<Candidate> found) {
        int line = text.lineOf(text.at());
        int start = text.line(line).start();
        Matcher number = pattern.matcher(text.lineText(line));
        while (number.find()) {
            String written = meant.apply(number.group());
            found.add(Candidate.replace("write " + written, cost,
                    new Range(start + number.start(), start + number.end()), written));
        }
    }
}
