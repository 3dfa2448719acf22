package dev.deftchisel.header;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Reads a typed header (JLS 8.4, 8.8): as in Java, but that modifiers, the type of the result and {@code throws} may be
 * left out, and that a parameter may be followed by {@code =} and what calls pass for it. The header of a record (JLS
 * 8.10) reads alike.
 */
public final class HeaderReader {

    private static final Set<String> MODIFIERS = Set.of("public", "protected", "private", "static", "final", "abstract",
            "synchronized", "native", "strictfp", "default");
    private static final Map<String, String> CLOSING = Map.of("(", ")", "[", "]", "{", "}", "<", ">");

    private final String text;
    private final Tokens tokens;
    private int at;

    private HeaderReader(String text) {
        this.text = text;
        this.tokens = Tokens.of(text);
        this.at = tokens.code(0);
    }

    /**
     * What was read.
     *
     * @param header    empty when it cannot be read
     * @param objection what is wrong with it and where; empty when nothing is
     */
    public record Result(Optional<TypedHeader> header, String objection) {
    }

    /** Something that cannot be read; it stays within this class. */
    private static final class Unreadable extends Exception {

        private static final long serialVersionUID = 1;

        Unreadable(String sentence) {
            super(sentence, null, false, false);
        }
    }

    /** Reads a header; the semicolon or brace after it is no harm. */
    public static Result read(String text) {
        try {
            return new Result(Optional.of(new HeaderReader(text).header()), "");
        } catch (Unreadable wrong) {
            return new Result(Optional.empty(), wrong.getMessage());
        }
    }

    /** A sentence with the place in the header that it is about. */
    public static String at(int offset, String sentence) {
        return "in the header, column " + (offset + 1) + ": " + sentence;
    }

    private Unreadable wrong(int token, String sentence) {
        return new Unreadable(at(token < tokens.count() ? tokens.start(token) : text.length(), sentence));
    }

    private TypedHeader header() throws Unreadable {
        Range modifiers = modifiers(MODIFIERS);
        Optional<Range> typeParameters = typeParameters();
        int type = at;
        int last = -1;
        int name = -1;
        while (at < tokens.count() && !is("(")) {
            name = last;
            last = at;
            step();
        }
        // the type parameters of a record stand after its name
        boolean isGeneric = typeParameters.isEmpty() && last > 0 && tokens.is(last, "<");
        if (isGeneric) {
            typeParameters = Optional.of(new Range(tokens.start(last), tokens.end(tokens.codeBefore(at - 1))));
        } else {
            name = last;
        }
        if (at >= tokens.count() || name < type || tokens.kind(name) != TokenKind.IDENTIFIER) {
            throw wrong(at, "a name and its parameters in parentheses are expected, such as 'int due(int days)'");
        }
        boolean isRecord = name > type && tokens.is(type, "record") && tokens.code(type + 1) == name;
        Optional<Range> result = name == type || isRecord ? Optional.empty()
                : Optional.of(new Range(tokens.start(type), tokens.end(tokens.codeBefore(name - 1))));
        List<TypedHeader.TypedParameter> all = parameters();
        Optional<TypedHeader.TypedParameter> object = all.stream().filter(this::isObject).findFirst();
        List<TypedHeader.TypedParameter> parameters = all.stream().filter(one -> !isObject(one)).toList();
        Optional<Range> thrown = rest("throws");
        Optional<Range> defaultValue = rest("default");
        if (at < tokens.count() && !is(";") && !is("{")) {
            throw wrong(at, "this does not belong to a header");
        }
        return new TypedHeader(text, new TypedHeader.Head(modifiers, typeParameters, result), tokens.range(name),
                parameters, thrown, defaultValue, object);
    }

    private boolean isObject(TypedHeader.TypedParameter parameter) {
        return text.startsWith("this", parameter.name().start()) && parameter.name().length() == "this".length();
    }

    private Optional<Range> typeParameters() throws Unreadable {
        if (!is("<")) {
            return Optional.empty();
        }
        int start = at;
        step();
        return Optional.of(new Range(tokens.start(start), tokens.end(tokens.codeBefore(at - 1))));
    }

    private boolean is(String expected) {
        return at < tokens.count() && tokens.is(at, expected);
    }

    private void next() {
        at = tokens.code(at + 1);
    }

    /** Over one token, or all that stands in brackets. */
    private void step() throws Unreadable {
        if (!CLOSING.containsKey(tokens.text(at))) {
            next();
            return;
        }
        int open = at;
        Deque<String> closing = new ArrayDeque<>();
        do {
            if (at >= tokens.count()) {
                throw wrong(open, "'" + tokens.text(open) + "' is not closed");
            }
            String token = tokens.text(at);
            if (CLOSING.containsKey(token)) {
                closing.push(CLOSING.get(token));
            } else if (token.equals(closing.peek())) {
                closing.pop();
            }
            next();
        } while (!closing.isEmpty());
    }

    private Range modifiers(Set<String> words) throws Unreadable {
        int start = at;
        int end = -1;
        while (at < tokens.count() && (words.contains(tokens.text(at)) || is("@"))) {
            boolean isAnnotation = is("@");
            end = at;
            next();
            if (isAnnotation) {
                end = at;
                next();
                while (is(".")) {
                    next();
                    end = at;
                    next();
                }
                if (is("(")) {
                    step();
                    end = tokens.codeBefore(at - 1);
                }
            }
        }
        int from = start < tokens.count() ? tokens.start(start) : text.length();
        return new Range(from, end < 0 ? from : tokens.end(end));
    }

    private List<TypedHeader.TypedParameter> parameters() throws Unreadable {
        int open = at;
        next();
        List<TypedHeader.TypedParameter> found = new ArrayList<>();
        Set<String> names = new HashSet<>();
        while (!is(")")) {
            TypedHeader.TypedParameter parameter = parameter(open);
            found.add(parameter);
            String name = text.substring(parameter.name().start(), parameter.name().end());
            if (!names.add(name)) {
                throw new Unreadable(at(parameter.name().start(), "two parameters are called '" + name + "'"));
            }
            if (is(",")) {
                next();
                if (is(")")) {
                    throw wrong(at, "a parameter is expected after ','");
                }
            }
        }
        next();
        return found;
    }

    private TypedHeader.TypedParameter parameter(int open) throws Unreadable {
        Range modifiers = modifiers(Set.of("final"));
        int type = at;
        int name = -1;
        while (at < tokens.count() && !is(",") && !is(")") && !is("=")) {
            name = at;
            step();
        }
        if (at >= tokens.count()) {
            throw wrong(open, "'(' is not closed");
        } else if (name <= type || tokens.kind(name) != TokenKind.IDENTIFIER && !tokens.is(name, "this")) {
            throw wrong(type, "a parameter is a type and a name, such as 'int days'");
        }
        Range typed = new Range(tokens.start(type), tokens.end(tokens.codeBefore(name - 1)));
        return new TypedHeader.TypedParameter(modifiers, typed, tokens.range(name), value());
    }

    private Optional<Range> value() throws Unreadable {
        if (!is("=")) {
            return Optional.empty();
        }
        next();
        int start = at;
        while (at < tokens.count() && !is(",") && !is(")")) {
            if (is("<") && !opensTypeArguments()) {
                next();
            } else {
                step();
            }
        }
        if (at == start) {
            throw wrong(at, "what calls pass is expected after '='");
        }
        return Optional.of(new Range(tokens.start(start), tokens.end(tokens.codeBefore(at - 1))));
    }

    /** After a name in capitals or a dot there are type arguments; anything else is compared. */
    private boolean opensTypeArguments() {
        int before = tokens.codeBefore(at - 1);
        return before >= 0 && (tokens.is(before, ".") || Character.isUpperCase(tokens.text(before).charAt(0)));
    }

    /** What stands behind a word up to the end of the header; a default may be a list in braces. */
    private Optional<Range> rest(String word) throws Unreadable {
        if (!is(word)) {
            return Optional.empty();
        }
        next();
        int start = at;
        while (at < tokens.count() && !is(";") && (at == start && word.equals("default") || !is("{"))) {
            step();
        }
        return Optional.of(start == at ? new Range(text.length(), text.length())
                : new Range(tokens.start(start), tokens.end(tokens.codeBefore(at - 1))));
    }
}
