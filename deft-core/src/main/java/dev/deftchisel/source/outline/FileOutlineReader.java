package dev.deftchisel.source.outline;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Reads a {@link FileOutline} in two passes over the tokens.
 *
 * <p>The first finds type declarations anywhere by their keyword and keeps a stack of braces for their nesting. The
 * second walks the members of each type body and finds where a member's own braces are a body:
 * <pre>
 * members    = { member } "}"
 * member     = ";" | type | { modifier | "(" … ")" | any } ( "{" body "}" | "=" … ";" | ";" )
 * enumBody   = { constant [ "(" … ")" ] [ "{" members ] [ "," ] } [ ";" members ] "}"
 * </pre>
 * Nothing is checked: source that does not parse gives an outline of what could be made out.
 */
final class FileOutlineReader {

    /** Of a field (JLS 8.3.1). */
    private static final Set<String> MODIFIERS =
            Set.of("public", "protected", "private", "static", "final", "transient", "volatile", "abstract");

    /** The parameters of what has none. */
    private static final Range NONE = new Range(0, 0);

    private final Tokens tokens;
    private final int count;
    private final List<TypeOutline> types = new ArrayList<>();
    private final List<ImportOutline> imports = new ArrayList<>();
    private final List<Range> bodies = new ArrayList<>();
    private final List<FileOutline.Secret> secrets = new ArrayList<>();
    private final List<Range> values = new ArrayList<>();
    private final List<MemberOutline> members = new ArrayList<>();
    private String packageName = "";
    private Range packageRange = new Range(0, 0);
    private boolean balanced = true;
    private int at;

    FileOutlineReader(Tokens tokens) {
        this.tokens = tokens;
        this.count = tokens.count();
    }

    FileOutline read() {
        findTypes();
        if (balanced) {
            at = tokens.code(0);
            members();
        }
        return new FileOutline(packageName, packageRange, List.copyOf(imports), List.copyOf(types), List.copyOf(bodies),
                comments(), List.copyOf(secrets), List.copyOf(values), List.copyOf(members));
    }

    private void findTypes() {
        Deque<String> open = new ArrayDeque<>();
        String opening = "";
        int before = -1;
        for (int i = tokens.code(0); i < count; before = i, i = tokens.code(i + 1)) {
            if (tokens.is(i, '{')) {
                open.push(opening);
                opening = "";
            } else if (tokens.is(i, '}')) {
                if (open.isEmpty()) {
                    balanced = false;
                } else {
                    open.pop();
                }
            } else if (tokens.is(i, "package") && tokens.kind(i) == TokenKind.KEYWORD && types.isEmpty()) {
                readPackage(i);
            } else if (tokens.is(i, "import") && open.isEmpty()) {
                readImport(i);
            } else if (isTypeKeyword(i) && !(before >= 0 && tokens.is(before, '.'))) {
                int name = tokens.code(i + 1);
                if (name < count && tokens.kind(name) == TokenKind.IDENTIFIER) {
                    opening = tokens.name(name);
                    types.add(sketch(name, open));
                    i = name;
                }
            }
        }
        balanced &= open.isEmpty();
    }

    private void readPackage(int keyword) {
        StringBuilder name = new StringBuilder();
        int first = tokens.code(keyword + 1);
        int last = first;
        for (int i = first; i < count && !tokens.is(i, ';'); i = tokens.code(i + 1)) {
            name.append(tokens.name(i));
            last = i;
        }
        packageName = name.toString();
        packageRange = first < count ? new Range(tokens.start(first), tokens.end(last)) : packageRange;
    }

    private void readImport(int keyword) {
        StringBuilder name = new StringBuilder();
        boolean isStatic = false;
        boolean isOnDemand = false;
        int i = tokens.code(keyword + 1);
        for (; i < count && !tokens.is(i, ';'); i = tokens.code(i + 1)) {
            if (tokens.is(i, "static")) {
                isStatic = true;
            } else if (tokens.is(i, '*')) {
                isOnDemand = true;
            } else if (name.length() > 0 && name.charAt(name.length() - 1) != '.' && !tokens.is(i, '.')) {
                // two names in a row: "import module java.base" (JEP 511)
                isOnDemand = true;
                name.setLength(0);
                name.append(tokens.name(i));
            } else {
                name.append(tokens.name(i));
            }
        }
        String imported = name.toString();
        imported = imported.endsWith(".") ? imported.substring(0, imported.length() - 1) : imported;
        int end = i < count ? tokens.end(i) : tokens.content().length();
        imports.add(new ImportOutline(imported, isStatic, isOnDemand, new Range(tokens.start(keyword), end)));
    }

    /** The comments that lie in no body. */
    private List<Range> comments() {
        List<Range> outside = new ArrayList<>();
        int body = 0;
        for (int i = 0; i < count; i++) {
            if (tokens.kind(i).isComment()) {
                while (body < bodies.size() && bodies.get(body).end() <= tokens.start(i)) {
                    body++;
                }
                if (body == bodies.size() || !bodies.get(body).contains(tokens.start(i))) {
                    outside.add(tokens.range(i));
                }
            }
        }
        return List.copyOf(outside);
    }

    private TypeOutline sketch(int name, Deque<String> open) {
        StringBuilder nested = new StringBuilder();
        open.descendingIterator().forEachRemaining(outer -> nested.append(outer.isEmpty() ? "" : outer + "."));
        Set<String> supers = new LinkedHashSet<>();
        boolean inClause = false;
        int parentheses = 0;
        for (int i = tokens.code(name + 1); i < count; i = tokens.code(i + 1)) {
            if (tokens.is(i, '(')) {
                parentheses++;
            } else if (tokens.is(i, ')')) {
                parentheses--;
            } else if (parentheses > 0) {
                continue;
            } else if (tokens.is(i, '{') || tokens.is(i, ';')) {
                break;
            } else if (tokens.is(i, "extends") || tokens.is(i, "implements")) {
                inClause = true;
            } else if (tokens.is(i, "permits")) {
                inClause = false;
            } else if (inClause && tokens.kind(i) == TokenKind.IDENTIFIER) {
                supers.add(tokens.name(i));
            }
        }
        String simple = tokens.name(name);
        return new TypeOutline(simple, nested + simple, open.isEmpty(), Set.copyOf(supers), tokens.range(name));
    }

    private boolean isTypeKeyword(int index) {
        if (tokens.kind(index) == TokenKind.KEYWORD) {
            return tokens.is(index, "class") || tokens.is(index, "interface") || tokens.is(index, "enum");
        }
        if (!tokens.is(index, "record")) {
            return false;
        }
        int name = tokens.code(index + 1);
        int after = name < count && tokens.kind(name) == TokenKind.IDENTIFIER ? tokens.code(name + 1) : count;
        return after < count && (tokens.is(after, '(') || tokens.is(after, '<'));
    }

    /** Members up to and with the closing brace of the type, or to the end of the file. */
    private void members() {
        while (at < count) {
            if (tokens.is(at, '}')) {
                next();
                return;
            }
            member();
        }
    }

    private void member() {
        boolean hasParameters = false;
        boolean isPrivate = false;
        int before = tokens.codeBefore(at - 1);
        int start = at;
        int type = -1;
        int name = -1;
        Range parameters = NONE;
        int angles = 0;
        while (at < count && !tokens.is(at, '}')) {
            if (tokens.is(at, ';')) {
                next();
                keepSecret(isPrivate && !hasParameters, before, name);
                keepMember(start, type, name, parameters);
                return;
            } else if (tokens.is(at, ',') && !hasParameters) {
                // either type arguments, or several fields: which of the names is theirs is not worth to find out
                isPrivate = false;
                if (angles == 0) {
                    keepMember(start, type, name, parameters);
                }
                next();
            } else if (tokens.is(at, '(')) {
                int open = at;
                skipGroup('(', ')');
                parameters = hasParameters ? parameters
                        : new Range(tokens.start(open), tokens.end(tokens.codeBefore(Math.min(at, count) - 1)));
                hasParameters = true;
            } else if (tokens.is(at, '@')) {
                annotation();
            } else if (isTypeKeyword(at)) {
                type(start);
                return;
            } else if (tokens.is(at, '=') || hasParameters && tokens.is(at, "default")) {
                boolean isField = tokens.is(at, '=');
                int behind = tokens.end(at);
                boolean isOne = skipInitializer();
                int last = tokens.codeBefore(Math.min(at, count) - 1);
                if (isField && isOne && !mayBeConstant(type) && tokens.is(last, ';')) {
                    values.add(new Range(behind, tokens.start(last)));
                }
                keepMember(start, type, name, parameters);
                keepSecret(isPrivate && isField && isOne, before, name);
                return;
            } else if (tokens.is(at, '{')) {
                int open = at;
                skipGroup('{', '}');
                int close = tokens.codeBefore(Math.min(at, count) - 1);
                bodies.add(new Range(tokens.end(open), tokens.start(close)));
                keepSecret(isPrivate && hasParameters, before, name);
                if (hasParameters) {
                    keepMember(start, type, name, parameters);
                } else if (name >= 0) {
                    // a compact one (JLS 8.10.4.2)
                    keep(MemberOutline.Kind.CONSTRUCTOR, start, name, NONE);
                }
                return;
            } else {
                isPrivate |= tokens.is(at, "private");
                type = type < 0 && !isModifier(at) ? at : type;
                angles += angles(at);
                name = hasParameters || tokens.kind(at) != TokenKind.IDENTIFIER ? name : at;
                next();
            }
        }
    }

    /** Whether fields of the type that begins here may be constant variables: whether it is primitive, or String. */
    private boolean mayBeConstant(int type) {
        return type < 0 || !tokens.is(tokens.code(type + 1), '[')
                && (tokens.kind(type) == TokenKind.KEYWORD || tokens.is(type, "String")
                        || tokens.is(tokens.code(type + 1), '.'));
    }

    /** By how many type arguments a token opens, or closes. */
    private int angles(int index) {
        if (tokens.is(index, '<')) {
            return 1;
        }
        return tokens.is(index, '>') ? -1 : 0;
    }

    private boolean isModifier(int index) {
        return tokens.kind(index) == TokenKind.KEYWORD && MODIFIERS.contains(tokens.text(index));
    }

    /** Notes the member that ends here; an initialiser has no name, and the head of the file only looks like one. */
    private void keepMember(int start, int type, int name, Range parameters) {
        boolean isHead = tokens.is(start, "package") || tokens.is(start, "import");
        if (name >= 0 && !isHead) {
            MemberOutline.Kind kind;
            if (parameters.equals(NONE)) {
                kind = MemberOutline.Kind.FIELD;
            } else if (type == name) {
                kind = MemberOutline.Kind.CONSTRUCTOR;
            } else {
                kind = MemberOutline.Kind.METHOD;
            }
            keep(kind, start, name, parameters);
        }
    }

    private void keep(MemberOutline.Kind kind, int start, int name, Range parameters) {
        int last = tokens.codeBefore(Math.min(at, count) - 1);
        members.add(new MemberOutline(kind, tokens.name(name), tokens.range(name), parameters,
                new Range(tokens.start(start), tokens.end(last))));
    }

    /** Notes the member that ends here. */
    private void keepSecret(boolean isSecret, int before, int name) {
        int last = tokens.codeBefore(Math.min(at, count) - 1);
        if (isSecret && name >= 0 && before >= 0 && last > before) {
            secrets.add(new FileOutline.Secret(tokens.name(name), new Range(tokens.end(before), tokens.end(last))));
        }
    }

    /** An annotation's name and arguments, so that their parentheses do not count as parameters. */
    private void annotation() {
        next();
        while (at < count && (tokens.kind(at) == TokenKind.IDENTIFIER || tokens.is(at, '.')) && !isTypeKeyword(at)) {
            boolean dot = tokens.is(at, '.');
            next();
            if (!dot && !(at < count && tokens.is(at, '.'))) {
                break;
            }
        }
        if (at < count && tokens.is(at, '(')) {
            skipGroup('(', ')');
        }
    }

    private void type(int start) {
        boolean isEnum = tokens.is(at, "enum");
        MemberOutline.Kind kind = switch (tokens.text(at)) {
            case "enum" -> MemberOutline.Kind.ENUM;
            case "record" -> MemberOutline.Kind.RECORD;
            case "interface" -> isBehind('@') ? MemberOutline.Kind.ANNOTATION : MemberOutline.Kind.INTERFACE;
            default -> MemberOutline.Kind.CLASS;
        };
        int name = tokens.code(at + 1);
        while (at < count && !tokens.is(at, '{')) {
            if (tokens.is(at, '(')) {
                skipGroup('(', ')');
            } else {
                next();
            }
        }
        next();
        if (!isEnum || constants()) {
            members();
        }
        if (name < count && tokens.kind(name) == TokenKind.IDENTIFIER) {
            keep(kind, start, name, NONE);
        }
    }

    private boolean isBehind(char expected) {
        int before = tokens.codeBefore(at - 1);
        return before >= 0 && tokens.is(before, expected);
    }

    /** The constants of an enum; returns whether members follow. */
    private boolean constants() {
        int name = -1;
        while (at < count) {
            if (name >= 0 && (tokens.is(at, ',') || tokens.is(at, ';') || tokens.is(at, '}'))) {
                keep(MemberOutline.Kind.ENUM_CONSTANT, name, name, NONE);
                name = -1;
            }
            if (tokens.is(at, ';')) {
                next();
                return true;
            } else if (tokens.is(at, '}')) {
                next();
                return false;
            } else if (tokens.is(at, '@')) {
                annotation();
            } else if (tokens.is(at, '(')) {
                skipGroup('(', ')');
            } else if (tokens.is(at, '{')) {
                next();
                members();
            } else {
                name = name < 0 && tokens.kind(at) == TokenKind.IDENTIFIER ? at : name;
                next();
            }
        }
        return false;
    }

    /**
     * To after the semicolon that ends a field; returns whether no comma was passed, after which another may follow.
     */
    private boolean skipInitializer() {
        int depth = 0;
        boolean isOne = true;
        while (at < count) {
            if (tokens.is(at, '(') || tokens.is(at, '{') || tokens.is(at, '[')) {
                depth++;
            } else if (tokens.is(at, ')') || tokens.is(at, '}') || tokens.is(at, ']')) {
                depth--;
            } else if (depth <= 0 && tokens.is(at, ';')) {
                next();
                return isOne;
            }
            if (depth < 0) {
                return isOne;
            }
            boolean isEnd = depth == 0 && tokens.is(at, ',');
            isOne &= !isEnd;
            next();
            if (isEnd && at < count && tokens.kind(at) == TokenKind.IDENTIFIER && isBeforeValue(tokens.code(at + 1))) {
                int name = at;
                next();
                keep(MemberOutline.Kind.FIELD, name, name, NONE);
            }
        }
        return isOne;
    }

    /** Whether what stands before is the name of a field that is declared together with others. */
    private boolean isBeforeValue(int index) {
        return index < count && "=,;[".indexOf(tokens.text(index)) >= 0;
    }

    private void skipGroup(char open, char close) {
        int depth = 0;
        while (at < count) {
            if (tokens.is(at, open)) {
                depth++;
            } else if (tokens.is(at, close) && --depth == 0) {
                next();
                return;
            }
            next();
        }
    }

    private void next() {
        at = tokens.code(at + 1);
    }
}
