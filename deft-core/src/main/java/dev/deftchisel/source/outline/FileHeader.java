package dev.deftchisel.source.outline;

import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What has to be known of every file of a workspace before any is looked into: its package, its top-level types, and
 * which types the headers in it name.
 *
 * <p>Read in one run over the characters that leaves out all between braces, so that only the few tokens outside of
 * them are made; on a library of a thousand files an order of magnitude cheaper than a {@link FileOutline} of each.
 *
 * @param packageName empty for the unnamed package
 * @param types       simple names, in order
 * @param headerNames the names of all types, nested ones too, and every name in their {@code extends} and
 *                    {@code implements} clauses; there may be more (bounds of type parameters), never fewer
 */
public record FileHeader(String packageName, List<String> types, Set<String> headerNames) {

    private static final List<String> TYPE_WORDS = List.of("class", "interface", "enum", "record");
    private static final List<String> CLAUSE_WORDS = List.of("extends", "implements");


    /** Reads the header off a text; says the same as its {@link FileOutline}. Never fails. */
    public static FileHeader of(String content) {
        Skimmer skimmer = new Skimmer(content);
        if (content.contains("\\u") || !skimmer.skim()) {
            FileOutline whole = FileOutline.of(Tokens.of(content));
            Set<String> names = new HashSet<>();
            whole.types().forEach(type -> {
                names.add(type.name());
                names.addAll(type.supers());
            });
            return of(whole, names);
        }
        return of(FileOutline.of(Tokens.of(skimmer.kept.toString())), skimmer.headerNames);
    }

    private static FileHeader of(FileOutline outline, Set<String> headerNames) {
        return new FileHeader(outline.packageName(), outline.types().stream()
                .filter(TypeOutline::isTopLevel)
                .map(TypeOutline::name)
                .toList(), Set.copyOf(headerNames));
    }

    /** The name of a type of this file in its canonical form (JLS 6.7). */
    public String qualifiedName(String type) {
        return packageName.isEmpty() ? type : packageName + "." + type;
    }

    /**
     * Goes over a text, keeps what is outside of braces and comments, and collects the names in headers; knows of
     * literals, where braces mean nothing.
     */
    private static final class Skimmer {

        private final String content;
        private final StringBuilder kept = new StringBuilder();
        private final Set<String> headerNames = new HashSet<>();
        private boolean inName;
        private boolean inClause;
        /** Of arguments to annotations within a clause. */
        private int parentheses;
        private int depth;
        private int keptTo;
        private int at;

        Skimmer(String content) {
            this.content = content;
        }

        /** Returns whether the braces match; when they do not, only the tokens can tell. */
        boolean skim() {
            while (at < content.length()) {
                char c = content.charAt(at);
                switch (c) {
                    case '{' -> open();
                    case '}' -> {
                        if (--depth < 0) {
                            return false;
                        }
                        keptTo = depth == 0 ? at : keptTo;
                        at++;
                    }
                    case '/' -> comment();
                    case '"' -> string();
                    case '\'' -> quoted('\'');
                    case 'c', 'e', 'i', 'r' -> word();
                    default -> other(c);
                }
            }
            keep(content.length());
            return depth == 0;
        }

        private void word() {
            Optional<String> typeWord = at(TYPE_WORDS);
            Optional<String> clauseWord = at(CLAUSE_WORDS);
            if (typeWord.isPresent() || clauseWord.isPresent()) {
                inName = typeWord.isPresent();
                inClause = clauseWord.isPresent();
                parentheses = 0;
                at += typeWord.or(() -> clauseWord).orElseThrow().length();
            } else {
                other(content.charAt(at));
            }
        }

        private Optional<String> at(List<String> words) {
            for (String word : words) {
                if (content.startsWith(word, at)) {
                    boolean isWhole = (at == 0 || !Words.isPart(content.charAt(at - 1)))
                            && (at + word.length() == content.length()
                                    || !Words.isPart(content.charAt(at + word.length())));
                    return isWhole ? Optional.of(word) : Optional.empty();
                }
            }
            return Optional.empty();
        }

        private void other(char c) {
            int start = at;
            while ((inName || inClause) && at < content.length() && Words.isPart(content.charAt(at))) {
                at++;
            }
            if (at > start) {
                headerNames.add(content.substring(start, at));
                inName = false;
                return;
            }
            inName &= Character.isWhitespace(c);
            if (c == '(') {
                parentheses++;
            } else if (c == ')') {
                parentheses--;
            } else if (c == ';' && parentheses <= 0) {
                inClause = false;
            }
            at++;
        }

        private void open() {
            at++;
            inClause &= parentheses > 0;
            if (depth++ == 0) {
                keep(at);
            }
        }

        private void keep(int end) {
            kept.append(content, keptTo, end);
            keptTo = end;
        }

        private void comment() {
            int end = content.length();
            if (content.startsWith("//", at)) {
                end = lineEnd(at);
            } else if (content.startsWith("/*", at)) {
                int close = content.indexOf("*/", at + 2);
                end = close < 0 ? end : close + 2;
            } else {
                at++;
                return;
            }
            if (depth == 0) {
                keep(at);
                kept.append(' ');
                keptTo = end;
            }
            at = end;
        }

        private int lineEnd(int from) {
            int end = from;
            while (end < content.length() && content.charAt(end) != '\n' && content.charAt(end) != '\r') {
                end++;
            }
            return end;
        }

        private void string() {
            if (!content.startsWith("\"\"\"", at)) {
                quoted('"');
                return;
            }
            at += 3;
            while (at < content.length() && !content.startsWith("\"\"\"", at)) {
                at += content.charAt(at) == '\\' ? 2 : 1;
            }
            at += 3;
        }

        /** After the closing quotation mark, or to the line end when there is none. */
        private void quoted(char close) {
            at++;
            while (at < content.length()) {
                char c = content.charAt(at);
                if (c == '\n' || c == '\r') {
                    return;
                }
                boolean escapes = c == '\\' && at + 1 < content.length()
                        && content.charAt(at + 1) != '\n' && content.charAt(at + 1) != '\r';
                at += escapes ? 2 : 1;
                if (c == close) {
                    return;
                }
            }
        }
    }
}
