package dev.deftchisel.gradle.script;

import dev.deftchisel.gradle.script.ScriptTokens.Kind;
import dev.deftchisel.gradle.script.ScriptTokens.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Reads the statements of a build script. Groovy and Kotlin scripts are read alike: words with dots, arguments with
 * parentheses or without, blocks in braces, assignments. What is neither is skipped up to its end, so that the rest is
 * still read.
 */
public final class ScriptParser {

    private static final Set<String> DECLARING = Set.of("val", "var", "def", "final", "const", "private", "internal",
            "lateinit", "static");
    private static final Set<String> CONTROLLING = Set.of("if", "else", "for", "while", "when", "switch", "try",
            "catch", "finally", "fun",
            "class", "object", "interface", "enum", "return", "throw", "assert");
    private static final Set<String> SKIPPED = Set.of("import", "package");
    private static final int DEEPEST = 200;

    private final List<Token> tokens;
    private int at;
    private int depth;

    private ScriptParser(List<Token> tokens) {
        this.tokens = tokens;
    }

    /** All statements of a script; never fails. */
    public static List<Statement> parse(String script) {
        return new ScriptParser(ScriptTokens.of(script)).statements();
    }

    private Token token() {
        return tokens.get(Math.min(at, tokens.size() - 1));
    }

    private Token ahead(int count) {
        return tokens.get(Math.min(at + count, tokens.size() - 1));
    }

    private boolean isEnd() {
        return token().kind() == Kind.END;
    }

    private void skipLineEnds() {
        while (token().kind() == Kind.LINE_END) {
            at++;
        }
    }

    /** Up to the brace that ends the block, or the end of the script. */
    private List<Statement> statements() {
        List<Statement> statements = new ArrayList<>();
        while (!isEnd() && !token().is("}")) {
            if (token().kind() == Kind.LINE_END || token().is(";")) {
                at++;
            } else {
                int before = at;
                statement(statements);
                at = Math.max(at, before + 1);
            }
        }
        return statements;
    }

    private void statement(List<Statement> into) {
        int line = token().line();
        while (token().is("@")) {
            at += 2;
            if (token().is("(")) {
                skipBalanced();
            }
            skipLineEnds();
        }
        boolean isDeclared = false;
        while (token().kind() == Kind.WORD && DECLARING.contains(token().text()) && ahead(1).kind() == Kind.WORD) {
            isDeclared = true;
            at++;
        }
        if (token().is("[")) {
            // a list, of which each element has something done
            into.add(unread(line));
        } else if (token().kind() == Kind.WORD && SKIPPED.contains(token().text())) {
            skipLine();
        } else if (token().kind() == Kind.WORD && CONTROLLING.contains(token().text())) {
            into.add(unread(line));
        } else if (token().kind() == Kind.WORD || token().kind() == Kind.STRING) {
            into.add(named(line, isDeclared));
        } else {
            skipLine();
        }
    }

    /** A condition, a loop or the like: what is in its blocks happens or not. */
    private Statement unread(int line) {
        String word = token().is("[") ? "each" : token().text();
        List<Statement> inside = new ArrayList<>();
        while (!isEnd() && !token().is("}") && token().kind() != Kind.LINE_END) {
            if (token().is("{")) {
                inside.addAll(block());
            } else if (token().is("(") || token().is("[")) {
                skipBalanced();
            } else {
                at++;
            }
        }
        return new Statement(Statement.Kind.UNREAD, word, List.of(), inside, line);
    }

    private Statement named(int line, boolean isDeclared) {
        if (token().kind() == Kind.WORD && ahead(1).kind() == Kind.WORD && ahead(2).is("=")) {
            // String version = ...
            at++;
            isDeclared = true;
        }
        Chain chain = chain();
        if (isDeclared && token().is(":")) {
            while (!isEnd() && !token().is("=") && token().kind() != Kind.LINE_END) {
                at++;
            }
        }
        if (token().is("=") || token().is("+=") || token().kind() == Kind.WORD && token().text().equals("by")) {
            Statement.Kind kind = token().is("+=") ? Statement.Kind.ADD : Statement.Kind.ASSIGN;
            at++;
            skipLineEnds();
            Value value = value();
            List<Statement> block = value instanceof Value.Call call ? call.block() : List.of();
            // what it is a property of: project(":berths").projectDir = ...
            List<Value.Argument> arguments = new ArrayList<>(List.of(new Value.Argument("", value)));
            if (!chain.arguments().isEmpty()) {
                arguments.add(0, new Value.Argument("of", chain.arguments().get(0).value()));
            }
            return new Statement(kind, assigned(chain), arguments, block, line);
        }
        if (chain.arguments().isEmpty() && chain.block().isEmpty() && startsValue()) {
            commandArguments(chain.arguments());
        } else if (!chain.arguments().isEmpty()) {
            infix(chain.arguments());
        }
        if (token().is("{")) {
            chain.block().addAll(block());
        }
        boolean isSet = chain.name().endsWith(".set") && chain.arguments().size() == 1;
        return new Statement(isSet ? Statement.Kind.ASSIGN : Statement.Kind.CALL,
                isSet ? chain.name().substring(0, chain.name().length() - ".set".length()) : chain.name(),
                chain.arguments(), chain.block(), line);
    }

    /** {@code extra["name"]} is read as a call, and is a variable like any other. */
    private static String assigned(Chain chain) {
        boolean isIndexed = chain.name().endsWith(".get") && chain.arguments().size() == 1
                && chain.arguments().get(0).value() instanceof Value.Text;
        return isIndexed
                ? chain.name().substring(0, chain.name().length() - "get".length())
                + ((Value.Text) chain.arguments().get(0).value()).text()
                : chain.name();
    }

    private boolean startsValue() {
        return switch (token().kind()) {
            case STRING, PATTERN, NUMBER, WORD -> true;
            case SIGN -> token().is("[");
            default -> false;
        };
    }

    /** {@code id 'java' version '1', 'more'}. */
    private void commandArguments(List<Value.Argument> into) {
        do {
            skipLineEnds();
            into.add(argument());
            infix(into);
        } while (take(","));
    }

    /** {@code version "1"} and {@code apply false} after an argument. */
    private void infix(List<Value.Argument> into) {
        while (token().kind() == Kind.WORD && (ahead(1).kind() == Kind.STRING || ahead(1).kind() == Kind.PATTERN
                || ahead(1).kind() == Kind.WORD || ahead(1).kind() == Kind.NUMBER)) {
            String name = token().text();
            at++;
            into.add(new Value.Argument(name, value()));
        }
    }

    private boolean take(String sign) {
        if (token().is(sign)) {
            at++;
            return true;
        }
        return false;
    }

    private Value.Argument argument() {
        boolean isNamed = token().kind() == Kind.WORD && (ahead(1).is(":") || ahead(1).is("="));
        if (isNamed) {
            String name = token().text();
            at += 2;
            skipLineEnds();
            return new Value.Argument(name, value());
        }
        return new Value.Argument("", value());
    }

    /** Names joined by dots, with the arguments of all calls among them, and the block of the last. */
    private record Chain(String name, List<Value.Argument> arguments, List<Statement> block, boolean isCall) {
    }

    private Chain chain() {
        StringBuilder name = new StringBuilder(token().text());
        List<Value.Argument> arguments = new ArrayList<>();
        List<Statement> block = new ArrayList<>();
        boolean isCall = false;
        at++;
        while (true) {
            skipTypeArguments();
            if (token().is("(")) {
                isCall = true;
                arguments.addAll(arguments(")"));
            } else if (token().is("[")  && tokens.get(at - 1).line() == token().line() && ahead(1).kind() == Kind.STRING
                    && ahead(2).is("]")) {
                isCall = true;
                name.append(".get");
                arguments.addAll(arguments("]"));
            } else if ((token().is(".") || token().is("?.")) && ahead(1).kind() == Kind.WORD) {
                name.append('.').append(ahead(1).text());
                at += 2;
            } else if (token().is("!!")) {
                at++;
            } else if (token().is("{") && isCall && closesWithDot()) {
                block.addAll(block());
            } else if (token().kind() == Kind.LINE_END && continuesWithDot()) {
                skipLineEnds();
            } else {
                return new Chain(name.toString(), arguments, block, isCall);
            }
        }
    }

    /** Whether after the block that begins here a chain goes on. */
    private boolean closesWithDot() {
        int start = at;
        skipBalanced();
        boolean goesOn = token().is(".");
        at = start;
        return goesOn;
    }

    private boolean continuesWithDot() {
        int next = at;
        while (tokens.get(next).kind() == Kind.LINE_END) {
            next++;
        }
        return tokens.get(next).is(".");
    }

    private void skipTypeArguments() {
        if (token().is("<") && ahead(1).kind() == Kind.WORD) {
            int end = at + 1;
            while (tokens.get(end).kind() == Kind.WORD || tokens.get(end).is(".") || tokens.get(end).is(",")) {
                end++;
            }
            if (tokens.get(end).is(">")) {
                at = end + 1;
            }
        }
    }

    private List<Value.Argument> arguments(String end) {
        List<Value.Argument> arguments = new ArrayList<>();
        at++;
        skipLineEnds();
        while (!isEnd() && !token().is(end)) {
            int before = at;
            arguments.add(argument());
            skipLineEnds();
            take(",");
            skipLineEnds();
            at = Math.max(at, before + 1);
        }
        take(end);
        return arguments;
    }

    private List<Statement> block() {
        at++;
        parameters();
        if (++depth > DEEPEST) {
            at = tokens.size() - 1;
            return List.of();
        }
        List<Statement> statements = statements();
        depth--;
        take("}");
        return statements;
    }

    /** {@code task ->} at the beginning of a block. */
    private void parameters() {
        int end = at;
        while (tokens.get(end).kind() == Kind.WORD || tokens.get(end).is(",") || tokens.get(end).is(":")
                || tokens.get(end).is(".")) {
            end++;
        }
        if (tokens.get(end).is("->")) {
            at = end + 1;
        }
    }

    private Value value() {
        List<Value> parts = new ArrayList<>(List.of(primary()));
        while (token().is("+")) {
            at++;
            skipLineEnds();
            parts.add(primary());
        }
        if (token().kind() == Kind.SIGN && !Set.of(",", ")", "]", "}", "{", ";").contains(token().text())
                || token().kind() == Kind.WORD && Set.of("as", "in", "is", "to").contains(token().text())) {
            skipValue();
            return new Value.Computed();
        }
        return parts.size() == 1 ? parts.get(0) : new Value.Joined(List.copyOf(parts));
    }

    private Value primary() {
        Token first = token();
        switch (first.kind()) {
            case STRING, NUMBER -> {
                at++;
                return new Value.Text(first.text(), false);
            }
            case PATTERN -> {
                at++;
                return new Value.Text(first.text(), true);
            }
            case WORD -> {
                Chain chain = chain();
                if (chain.isCall() && token().is("{")) {
                    chain.block().addAll(block());
                }
                return chain.isCall() || !chain.block().isEmpty()
                        ? new Value.Call(chain.name(), List.copyOf(chain.arguments()), List.copyOf(chain.block()))
                        : new Value.Reference(chain.name());
            }
            default -> {
                return bracketed();
            }
        }
    }

    private Value bracketed() {
        if (token().is("[")) {
            List<Value.Argument> elements = arguments("]");
            return elements.stream().anyMatch(element -> !element.name().isEmpty())
                    ? new Value.Call("", elements, List.of())
                    : new Value.Many(elements.stream().map(Value.Argument::value).toList());
        } else if (token().is("(")) {
            List<Value.Argument> inside = arguments(")");
            return inside.size() == 1 ? inside.get(0).value() : new Value.Computed();
        } else if (token().is("{")) {
            return new Value.Call("", List.of(), block());
        }
        skipValue();
        return new Value.Computed();
    }

    /** Up to what ends a value on this level. */
    private void skipValue() {
        while (!isEnd() && token().kind() != Kind.LINE_END && !token().is(",") && !token().is(")") && !token().is("]")
                && !token().is("}") && !token().is(";")) {
            if (token().is("(") || token().is("[") || token().is("{")) {
                skipBalanced();
            } else {
                at++;
            }
        }
    }

    private void skipLine() {
        while (!isEnd() && token().kind() != Kind.LINE_END && !token().is("}")) {
            if (token().is("(") || token().is("[") || token().is("{")) {
                skipBalanced();
            } else {
                at++;
            }
        }
    }

    private void skipBalanced() {
        int open = 0;
        do {
            if (token().is("(") || token().is("[") || token().is("{")) {
                open++;
            } else if (token().is(")") || token().is("]") || token().is("}")) {
                open--;
            }
            at++;
        } while (open > 0 && !isEnd());
    }
}
