package dev.deftchisel.source.outline;

import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The outline of a compilation unit as far as tokens alone tell it: the package, the types with what their headers
 * name, and where the bodies of methods, constructors and initialisers stand.
 *
 * @param packageName  empty for the unnamed package
 * @param packageRange where the package name stands, or an empty range at 0
 * @param imports      the import declarations, in order
 * @param types        every type declared in the file, also within bodies, in order
 * @param bodies       the stretches between the braces of bodies of members, in order, never nested; empty when the
 *                     braces of the file do not match
 * @param comments     every comment outside the bodies
 * @param secrets      private methods and fields; fields that are declared together are left out
 * @param values       what fields are set to that are no constants by their type (JLS 4.12.4), without the {@code =};
 *                     fields that are declared together are left out
 * @param members      what types declare, and the types, in the order in which they end; those of types in bodies are
 *                     not among them
 */
public record FileOutline(
        String packageName,
        Range packageRange,
        List<ImportOutline> imports,
        List<TypeOutline> types,
        List<Range> bodies,
        List<Range> comments,
        List<Secret> secrets,
        List<Range> values,
        List<MemberOutline> members) {

    /** A value that fits every type which has no constants. */
    private static final String NO_VALUE = "null";

    /**
     * A private method with a body or a private field, which no other file can use (JLS 6.6.1).
     *
     * @param name  of the member
     * @param range all of it, with the white space and comments before it
     */
    public record Secret(String name, Range range) {
    }

    /**
     * What is left out of a text.
     *
     * @param range   of the text; one that lies in another is left out with it
     * @param instead what stands there then
     */
    private record Cut(Range range, String instead) {
    }

    /** Reads the outline off the tokens; never fails. */
    public static FileOutline of(Tokens tokens) {
        return new FileOutlineReader(tokens).read();
    }

    /** The qualified name of a type of this file in its canonical form (JLS 6.7). */
    public String qualifiedName(TypeOutline type) {
        return packageName.isEmpty() ? type.nestedName() : packageName + "." + type.nestedName();
    }

    /**
     * The content with white space instead of the bodies that are not kept, and instead of the imports that nothing
     * left over names. Length and line ends stay, so that every offset outside means the same as before.
     *
     * <p>What is left declares the same members, but bodies may lack a {@code return} or a constructor call; it is
     * meant for analyses that stop before flow analysis and ignore errors there.
     *
     * @param keepBody   whether a body is left in
     * @param keepImport whether an import is left in even when nothing left over names it
     */
    public String blank(String content, Predicate<Range> keepBody, Predicate<ImportOutline> keepImport) {
        char[] blanked = content.toCharArray();
        bodies.stream().filter(body -> !keepBody.test(body)).forEach(body -> blank(blanked, body));
        return withoutNeedlessImports(content, blanked, keepImport);
    }

    /**
     * The declarations alone: no body, no comment, no value of a field that is no constant, no import that they do not
     * name. Shorter than the content, so that offsets mean nothing; for reading what a file declares, as fast as
     * possible.
     */
    public String declarations(String content) {
        return declarations(content, List.of());
    }

    /** The same with what is not in the text. */
    public String declarations(String content, List<Insertion> insertions) {
        return declarationsWithout(List.of(), insertions, content);
    }

    /**
     * The same without what is private: all that another file can notice, unless it mentions one of these names. What
     * is private and named by what is left stays, since the value of a constant may come from it (JLS 15.29).
     */
    public String openDeclarations(String content) {
        List<Secret> hidden = secrets;
        String rest = declarationsWithout(hidden, List.of(), content);
        Set<String> named = namesOf(hidden, rest);
        while (!named.isEmpty()) {
            Set<String> known = named;
            hidden = hidden.stream().filter(secret -> !known.contains(secret.name())).toList();
            rest = declarationsWithout(hidden, List.of(), content);
            named = namesOf(hidden, rest);
        }
        return rest;
    }

    private static Set<String> namesOf(List<Secret> hidden, String rest) {
        return Words.among(hidden.stream().map(Secret::name).collect(Collectors.toSet()), rest,
                new Range(0, rest.length()));
    }

    private String declarationsWithout(List<Secret> hidden, List<Insertion> insertions, String content) {
        List<Cut> cuts = Stream.of(
                        insertions.stream().map(one -> new Cut(new Range(one.offset(), one.offset()), one.text())),
                        hidden.stream().map(secret -> new Cut(secret.range(), "")),
                        values.stream().map(value -> new Cut(value, NO_VALUE)),
                        Stream.concat(bodies.stream(), comments.stream()).map(range -> new Cut(range, "")))
                .flatMap(Function.identity())
                .sorted(Comparator.comparingInt((Cut cut) -> cut.range().start())
                        .thenComparingInt(cut -> -cut.range().end()))
                .toList();
        if (imports.isEmpty() || content.contains("\\u")) {
            return without(content, 0, cuts);
        }
        int codeStart = imports.get(imports.size() - 1).range().end();
        String rest = without(content, codeStart, cuts);
        StringBuilder shortened = new StringBuilder();
        if (!packageName.isEmpty()) {
            shortened.append("package ").append(packageName).append(';');
        }
        Set<String> used = Words.among(importedNames(), rest, new Range(0, rest.length()));
        for (ImportOutline line : imports) {
            if (line.isOnDemand() || used.contains(line.simpleName())) {
                shortened.append(content, line.range().start(), line.range().end());
            }
        }
        return shortened.append(rest).toString();
    }

    private Set<String> importedNames() {
        return imports.stream().map(ImportOutline::simpleName).collect(Collectors.toSet());
    }

    /** The content from somewhere on, cut; a blank stands where names would grow together. */
    private static String without(String content, int from, List<Cut> cuts) {
        StringBuilder rest = new StringBuilder();
        int at = from;
        for (Cut cut : cuts) {
            if (cut.range().start() < at) {
                continue;
            }
            rest.append(content, at, cut.range().start()).append(cut.instead());
            at = cut.range().end();
            if (rest.length() > 0 && at < content.length() && Words.isPart(rest.charAt(rest.length() - 1))
                    && Words.isPart(content.charAt(at))) {
                rest.append(' ');
            }
        }
        return rest.append(content, at, content.length()).toString();
    }

    private String withoutNeedlessImports(String content, char[] blanked, Predicate<ImportOutline> keepImport) {
        boolean hasEscapes = content.contains("\\u");
        if (imports.isEmpty() || hasEscapes) {
            return new String(blanked);
        }
        String rest = new String(blanked);
        int codeStart = imports.get(imports.size() - 1).range().end();
        Set<String> used = Words.among(importedNames(), rest, new Range(codeStart, content.length()));
        for (ImportOutline candidate : imports) {
            boolean needed = candidate.isOnDemand() || keepImport.test(candidate)
                    || used.contains(candidate.simpleName());
            if (!needed) {
                blank(blanked, candidate.range());
            }
        }
        return new String(blanked);
    }

    private static void blank(char[] content, Range range) {
        for (int i = range.start(); i < range.end(); i++) {
            if (content[i] != '\n' && content[i] != '\r') {
                content[i] = ' ';
            }
        }
    }
}
