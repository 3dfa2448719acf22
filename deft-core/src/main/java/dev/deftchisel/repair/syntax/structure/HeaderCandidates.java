package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** What stands between a keyword or a name and its body: conditions, loop headers, parameters, results, exceptions. */
public final class HeaderCandidates implements CandidateSource {

    private static final Set<String> WITH_PARENTHESES = Set.of("if", "while", "for", "switch", "catch", "synchronized");
    /** What a parameter is most likely, in this order, where nothing else tells. */
    private static final List<String> TYPES = List.of("int", "String", "double", "boolean", "long", "Object");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        int line = text.lineOf(text.at());
        int start = text.step(text.next(), 2) < 0 ? text.last() : text.step(text.next(), 2);
        while (text.step(start, 1) >= 0 && text.lineOf(text.tokens().start(text.step(start, 1))) == line
                && !text.is(start, "->")) {
            start = text.step(start, 1);
        }
        for (int token = start; token >= 0 && text.lineOf(text.tokens().start(token)) >= line
                - 1; token = text.step(token, -1)) {
            if (WITH_PARENTHESES.contains(text.text(token))) {
                parentheses(text, token, found);
            }
            if (text.is(token, "for") && text.is(text.step(token, 1), "(")) {
                semicolons(text, token, found);
            }
            if (text.is(token, "catch") && text.is(text.step(token, 1), "(")) {
                name(text, token, found);
            }
            if (text.is(token, "->")) {
                lambdaParameters(text, token, found);
            }
        }
        parameterType(text, found);
        parameterTypes(text, found);
        defaultValue(text, found);
        name(text, found);
        supertypes(text, found);
        finallyFirst(text, found);
        variableArity(text, found);
        conditionalStatement(text, found);
        typedArguments(text, found);
        return found;
    }

    /** {@code if depth > 3 {}. */
    private static void parentheses(BrokenText text, int keyword, List<Candidate> found) {
        int first = text.step(keyword, 1);
        int end = text.is(first, "(") ? text.closing(first) : -1;
        // (a) && (b), where only the parts have parentheses
        boolean isOfParts = end > 0 && (text.is(text.step(end, 1), "&&") || text.is(text.step(end, 1), "||"));
        if (first < 0 || text.is(first, "(") && !isOfParts) {
            return;
        }
        int line = text.lineOf(text.tokens().start(keyword));
        int open = first;
        while (open >= 0 && !text.is(open, "{") && !(text.is(open, ";") && !text.is(keyword, "for"))
                && text.lineOf(text.tokens().start(open)) == line) {
            open = text.step(open, 1);
        }
        int last = open < 0 ? -1 : text.step(open, -1);
        if (last > keyword) {
            found.add(Candidate.insert("put it in parentheses", 0, text.tokens().start(first), "(")
                    .and(new Range(text.tokens().end(last), text.tokens().end(last)), ")"));
        }
    }

    /** {@code for (int i = 0, i < 2, i++)}. */
    private static void semicolons(BrokenText text, int keyword, List<Candidate> found) {
        int open = text.step(keyword, 1);
        int close = text.closing(open);
        List<Candidate.Replacement> edits = new ArrayList<>();
        int depth = 0;
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            depth += text.is(i, "(") ? 1 : text.is(i, ")") ? -1 : 0;
            if (depth == 1 && text.is(i, ",")) {
                edits.add(new Candidate.Replacement(text.range(i), ";"));
            }
        }
        int semicolons = 0;
        for (int i = open; i >= 0 && i < close; i = text.step(i, 1)) {
            semicolons += text.is(i, ";") ? 1 : 0;
        }
        if (semicolons == 1 && text.isKind(text.step(open, 2), TokenKind.IDENTIFIER)) {
            String name = text.text(text.step(open, 2));
            found.add(Candidate.insert("count '" + name + "' up", 0, text.tokens().start(close), "; " + name + "++"));
        }
        if (!edits.isEmpty()) {
            found.add(new Candidate("write ';' between the parts of the header", 1, edits));
        }
    }

    /** {@code catch (IOException)}. */
    private static void name(BrokenText text, int keyword, List<Candidate> found) {
        int close = text.closing(text.step(keyword, 1));
        int last = close < 0 ? -1 : text.step(close, -1);
        int before = text.step(last, -1);
        if (text.isKind(last, TokenKind.IDENTIFIER) && !text.isKind(before, TokenKind.IDENTIFIER)) {
            found.add(Candidate.insert("call it 'e'", 0, text.tokens().end(last), " e"));
        }
    }

    /** {@code a, b -> a + b}. */
    private static void lambdaParameters(BrokenText text, int arrow, List<Candidate> found) {
        int last = text.step(arrow, -1);
        int first = last;
        int count = 1;
        while (text.isKind(first, TokenKind.IDENTIFIER) && text.is(text.step(first, -1), ",")
                && text.isKind(text.step(first, -2), TokenKind.IDENTIFIER)) {
            first = text.step(first, -2);
            count++;
        }
        if (count == 1) {
            // with their types
            int name = last;
            while (text.isKind(name, TokenKind.IDENTIFIER) && isType(text, text.step(name, -1))
                    && text.is(text.step(name, -2), ",")) {
                name = text.step(name, -3);
                count++;
            }
            first = count > 1 && isType(text, text.step(name, -1)) ? text.step(name, -1) : first;
        }
        if (count > 1) {
            found.add(Candidate.insert("put the parameters in parentheses", 0, text.tokens().start(first), "(")
                    .and(new Range(text.tokens().end(last), text.tokens().end(last)), ")"));
        }
    }

    private static boolean isType(BrokenText text, int token) {
        return text.isKind(token, TokenKind.IDENTIFIER) || Set.of("int", "long", "double", "boolean", "char")
                .contains(text.text(token));
    }

    /** {@code record Slot(from, to)}, {@code due(days, rate)}: no parameter has a type. */
    private static void parameterTypes(BrokenText text, List<Candidate> found) {
        int open = text.last();
        while (open >= 0 && !text.is(open, "(") && (text.isKind(open, TokenKind.IDENTIFIER) || text.is(open, ","))) {
            open = text.step(open, -1);
        }
        int close = text.is(open, "(") ? text.closing(open) : -1;
        List<Integer> names = new ArrayList<>();
        for (int i = text.step(open, 1); i >= 0 && i < close; i = text.step(i, 1)) {
            boolean isName = text.isKind(i, TokenKind.IDENTIFIER)
                    && (text.is(text.step(i, 1), ",") || text.is(text.step(i, 1), ")"));
            if (!isName && !text.is(i, ",")) {
                return;
            }
            if (isName) {
                names.add(i);
            }
        }
        for (int i = 0; names.size() > 1 && i < TYPES.size(); i++) {
            Candidate typed = new Candidate("let all be of the type " + TYPES.get(i), 2 + i, List.of());
            for (int name : names) {
                typed = typed.and(new Range(text.tokens().start(name), text.tokens().start(name)), TYPES.get(i) + " ");
            }
            found.add(typed);
        }
    }

    /** {@code twice(n)}, where a type was left out. */
    private static void parameterType(BrokenText text, List<Candidate> found) {
        int last = text.last();
        int before = text.step(last, -1);
        boolean isParameter = text.isKind(last, TokenKind.IDENTIFIER) && (text.is(before, "(") || text.is(before, ","))
                && (text.is(text.next(), ")") || text.is(text.next(), ","));
        for (int i = 0; isParameter && i < TYPES.size(); i++) {
            found.add(Candidate.insert("let '" + text.text(last) + "' be of the type " + TYPES.get(i), 2 + i,
                    text.tokens().start(last), TYPES.get(i) + " "));
        }
    }

    /** {@code int factor = 2} among parameters. */
    private static void defaultValue(BrokenText text, List<Candidate> found) {
        for (int token : new int[] {text.last(), text.next()}) {
            int value = text.step(token, 1);
            int end = text.step(value, 1);
            if (text.is(token, "=") && (text.is(end, ")") || text.is(end, ","))
                    && text.isKind(text.step(token, -1), TokenKind.IDENTIFIER)) {
                found.add(Candidate.replace("remove the value, which a parameter cannot have", 1,
                        new Range(text.tokens().end(text.step(token, -1)), text.tokens().end(value)), ""));
            }
        }
    }

    /** A declaration whose name was left out. */
    private static void name(BrokenText text, List<Candidate> found) {
        int last = text.last();
        boolean isAsked = text.error().message().contains("<identifier>");
        if (isAsked && (text.isKind(last, TokenKind.IDENTIFIER) || text.is(last, "]") || text.is(last, ">")
                || Set.of("int", "long", "double", "boolean", "char", "float", "short", "byte")
                .contains(text.text(last)))) {
            String type = text.text(last);
            String name = type.length() > 1 && Character.isUpperCase(type.charAt(0))
                    ? type.substring(0, 1).toLowerCase(Locale.ROOT) + type.substring(1) : "value";
            found.add(Candidate.insert("call it '" + name + "'", 6, text.tokens().end(last), " " + name));
        }
    }

    /** {@code class Tug extends Vessel, Lit}. */
    private static void supertypes(BrokenText text, List<Candidate> found) {
        for (int token : new int[] {text.last(), text.next(), text.step(text.last(), -1)}) {
            if (text.is(token, "extends") && text.step(token, 1) >= 0 && text.lineText(text.lineOf(text.at()))
                    .matches("\\s*((public|private|static|final) )*record .*")) {
                found.add(Candidate.replace("extend nothing", 1,
                        new Range(text.tokens().end(text.step(token, -1)), text.tokens().end(text.step(token, 1))),
                        ""));
            }
            int line = token < 0 ? -1 : text.lineOf(text.tokens().start(token));
            if (text.is(token, ",") && text.lineText(line).contains(" extends ")) {
                found.add(Candidate.replace("write 'implements' instead of ','", 1, text.range(token), " implements"));
            }
        }
    }

    /** {@code int... all} that is not the last parameter. */
    private static void variableArity(BrokenText text, List<Candidate> found) {
        for (int token = text.last(); token >= 0 && token > text.last() - 8; token = text.step(token, -1)) {
            int name = text.step(token, 1);
            int next = text.step(name, 2);
            if (text.is(token, "...") && text.is(text.step(name, 1), ",") && next >= 0) {
                int end = next;
                while (text.step(end, 1) >= 0 && !text.is(text.step(end, 1), ",") && !text.is(text.step(end, 1), ")")) {
                    end = text.step(end, 1);
                }
                Range own = new Range(text.tokens().start(text.step(token, -1)), text.tokens().end(name));
                Range other = new Range(text.tokens().start(next), text.tokens().end(end));
                found.add(Candidate.replace("put it last", 0, own, text.text(other)).and(other, text.text(own)));
            }
        }
        for (int token = text.last(); token >= 0 && token > text.last() - 8; token = text.step(token, -1)) {
            if (text.is(token, "...")) {
                found.add(Candidate.replace("write '[]'", 0, text.range(token), "[]"));
            }
        }
    }

    /** A handler after the {@code finally}. */
    private static void finallyFirst(BrokenText text, List<Candidate> found) {
        int token = text.next();
        if (!text.is(token, "catch")) {
            return;
        }
        int before = text.step(token, -1);
        int open = before;
        for (int depth = 0; open >= 0; open = text.step(open, -1)) {
            depth += text.is(open, "}") ? 1 : text.is(open, "{") ? -1 : 0;
            if (depth == 0) {
                break;
            }
        }
        int keyword = open < 0 ? -1 : text.step(open, -1);
        int block = token;
        int end = -1;
        while (text.is(block, "catch")) {
            int body = text.step(text.closing(text.step(block, 1)), 1);
            end = text.is(body, "{") ? text.closing(body) : -1;
            block = end < 0 ? -1 : text.step(end, 1);
        }
        if (text.is(keyword, "finally") && end > 0) {
            String handlers = text.content().substring(text.tokens().start(token), text.tokens().end(end));
            int home = text.tokens().start(keyword);
            found.add(Candidate.insert("put 'finally' last", 0, home, handlers + " ")
                    .and(new Range(text.tokens().end(before), text.tokens().end(end)), ""));
        }
    }

    /** {@code area(int w, int h)} as a call. */
    private static void typedArguments(BrokenText text, List<Candidate> found) {
        if (!text.error().message().contains(".class")) {
            return;
        }
        List<Candidate.Replacement> edits = new ArrayList<>();
        Range line = text.line(text.lineOf(text.at()));
        for (int i = text.tokens().code(text.tokens().at(line.start())); i >= 0 && i < text.tokens().count()
                && text.tokens().start(i) < line.end();
                i = text.tokens().code(i + 1)) {
            int before = text.step(i, -1);
            int next = text.step(i, 1);
            if ((text.is(before, "(") || text.is(before, ",")) && text.isKind(next, TokenKind.IDENTIFIER)
                    && (TYPES.contains(text.text(i))
                    || text.isKind(i, TokenKind.IDENTIFIER))
                    && (text.is(text.step(next, 1), ",") || text.is(text.step(next, 1), ")"))) {
                edits.add(new Candidate.Replacement(new Range(text.tokens().start(i), text.tokens().start(next)), ""));
            }
        }
        if (!edits.isEmpty()) {
            found.add(new Candidate("pass the values alone", 0, edits));
        }
    }

    /** {@code n > 1 ? a() : b();} as a statement. */
    private static void conditionalStatement(BrokenText text, List<Candidate> found) {
        if (!text.id().equals("not.stmt")) {
            return;
        }
        int line = text.lineOf(text.at());
        Range range = text.line(line);
        String own = text.lineText(line);
        int question = own.indexOf('?');
        int colon = own.indexOf(':', question + 1);
        String stripped = own.strip();
        if (question > 0 && colon > question && stripped.endsWith(";")
                && own.indexOf('"') < 0 | own.indexOf('"') > question) {
            String indent = text.indent(range.start() + own.length() - own.stripLeading().length());
            String condition = own.substring(0, question).strip();
            String head = condition.startsWith("(") && condition.endsWith(")") ? condition : "(" + condition + ")";
            found.add(Candidate.replace("write an 'if'", 0, new Range(range.start(), range.start() + own.length()),
                    indent + "if " + head + " {" + text.lineEnd() + indent + text.unit()
                    + own.substring(question + 1, colon).strip() + ";"
                    + text.lineEnd() + indent + "} else {" + text.lineEnd() + indent + text.unit()
                    + own.substring(colon + 1).strip()
                    + text.lineEnd() + indent + "}"));
        }
    }
}
