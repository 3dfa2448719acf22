package dev.deftchisel.operation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * The constructor that somebody means who looks around. Where an object is created (JLS 15.9) and where a constructor
 * is declared (JLS 8.8) the name of the class stands, and a rename takes it for that; who asks for declaration, uses or
 * callers there means the constructor.
 */
public final class NamedConstructor {

    private final Analysis analysis;
    private final SourceFile file;
    private final Tokens tokens;

    private NamedConstructor(Analysis analysis, SourceFile file) {
        this.analysis = analysis;
        this.file = file;
        this.tokens = file.tokens();
    }

    /**
     * The constructor; empty where none is called or declared.
     *
     * @param analysis of the code around the caret
     * @param caret    an offset in the file
     */
    public static Optional<Symbol> at(Analysis analysis, SourceFile file, int caret) {
        return new NamedConstructor(analysis, file).constructor(caret).flatMap(analysis::symbol);
    }

    private Optional<SymbolKey> constructor(int caret) {
        Optional<Binding> name = analysis.at(file.path(), caret).stream().findFirst();
        if (name.isEmpty()) {
            // on 'new', 'this' or 'super' itself
            return unnamed(binding -> binding.role() == Role.CALL && isKeyword(binding.range())
                    && binding.range().touches(caret));
        }
        if (!(name.get().key() instanceof SymbolKey.Type type)) {
            return Optional.empty();
        }
        Range range = name.get().range();
        return unnamed(binding -> binding.role() == Role.DECLARATION && binding.range().equals(range))
                .or(() -> creation(range).flatMap(start -> unnamed(binding -> binding.role() == Role.CALL
                        && binding.range().start() == start && isOf(type, binding.key()))))
                .filter(key -> isOf(type, key));
    }

    /** An object of an anonymous class is created by a constructor of that class, which calls the one that is meant. */
    private static boolean isOf(SymbolKey.Type type, SymbolKey key) {
        return key instanceof SymbolKey.Method constructor && constructor.owner().equals(type);
    }

    private boolean isKeyword(Range range) {
        int token = tokens.at(range.start());
        return token >= 0 && tokens.kind(token) == TokenKind.KEYWORD;
    }

    /** The last that is meant: that of an anonymous class comes before the one that it calls. */
    private Optional<SymbolKey> unnamed(Predicate<Binding> isMeant) {
        return analysis.bindings(file.path()).stream()
                .filter(NamedConstructor::isConstructor).filter(isMeant).map(Binding::key)
                .reduce((own, called) -> called);
    }

    /** Where the {@code new} stands before the name of a class, which may be qualified. */
    private Optional<Integer> creation(Range name) {
        int token = tokens.codeBefore(tokens.at(name.start()) - 1);
        while (token >= 1 && tokens.is(token, '.')) {
            int qualifier = tokens.codeBefore(token - 1);
            if (qualifier < 0 || tokens.kind(qualifier) != TokenKind.IDENTIFIER) {
                return Optional.empty();
            }
            token = tokens.codeBefore(qualifier - 1);
        }
        return token >= 0 && tokens.is(token, "new") ? Optional.of(tokens.start(token)) : Optional.empty();
    }

    /** Where constructors are declared, by file: there the name of the class stands, which is no use of it. */
    public static Map<Path, Set<Range>> declarations(Analysis analysis, Collection<Path> files) {
        return files.stream().collect(Collectors.toMap(file -> file, file -> analysis.bindings(file).stream()
                .filter(binding -> binding.role() == Role.DECLARATION && isConstructor(binding))
                .map(Binding::range).collect(Collectors.toSet())));
    }

    private static boolean isConstructor(Binding binding) {
        return !binding.isNamed() && binding.key() instanceof SymbolKey.Method method
                && method.name().equals("<init>");
    }

    /**
     * Where the name of the class stands in the creation of an object whose {@code new} is at a range; the range itself
     * for other calls of constructors.
     */
    public static Range created(Tokens tokens, Range call) {
        int token = tokens.at(call.start());
        if (token < 0 || !tokens.is(token, "new")) {
            return call;
        }
        Range name = call;
        for (int next = tokens.code(token + 1); next < tokens.count(); next = tokens.code(next + 1)) {
            if (tokens.kind(next) == TokenKind.IDENTIFIER) {
                name = tokens.range(next);
            } else if (!tokens.is(next, '.')) {
                break;
            }
        }
        return name;
    }
}
