package dev.deftchisel.repair.syntax.token;

import dev.deftchisel.repair.Spelling;
import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Words and signs of other languages, signs that are turned round or torn apart, and keywords that are mixed up. */
public final class WordCandidates implements CandidateSource {

    private static final Map<String, String> WORDS = Map.ofEntries(Map.entry("and", "&&"), Map.entry("or", "||"),
            Map.entry("not", "!"),
            Map.entry("in", ":"), Map.entry("of", ":"), Map.entry("elseif", "else if"), Map.entry("elsif", "else if"),
            Map.entry("elif", "else if"),
            Map.entry("foreach", "for"), Map.entry("const", "final"), Map.entry("throws", "throw"),
            Map.entry("throw", "throws"),
            Map.entry("except", "catch"), Map.entry("mod", "%"), Map.entry("function", ""),
            Map.entry("def", ""), Map.entry("then", ""), Map.entry("let", "var"), Map.entry("is", "=="),
            Map.entry("fun", ""),
            Map.entry("until", "while"), Map.entry("otherwise", "else"), Map.entry("xor", "^"), Map.entry("div", "/"));
    private static final Map<String, List<String>> SIGNS = Map.of("= >", List.of(">=", "->"), "< >", List.of("!="),
            "= <", List.of("<="),
            "+ =", List.of("+="), "- =", List.of("-="), "* =", List.of("*="), "! =", List.of("!="), "= !",
            List.of("!="),
            "- >", List.of("->"), ": =", List.of("="));
    /** Keywords that are written with a capital by mistake. */
    private static final Set<String> KEYWORDS = Set.of("class", "interface", "enum", "public", "private", "protected",
            "static", "final", "void", "if", "else",
            "for", "while", "do", "switch", "case", "return", "new", "try", "catch", "finally", "throw", "throws",
            "import", "package", "extends", "implements",
            "int", "char", "this", "super", "break", "continue", "default");
    private static final int NEAR = 9;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        for (int token : text.near(NEAR)) {
            word(text, token, found);
            signs(text, token, found);
            elseWithCondition(text, token, found);
            runTogether(text, token, found);
            doubledSigns(text, token, found);
        }
        return found;
    }

    private static void word(BrokenText text, int token, List<Candidate> found) {
        String instead = WORDS.get(text.text(token));
        String lower = text.text(token).toLowerCase(Locale.ROOT);
        if (instead == null && KEYWORDS.contains(lower) && !lower.equals(text.text(token))) {
            found.add(Candidate.replace("write '" + lower + "'", 1, text.range(token), lower));
            return;
        }
        if (instead == null && text.isKind(token, TokenKind.IDENTIFIER) && lower.length() > 2) {
            KEYWORDS.stream().filter(keyword -> keyword.length() > 2 && Spelling.slips(lower, keyword) == 1).sorted()
                    .forEach(keyword -> found.add(Candidate.replace("write '" + keyword + "'", 2, text.range(token),
                            keyword)));
        }
        if (instead == null) {
            return;
        }
        Range range = text.range(token);
        boolean isGone = instead.isEmpty();
        boolean isPrefix = instead.equals("!");
        int next = text.step(token, 1);
        int end = (isGone || isPrefix) && next >= 0 ? text.tokens().start(next) : range.end();
        found.add(Candidate.replace(isGone ? "remove '" + text.text(token) + "'" : "write '" + instead + "'", 0,
                new Range(range.start(), end), instead));
    }

    /** Two signs that are one, or one whose halves changed places. */
    private static void signs(BrokenText text, int token, List<Candidate> found) {
        int next = text.step(token, 1);
        if (next < 0) {
            return;
        }
        String both = text.text(token) + " " + text.text(next);
        SIGNS.getOrDefault(both, List.of()).forEach(sign -> found.add(Candidate.replace("write '" + sign + "'", 0,
                new Range(text.tokens().start(token), text.tokens().end(next)), sign)));
        // three that are one: '= ==', as from another language
        int third = text.step(next, 1);
        if (text.is(token, "==") && text.is(next, "=") || text.is(token, "!=") && text.is(next, "=")) {
            found.add(Candidate.replace("write '" + text.text(token) + "'", 0,
                    new Range(text.tokens().start(token), text.tokens().end(next)),
                    text.text(token)));
        } else if (text.is(token, "?") && text.is(next, ".") && third >= 0) {
            found.add(Candidate.replace("write '.'", 2, new Range(text.tokens().start(token), text.tokens().end(next)),
                    "."));
        }
    }

    private static void doubledSigns(BrokenText text, int token, List<Candidate> found) {
        if (text.isKind(token, TokenKind.UNKNOWN) || text.is(token, "=")
                && text.isKind(text.step(token, 1), TokenKind.UNKNOWN)) {
            found.add(Candidate.replace("remove '" + text.text(token) + "'", 5, text.range(token), ""));
        }
    }

    /** {@code publicstatic}, {@code return2}: a blank is missing after a keyword. */
    private static void runTogether(BrokenText text, int token, List<Candidate> found) {
        String word = text.text(token);
        if (!text.isKind(token, TokenKind.IDENTIFIER)) {
            return;
        }
        KEYWORDS.stream().filter(keyword -> word.startsWith(keyword) && word.length() > keyword.length()).sorted()
                .forEach(keyword -> {
            boolean isFollowed = KEYWORDS.contains(word.substring(keyword.length()));
            boolean isBeforeValue = Set.of("return", "new", "throw", "case").contains(keyword)
                    && !text.is(text.step(token, 1), "(");
            if (isFollowed || isBeforeValue) {
                found.add(Candidate.insert("write '" + keyword + "' apart", isFollowed ? 0 : 1, text.tokens()
                        .start(token) + keyword.length(), " "));
            }
        });
    }

    /** {@code else (n < 0) {}. */
    private static void elseWithCondition(BrokenText text, int token, List<Candidate> found) {
        int next = text.step(token, 1);
        if (text.is(token, "else") && text.is(next, "(")) {
            found.add(Candidate.insert("write 'else if'", 0, text.tokens().end(token), " if"));
        }
    }
}
