package dev.deftchisel.move.name;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.Optional;

/** What the names in a file are, as it stands before a move. */
public record NamesInFile(Analysis before, SourceFile file) {

    /**
     * The whole of a name of which a part stands at a range: from its first part up to that one (JLS 6.2).
     *
     * @param isText whether it stands in documentation, where names are no tokens
     */
    public Range upTo(Range part, boolean isText) {
        if (isText) {
            int start = part.start();
            String content = file.content();
            while (start > 0 && (content.charAt(start - 1) == '.'
                    || Character.isJavaIdentifierPart(content.charAt(start - 1)))) {
                start--;
            }
            return new Range(start, part.end());
        }
        Tokens tokens = file.tokens();
        int first = tokens.at(part.start());
        for (int dot = tokens.codeBefore(first - 1); dot > 0 && tokens.is(dot, '.')
                && tokens.kind(tokens.codeBefore(dot - 1)) == TokenKind.IDENTIFIER;
                dot = tokens.codeBefore(first - 1)) {
            first = tokens.codeBefore(dot - 1);
        }
        return new Range(tokens.start(first), part.end());
    }

    /** Whether nothing stands before a name that it is selected from. */
    public boolean isSimple(Range name, boolean isText) {
        return upTo(name, isText).equals(name) && (isText || !isSelected(name));
    }

    /** Whether a name is selected from something that is no name, such as a type with arguments. */
    public boolean isSelected(Range name) {
        Tokens tokens = file.tokens();
        int previous = tokens.codeBefore(tokens.at(name.start()) - 1);
        return previous >= 0 && (tokens.is(previous, '.') || tokens.is(previous, "::"));
    }

    /** The import that names a type alone (JLS 7.5.1). */
    public Optional<ImportOutline> imported(String canonicalName) {
        return file.outline().imports().stream()
                .filter(line -> !line.isStatic() && !line.isOnDemand() && line.name().equals(canonicalName))
                .findFirst();
    }

    /** Whether all types of a package are imported (JLS 7.5.2). */
    public boolean importsAll(String packageName) {
        return file.outline().imports().stream()
                .anyMatch(line -> !line.isStatic() && line.isOnDemand() && line.name().equals(packageName));
    }

    /** Whether a simple name means nothing in the file but a type. */
    public boolean isFree(String name, SymbolKey type) {
        Tokens tokens = file.tokens();
        return file.outline().imports().stream().noneMatch(line -> !line.isOnDemand() && !line.isStatic()
                        && line.simpleName().equals(name) && !line.name().equals(canonical(type)))
                && file.outline().types().stream().noneMatch(sketch -> sketch.name().equals(name)
                        && !file.outline().qualifiedName(sketch).equals(canonical(type)))
                && before.bindings(file.path()).stream()
                        .filter(binding -> binding.isNamed() && !binding.key().equals(type))
                        .map(Binding::range)
                        .noneMatch(range -> tokens.content().startsWith(name, range.start())
                                && range.length() == name.length() && !isSelected(range));
    }

    private static String canonical(SymbolKey type) {
        return type instanceof SymbolKey.Type known ? known.binaryName().replace('$', '.') : "";
    }

    /** Whether a name begins with that of a package. */
    public boolean beginsWithPackage(Range whole) {
        Tokens tokens = file.tokens();
        Range first = tokens.range(tokens.at(whole.start()));
        return before.bindings(file.path()).stream()
                .anyMatch(binding -> binding.range().equals(first) && binding.key() instanceof SymbolKey.Package);
    }
}
