package dev.deftchisel.guard.moved;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Whether an edit writes nothing but the name of what moves as it is then. */
public final class MovedNames {

    private final Analysis before;
    private final Analysis after;
    private final Change change;
    private final Mapping mapping;

    public MovedNames(Analysis before, Analysis after, Change change) {
        this.before = before;
        this.after = after;
        this.change = change;
        this.mapping = change.mapping();
    }

    /** Whether names of types and packages are written in place of such, and the last one is what moves. */
    public boolean isName(SourceFile file, Edit edit) {
        int start = mapping.code(file.path(), edit.range()).start();
        Range written = new Range(start, start + edit.replacement().length());
        List<Binding> now = after.bindings(mapping.file(file.path())).stream()
                .filter(binding -> binding.isNamed() && written.encloses(binding.range())).toList();
        List<Binding> was = before.bindings(file.path()).stream()
                .filter(binding -> binding.isNamed() && edit.range().encloses(binding.range())).toList();
        return isPlain(edit.replacement()) && now.stream().allMatch(MovedNames::isTypeOrPackage)
                && was.stream().allMatch(MovedNames::isTypeOrPackage)
                && was.stream().filter(binding -> binding.range().end() == edit.range().end())
                .anyMatch(binding -> change.meaning().owners().containsKey(binding.key()));
    }

    private static boolean isTypeOrPackage(Binding binding) {
        return binding.key() instanceof SymbolKey.Type || binding.key() instanceof SymbolKey.Package;
    }

    /** Names with dots between. */
    private static boolean isPlain(String text) {
        Tokens tokens = Tokens.of(text);
        for (int i = 0; i < tokens.count(); i++) {
            if (tokens.kind(i) != TokenKind.IDENTIFIER && !tokens.is(i, '.')) {
                return false;
            }
        }
        return tokens.count() > 0;
    }

    /** Whether a package clause names the package to which all types of the file go. */
    public boolean isPackage(SourceFile file, Edit edit) {
        return edit.range().equals(file.outline().packageRange()) && file.outline().types().stream()
                .filter(TypeOutline::isTopLevel)
                .map(type -> new SymbolKey.Type(file.outline().qualifiedName(type)))
                .allMatch(type -> new SymbolKey.Package(edit.replacement()).equals(change.meaning().owners()
                        .get(type)));
    }

    /**
     * Whether a file goes with which nothing is lost but its package and imports (JLS 7.3).
     *
     * @param losesNothing whether all code of a stretch is elsewhere then
     */
    public boolean isLeftOver(SourceFile file, Edit edit, Predicate<Range> losesNothing) {
        int first = file.outline().members().stream().filter(member -> file.outline().types().stream()
                        .anyMatch(type -> type.isTopLevel() && type.nameRange().equals(member.nameRange())))
                .mapToInt(member -> member.range().start()).min().orElse(0);
        return change.file(file.path()).filter(FileChange::isGone).isPresent()
                && losesNothing.test(new Range(first, edit.range().end()));
    }

    /** Whether a word says only who may use what moves or is opened along, or that it is static. */
    public boolean isOfPlace(SourceFile file, Tokens tokens, int token) {
        return MovedTypes.OF_PLACE.contains(tokens.text(token)) && !change.meaning().owners().isEmpty()
                && Stream.concat(
                        change.meaning().owners().keySet().stream(), change.meaning().opened().stream())
                .flatMap(key -> before.declaration(key).stream())
                .filter(declared -> declared.file().equals(file.path()))
                .anyMatch(declared -> before.code(file.path()).flatMap(code -> code.declaration(declared.range())
                        .map(path -> code.range(path.getLeaf()))).filter(range -> range.encloses(tokens.range(token))
                        && tokens.start(token) < declared.range().start()).isPresent());
    }
}
