package dev.deftchisel.guard;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.guard.comparison.ArgumentComparison;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.ExecutableElement;

/**
 * The words in a method that may give way where the object that it is called on becomes a parameter, or the other way
 * round. What stands there instead is for {@link ArgumentComparison} to say.
 */
final class ObjectWords {

    private final Analysis before;
    /** The methods whose object moves: none in most changes, which is asked for every token. */
    private final List<Map.Entry<SymbolKey, NewSignature>> moved;

    ObjectWords(Analysis before, SymbolEffects meaning) {
        this.before = before;
        this.moved = meaning.signatures().entrySet().stream()
                .filter(entry -> !(entry.getValue().object() instanceof NewSignature.CalledOn.Same)).toList();
    }

    /** Whether a token is {@code static} or {@code this} in such a method, or names such a parameter. */
    boolean mayGo(SourceFile file, Tokens tokens, int token) {
        return moved.stream().anyMatch(entry -> isWithin(file, entry.getKey(), tokens.range(token))
                && (tokens.is(token, "this") || tokens.is(token, "static")
                        || names(file, entry, tokens.range(token))));
    }

    private boolean isWithin(SourceFile file, SymbolKey method, Range token) {
        Optional<Binding> declared = before.declaration(method).filter(one -> one.file().equals(file.path()));
        return declared.flatMap(one -> before.code(file.path()).flatMap(code -> code.declaration(one.range())
                .map(path -> code.range(path.getLeaf())))).filter(range -> range.encloses(token)).isPresent();
    }

    private boolean names(SourceFile file, Map.Entry<SymbolKey, NewSignature> method, Range name) {
        Optional<SymbolKey> parameter = method.getValue().objectParameter().flatMap(index -> before
                .known(method.getKey()).map(known -> before.key(((ExecutableElement) known.element()).getParameters()
                        .get(index))));
        return parameter.filter(key -> before.bindings(file.path()).stream()
                .anyMatch(binding -> binding.range().equals(name) && binding.key().equals(key))).isPresent();
    }
}
