package dev.deftchisel.repair.syntax.structure;

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

/**
 * The heads of declarations in another order than Java's (JLS 8.3, 8.4), and with modifiers and types of other
 * languages.
 */
public final class DeclarationCandidates implements CandidateSource {

    private static final Set<String> MODIFIERS = Set.of("public", "protected", "private", "static", "final", "abstract",
            "synchronized", "default");
    /** Modifiers of other languages, and what they are here. */
    private static final Map<String, String> FOREIGN = Map.of("readonly", "final", "internal", "", "virtual", "",
            "override", "", "open", "", "inline", "",
            "unsigned", "", "mutable", "", "async", "", "val", "final var");
    private static final int NEAR = 9;

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        for (int token : text.near(NEAR)) {
            modifiers(text, token, found);
            typeParameters(text, token, found);
            foreign(text, token, found);
            typeBehind(text, token, found);
            alternatives(text, token, found);
            exceptions(text, token, found);
        }
        return found;
    }

    /** {@code void static main(}: the modifier goes before the type. */
    private static void modifiers(BrokenText text, int token, List<Candidate> found) {
        int type = text.step(token, -1);
        boolean isType = text.isPrimitive(type) || text.isKind(type, TokenKind.IDENTIFIER);
        int last = token;
        while (MODIFIERS.contains(text.text(text.step(last, 1)))) {
            last = text.step(last, 1);
        }
        if (isType && MODIFIERS.contains(text.text(token)) && text.isKind(text.step(last, 1), TokenKind.IDENTIFIER)) {
            Range words = new Range(text.tokens().start(token), text.tokens().end(last));
            found.add(Candidate.insert("write '" + text.text(words) + "' before the type", 0, text.tokens().start(type),
                    text.text(words) + " ")
                    .and(new Range(text.tokens().end(type), words.end()), ""));
        }
    }

    /** {@code static T first<T>(List<T> all)}: the type parameters go before the type. */
    private static void typeParameters(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        int type = text.step(name, -1);
        if (!text.is(token, "<") || !text.isKind(name, TokenKind.IDENTIFIER)
                || !text.isKind(type, TokenKind.IDENTIFIER) && !text.isPrimitive(type) && !text.is(type, ">")
                && !text.is(type, "]")) {
            return;
        }
        int close = token;
        while (close >= 0 && !text.is(close, ">") && !text.is(close, "(")) {
            close = text.step(close, 1);
        }
        int start = type;
        while (start >= 0 && (text.is(start, ">") || text.is(start, "]") || text.is(text.step(start, -1), "<")
                || text.is(text.step(start, -1), ","))) {
            start = text.step(start, -1);
        }
        while (start >= 0 && (text.is(start, "<") || text.is(start, "["))) {
            start = text.step(start, -1);
        }
        if (text.is(close, ">") && text.is(text.step(close, 1), "(") && start >= 0) {
            Range parameters = new Range(text.tokens().start(token), text.tokens().end(close));
            found.add(Candidate.insert("write '" + text.text(parameters) + "' before the type", 0, text.tokens()
                    .start(start),
                    text.text(parameters) + " ").and(parameters, ""));
        }
    }

    private static void foreign(BrokenText text, int token, List<Candidate> found) {
        String instead = FOREIGN.get(text.text(token).toLowerCase(Locale.ROOT));
        int next = text.step(token, 1);
        if (instead != null && next >= 0) {
            found.add(Candidate.replace(instead.isEmpty() ? "remove '" + text.text(token) + "'"
                    : "write '" + instead + "'", 1,
                    new Range(text.tokens().start(token), text.tokens().start(next)), instead.isEmpty() ? ""
                    : instead + " "));
        }
    }

    /** {@code depth: int = 4}: the type goes before the name. */
    private static void typeBehind(BrokenText text, int token, List<Candidate> found) {
        int name = text.step(token, -1);
        int type = text.step(token, 1);
        int before = text.step(name, -1);
        boolean isType = text.isPrimitive(type) || text.isKind(type, TokenKind.IDENTIFIER)
                && Character.isUpperCase(text.text(type).charAt(0));
        if (!text.is(token, ":") || !text.isKind(name, TokenKind.IDENTIFIER) || !isType) {
            return;
        }
        int last = type;
        if (text.is(text.step(last, 1), "<")) {
            while (last >= 0 && !text.is(last, ">")) {
                last = text.step(last, 1);
            }
        }
        if (last >= 0) {
            boolean isVar = text.is(before, "var") || text.is(before, "let") || text.is(before, "val");
            Range all = new Range(text.tokens().start(isVar ? before : name), text.tokens().end(last));
            found.add(Candidate.replace("write the type before the name", 0, all,
                    text.text(new Range(text.tokens().start(type), text.tokens().end(last))) + " " + text.text(name)));
        }
    }

    /** {@code catch (IOException, SQLException e)}. */
    private static void alternatives(BrokenText text, int token, List<Candidate> found) {
        int open = text.step(token, 1);
        int close = text.is(token, "catch") && text.is(open, "(") ? text.closing(open) : -1;
        List<Candidate.Replacement> edits = new ArrayList<>();
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            if (text.is(i, ",") || text.is(i, "||")) {
                edits.add(new Candidate.Replacement(new Range(text.tokens().end(text.step(i, -1)), text.tokens()
                        .end(i)), " |"));
            }
        }
        if (!edits.isEmpty()) {
            found.add(new Candidate("write '|' between the exceptions", 0, edits));
        }
    }

    /** {@code throws new IOException()} in the head of a method, where only the type stands. */
    private static void exceptions(BrokenText text, int token, List<Candidate> found) {
        int made = text.step(token, 1);
        int name = text.step(made, 1);
        if (!text.is(token, "throws") || !text.is(made, "new") || name < 0) {
            return;
        }
        int open = text.step(name, 1);
        int close = text.is(open, "(") ? text.closing(open) : -1;
        Candidate without = Candidate.replace("name the type of the exception alone", 0,
                new Range(text.tokens().start(made), text.tokens().start(name)), "");
        found.add(close > 0 ? without.and(new Range(text.tokens().start(open), text.tokens().end(close)), "")
                : without);
    }
}
