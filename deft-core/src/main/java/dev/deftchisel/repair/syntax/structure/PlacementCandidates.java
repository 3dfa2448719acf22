package dev.deftchisel.repair.syntax.structure;

import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What is right by itself and stands where it may not: imports, methods, statements, the contents of an array; and
 * wrong names.
 */
public final class PlacementCandidates implements CandidateSource {

    private static final Pattern IMPORT = Pattern
            .compile("(?m)^[ \\t]*import\\s+(static\\s+)?[\\w.]+(\\.\\*)?\\s*;[ \\t]*(\\R|$)");
    private static final Pattern METHOD_HEAD = Pattern.compile(
            "((public|protected|private|static|final|synchronized)\\s+)*(<[^>]*>\\s*)?[\\w.<>\\[\\], "
            + "]+\\s+\\w+\\s*\\([^()]*\\)\\s*(throws [\\w., ]+)?\\s*\\{");
    private static final Pattern ARRAY_OF = Pattern.compile("\\[\\s*\\d+\\s*]");
    private static final Pattern DECLARED_WITH_LENGTH = Pattern.compile("^\\s*([\\w.]+)\\s+(\\w+)(\\[\\w+\\])\\s*;");

    @Override
    public List<Candidate> candidates(BrokenText text) {
        List<Candidate> found = new ArrayList<>();
        imports(text, found);
        method(text, found);
        statement(text, found);
        arrays(text, found);
        nonName(text, found);
        recordField(text, found);
        return found;
    }

    /** An import after the first type. */
    private static void imports(BrokenText text, List<Candidate> found) {
        Matcher lines = IMPORT.matcher(text.content());
        int firstType = text.file().outline().types().stream().mapToInt(type -> type.nameRange().start()).min()
                .orElse(Integer.MAX_VALUE);
        List<Range> late = new ArrayList<>();
        int home = 0;
        while (lines.find()) {
            if (lines.start() > firstType) {
                late.add(new Range(lines.start(), lines.end()));
            } else {
                home = lines.end();
            }
        }
        if (late.isEmpty()) {
            return;
        }
        StringBuilder moved = new StringBuilder();
        late.forEach(range -> moved.append(text.content(), range.start(), range.end()).append(
                text.content().substring(range.start(), range.end()).endsWith("\n") ? "" : text.lineEnd()));
        if (home == 0) {
            Matcher named = Pattern.compile("(?m)^\\s*package\\s+[\\w.]+\\s*;[ \\t]*\\R").matcher(text.content());
            home = named.find() ? named.end() : 0;
            moved.insert(0, home > 0 ? text.lineEnd() : "").append(home > 0 ? "" : text.lineEnd());
        }
        Candidate candidate = Candidate.insert("move the import to the others", 0, home, moved.toString());
        for (Range range : late) {
            int start = range.start();
            while (start > 1 && text.content().charAt(start - 1) == '\n' && text.content().substring(0, start - 1)
                    .endsWith("\n")) {
                start--;
            }
            candidate = candidate.and(new Range(start, range.end()), "");
        }
        found.add(candidate);
    }

    /** A method within a method: it goes after the one around. */
    private static void method(BrokenText text, List<Candidate> found) {
        Matcher heads = METHOD_HEAD.matcher(text.content());
        Range line = text.line(text.lineOf(text.at()));
        for (int from = line.start(); heads.find(from) && heads.start() <= text.at()
                && found.size() < 3; from = heads.start() + 1) {
            Tokens tokens = text.tokens();
            int close = text.closing(tokens.at(heads.end() - 1));
            int around = close < 0 ? -1 : enclosing(text, tokens.at(heads.start()));
            int end = around < 0 ? -1 : text.closing(around);
            if (end > 0 && enclosing(text, around) >= 0) {
                int start = heads.start();
                while (start > 0 && " \t".indexOf(text.content().charAt(start - 1)) >= 0) {
                    start--;
                }
                int before = start;
                while (before > 0 && Character.isWhitespace(text.content().charAt(before - 1))) {
                    before--;
                }
                String indent = text.indent(tokens.start(around));
                String own = text.indent(heads.start());
                String moved = text.content().substring(heads.start(), tokens.end(close))
                        .replace("\n" + own, "\n" + indent);
                found.add(Candidate.replace("move the method out of the one around", 0,
                        new Range(before, tokens.end(close)), "")
                        .and(new Range(tokens.end(end), tokens.end(end)), text.lineEnd() + text.lineEnd() + indent
                                + moved));
                return;
            }
        }
    }

    /** The brace that is open around a token, or -1. */
    private static int enclosing(BrokenText text, int token) {
        int depth = 0;
        for (int i = text.step(token, -1); i >= 0; i = text.step(i, -1)) {
            depth += text.is(i, "}") ? 1 : text.is(i, "{") ? -1 : 0;
            if (depth < 0) {
                return i;
            }
        }
        return -1;
    }

    /** A statement in the body of a class: it becomes an initialiser. */
    private static void statement(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        String own = text.lineText(line).strip();
        if (own.endsWith(";") && own.matches("[\\w.]+\\s*(\\(|[-+*/]?=[^=]|\\+\\+|--).*")) {
            String indent = text.indent(text.line(line).start() + text.lineText(line).length() - text.lineText(line)
                    .stripLeading().length());
            boolean isStatic = text.content().substring(0, text.line(line).start()).lines().anyMatch(before ->
                    before.strip().startsWith("static ") || before.matches("\\s+.*\\bstatic\\b.*[;=].*"));
            for (boolean asStatic : new boolean[] {isStatic, !isStatic}) {
                found.add(Candidate.replace("put it in " + (asStatic ? "a static initialiser" : "an initialiser"),
                        asStatic == isStatic ? 1 : 2,
                        new Range(text.line(line).start(), text.line(line).start() + text.lineText(line).stripTrailing()
                                .length()),
                        indent + (asStatic ? "static {" : "{") + text.lineEnd() + indent + text.unit() + own
                        + text.lineEnd() + indent + "}"));
            }
        }
    }

    /** {@code new int(3)}, {@code int[3] a}, {@code a = {1, 2}}, {@code count({1, 2})}. */
    private static void arrays(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        Range range = text.line(line);
        Tokens tokens = text.tokens();
        for (int i = tokens.code(tokens.at(Math.min(range.start(), Math.max(0, text.content().length() - 1)))); i >= 0
                && i < tokens.count()
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            int next = text.step(i, 1);
            if (text.is(i, "new") && text.is(text.step(next, 1), "(") && text.isKind(next, TokenKind.KEYWORD)) {
                int open = text.step(next, 1);
                int close = text.closing(open);
                if (close > 0) {
                    found.add(Candidate.replace("write brackets", 0, text.range(open), "[")
                            .and(text.range(close), "]"));
                }
            }
            if (text.is(i, "{") && (text.is(text.step(i, -1), "=") || text.is(text.step(i, -1), "(")
                    || text.is(text.step(i, -1), ",")
                    || text.is(text.step(i, -1), "return"))) {
                int brace = i;
                List<String> types = types(text, brace);
                for (int k = 0; k < types.size(); k++) {
                    found.add(Candidate.insert("write 'new " + types.get(k) + "[]'", 1 + k, tokens.start(brace),
                            "new " + types.get(k) + "[] "));
                }
            }
        }
        Matcher sized = ARRAY_OF.matcher(text.lineText(line));
        if (sized.find() && !text.lineText(line).substring(0, sized.start()).contains("=")) {
            lengthInType(text, line, sized, found);
            found.add(Candidate.replace("write the length only where the array is made", 0,
                    new Range(range.start() + sized.start(), range.start() + sized.end()), "[]"));
        }
    }

    /** {@code int depths[3];} also makes the array in other languages. */
    private static void lengthInType(BrokenText text, int line, Matcher sized, List<Candidate> found) {
        Matcher declared = DECLARED_WITH_LENGTH.matcher(text.lineText(line));
        if (declared.find() && declared.start(3) <= sized.start() && sized.start() < declared.end(3)) {
            int start = text.line(line).start();
            String type = declared.group(1);
            found.add(Candidate.insert("make the array", -1, start + declared.end(1), "[]")
                    .and(new Range(start + declared.start(3), start + declared.end(3)), " = new " + type
                            + declared.group(3)));
        }
    }

    /** What the elements of an array may be, by the first of them. */
    private static List<String> types(BrokenText text, int brace) {
        int first = text.step(brace, 1);
        boolean isText = text.isKind(first, TokenKind.STRING);
        boolean isWhole = text.isKind(first, TokenKind.NUMBER) && text.text(first).matches("\\d+");
        if (isText) {
            return List.of("String", "Object");
        }
        if (isWhole) {
            return List.of("int", "long", "double", "Integer");
        }
        if (text.isKind(first, TokenKind.NUMBER)) {
            return List.of("double", "float");
        }
        return text.isKind(first, TokenKind.CHARACTER) ? List.of("char") : List.of("int", "String", "double", "Object");
    }

    /**
     * A keyword, or what begins with a digit, where a name is expected: it gets another one wherever it stands in the
     * body.
     */
    private static void nonName(BrokenText text, List<Candidate> found) {
        int line = text.lineOf(text.at());
        Tokens tokens = text.tokens();
        Range range = text.line(line);
        Set<String> types = Set.of("int", "long", "double", "float", "boolean", "char", "byte", "short", "String",
                "var", "Object");
        for (int i = tokens.code(tokens.at(Math.min(range.start(), Math.max(0, text.content().length() - 1)))); i >= 0
                && i < tokens.count()
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            int next = text.step(i, 1);
            int second = text.step(next, 1);
            boolean isType = types.contains(text.text(i)) || text.isKind(i, TokenKind.IDENTIFIER)
                    && Character.isUpperCase(text.text(i).charAt(0));
            if (!isType || next < 0) {
                continue;
            }
            boolean isKeyword = (text.isKind(next, TokenKind.KEYWORD) || text.is(next, "_") || text.is(next, "enum"))
                    && (text.is(second, "=") || text.is(second, ";") || text.is(second, ")") || text.is(second, ",")
                            || text.is(second, ":"));
            boolean isDigits = text.isKind(next, TokenKind.NUMBER) && (text.is(second, "=")
                    || text.isKind(second, TokenKind.IDENTIFIER) && tokens.start(second) == tokens.end(next));
            if (isKeyword || isDigits) {
                String old = text.text(next) + (isDigits && text.isKind(second, TokenKind.IDENTIFIER)
                        ? text.text(second) : "");
                String name;
                if (old.equals("_")) {
                    name = free(text);
                } else if (isKeyword) {
                    name = old + "Value";
                } else {
                    name = "_" + old;
                }
                Matcher all = Pattern.compile("(?<![\\w.\"])" + Pattern.quote(old) + "(?![\\w\"])")
                        .matcher(text.content());
                List<Candidate.Replacement> edits = new ArrayList<>();
                int end = end(text, i);
                while (all.find()) {
                    if (all.start() >= tokens.start(next) && all.start() < end) {
                        edits.add(new Candidate.Replacement(new Range(all.start(), all.end()), name));
                    }
                }
                found.add(new Candidate("call it '" + name + "'", 0, edits));
            }
        }
    }

    /** A short name that the text does not have. */
    private static String free(BrokenText text) {
        Set<String> known = text.tokens().names();
        return List.of("i", "k", "it", "one").stream().filter(name -> !known.contains(name)).findFirst()
                .orElse("unnamed");
    }

    /** A record has no fields but its components (JLS 8.10.3): what is computed of them is a method. */
    private static void recordField(BrokenText text, List<Candidate> found) {
        if (!text.id().equals("record.cannot.declare.instance.fields")) {
            return;
        }
        int line = text.lineOf(text.at());
        String own = text.lineText(line);
        Range range = text.line(line);
        int equals = own.indexOf('=');
        int end = own.lastIndexOf(';');
        int start = own.length() - own.stripLeading().length();
        if (equals > 0 && end > equals) {
            String head = own.substring(0, equals).stripTrailing();
            String name = head.replaceFirst(".*\\W", "");
            Candidate method = Candidate.replace("make it a method", 0,
                    new Range(range.start() + head.length(), range.start() + end + 1),
                    "() {" + text.lineEnd() + own.substring(0, start) + text.unit() + "return "
                    + own.substring(equals + 1, end).strip() + ";"
                    + text.lineEnd() + own.substring(0, start) + "}");
            for (int use = text.tokens().at(range.end()); use >= 0 && use < text.tokens().count(); use = text.tokens()
                    .code(use + 1)) {
                boolean isOwn = !text.is(text.step(use, -1), ".") || text.is(text.step(use, -2), "this");
                if (text.is(use, name) && isOwn && !text.is(text.step(use, 1), "(")
                        && !text.is(text.step(use, 1), "=")) {
                    method = method.and(new Range(text.tokens().end(use), text.tokens().end(use)), "()");
                }
            }
            found.add(method);
        }
        int type = own.strip().startsWith("private ") || own.strip().startsWith("public ") || own.strip()
                .startsWith("protected ")
                ? own.indexOf(' ', start) + 1 : start;
        found.add(Candidate.insert("make it static", 1, range.start() + type, "static "));
        found.add(Candidate.replace("remove it", 2, new Range(range.start(), range.end()), ""));
    }

    /** Where the block around a token ends. */
    private static int end(BrokenText text, int token) {
        int open = enclosing(text, token);
        int close = open < 0 ? -1 : text.closing(open);
        return close < 0 ? text.content().length() : text.tokens().end(close);
    }
}
