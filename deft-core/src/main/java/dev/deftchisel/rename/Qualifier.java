package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Difference;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Keeps the meaning of simple names that another declaration would capture, by writing what they are a member of:
 * {@code this.x}, {@code Outer.this.x}, {@code super.x}, {@code Type.x}, or the qualified name of a type. Where that
 * does not help, nothing is returned and the change is refused.
 *
 * <p>Each round tries the next form for a place; whether it is right is for the guard to say.
 */
public final class Qualifier {

    private final Change change;
    private final Analysis before;
    private final Mapping mapping;
    private final Map<Path, List<Edit>> edits = new TreeMap<>();

    public Qualifier(Change change, Analysis before) {
        this.change = change;
        this.before = before;
        this.mapping = change.mapping();
    }

    /** A change in which every captured name is qualified; empty when some cannot be, or nothing was left to try. */
    public Optional<Change> mend(List<Difference> differences) {
        for (Difference difference : differences) {
            if (difference.kind() == Difference.Kind.ERROR) {
                dropClashingImport(difference);
            }
        }
        // a file that just lost an import is judged anew before anything else in it is qualified
        Set<Path> imports = Set.copyOf(edits.keySet());
        for (Difference difference : differences) {
            if (difference.kind() == Difference.Kind.BINDING && difference.expected().isPresent()
                    && !imports.contains(difference.file())) {
                qualify(difference.file(), difference.range(), difference.expected().get());
            }
        }
        return edits.isEmpty() ? Optional.empty() : Optional.of(change.plus(edits, before.snapshot()));
    }

    private void qualify(Path path, Range range, SymbolKey expected) {
        Optional<SourceFile> file = before.snapshot().file(path);
        if (file.isEmpty() || isQualified(file.get().tokens(), range)) {
            return;
        }
        String tried = written(path, range);
        List<String> forms = expected instanceof SymbolKey.Type type
                ? List.of(qualifierOf(mapping.key(type)))
                : memberForms(path, range, expected);
        int next = forms.indexOf(tried) + 1;
        if (next < forms.size()) {
            put(path, range, forms.get(next));
        }
    }

    /** The qualifier that an earlier round wrote at this place, or the empty text. */
    private String written(Path path, Range range) {
        return change.file(path).stream()
                .flatMap(file -> file.edits().stream())
                .filter(edit -> edit.range().equals(range) && edit.kind().isName()
                        || edit.kind() == Edit.Kind.QUALIFIER && edit.range().start() == range.start())
                .map(edit -> edit.replacement().substring(0, edit.replacement().lastIndexOf('.') + 1))
                .findFirst()
                .orElse("");
    }

    private void put(Path path, Range range, String qualifier) {
        Optional<Edit> rename = change.file(path).stream()
                .flatMap(file -> file.edits().stream())
                .filter(edit -> edit.range().equals(range) && edit.kind().isName())
                .findFirst();
        Edit edit = rename
                .map(known -> Edit.of(range,
                        qualifier + known.replacement().substring(known.replacement().lastIndexOf('.') + 1),
                        known.kind()))
                .orElseGet(() -> Edit.of(
                        new Range(range.start(), range.start()), qualifier, Edit.Kind.QUALIFIER));
        edits.computeIfAbsent(path, file -> new ArrayList<>()).add(edit);
    }

    private static boolean isQualified(Tokens tokens, Range range) {
        int previous = tokens.codeBefore(tokens.at(range.start()) - 1);
        return previous >= 0 && (tokens.is(previous, '.') || tokens.is(previous, "::"));
    }

    /** The package or outer type of a type, with a dot at its end. */
    private static String qualifierOf(SymbolKey type) {
        String canonical = ((SymbolKey.Type) type).binaryName().replace('$', '.');
        return canonical.substring(0, canonical.lastIndexOf('.') + 1);
    }

    /** The ways to say whose member it is, best first. */
    private List<String> memberForms(Path path, Range range, SymbolKey member) {
        Optional<Symbol> symbol = before.symbol(member);
        Optional<SymbolKey> owner = symbol.flatMap(Symbol::owner);
        if (symbol.isEmpty() || owner.isEmpty() || !symbol.get().kind().isField() && !symbol.get().kind().isMethod()) {
            return List.of();
        }
        if (symbol.get().isStatic()) {
            return staticForms(owner.get());
        }
        List<String> forms = new ArrayList<>();
        List<Analysis.Enclosing> around = before.enclosing(path, range.start());
        for (int depth = 0; depth < around.size(); depth++) {
            Analysis.Enclosing enclosing = around.get(depth);
            if (enclosing.isStatic()) {
                break;
            }
            if (before.isSubtype(enclosing.element(), owner.get())) {
                if (depth == 0) {
                    forms.add("this.");
                    if (symbol.get().kind().isField()) {
                        forms.add("super.");
                    }
                } else if (!enclosing.name().isEmpty()) {
                    forms.add(nameAfter(enclosing.key(), enclosing.name()) + ".this.");
                }
                break;
            }
        }
        return forms;
    }

    private List<String> staticForms(SymbolKey owner) {
        if (!(mapping.key(owner) instanceof SymbolKey.Type type)) {
            return before.symbol(owner).map(symbol -> List.of(nameAfter(owner, symbol.name()) + ".")).orElse(List.of());
        }
        String canonical = type.binaryName().replace('$', '.');
        String simple = canonical.substring(canonical.lastIndexOf('.') + 1);
        return simple.equals(canonical) ? List.of(simple + ".") : List.of(simple + ".", canonical + ".");
    }

    private String nameAfter(SymbolKey type, String name) {
        return change.meaning().names().getOrDefault(type, name);
    }

    /**
     * Two imports of the same simple name clash (JLS 7.5.1), as does an import with a type of the file: then the import
     * of the renamed type goes, and the file names it in full.
     */
    private void dropClashingImport(Difference error) {
        SourceFile file = before.snapshot().file(error.file()).orElse(null);
        if (file == null) {
            return;
        }
        List<Edit> renames = change.file(error.file()).map(known -> known.edits()).orElse(List.of()).stream()
                .filter(edit -> edit.kind() == Edit.Kind.REFERENCE && edit.replacement().indexOf('.') < 0)
                .toList();
        boolean isImportError = file.outline().imports().stream()
                .anyMatch(line -> line.range().touches(error.range().start()));
        for (ImportOutline line : file.outline().imports()) {
            boolean isRenamed = !line.isStatic()
                    && renames.stream().anyMatch(edit -> edit.range().end() == nameEnd(file, line));
            if (isRenamed && (isImportError || isDeclaredHere(file, renames))) {
                replaceImport(file, line, renames);
            }
        }
    }

    private static boolean isDeclaredHere(SourceFile file, List<Edit> renames) {
        return file.outline().types().stream()
                .anyMatch(type -> type.isTopLevel()
                        && renames.stream().anyMatch(edit -> edit.replacement().equals(type.name())));
    }

    private static int nameEnd(SourceFile file, ImportOutline line) {
        Tokens tokens = file.tokens();
        int token = tokens.codeBefore(tokens.at(line.range().end() - 1) - 1);
        return token >= 0 && tokens.kind(token) == TokenKind.IDENTIFIER ? tokens.end(token) : -1;
    }

    private void replaceImport(SourceFile file, ImportOutline line, List<Edit> renames) {
        List<Edit> own = edits.computeIfAbsent(file.path(), path -> new ArrayList<>());
        String qualifier = line.name().substring(0, line.name().lastIndexOf('.') + 1);
        for (Edit edit : renames) {
            if (line.range().encloses(edit.range())) {
                own.add(edit.taken(false));
                own.add(Edit.of(withLineEnd(file.content(), line.range()), "", Edit.Kind.IMPORT));
            } else if (!isQualified(file.tokens(), edit.range()) && isSameType(file.path(), edit, line)) {
                own.add(Edit.of(edit.range(), qualifier + edit.replacement(), edit.kind()));
            }
        }
    }

    private boolean isSameType(Path file, Edit edit, ImportOutline line) {
        return before.bindings(file).stream()
                .filter(binding -> binding.range().equals(edit.range()))
                .anyMatch(binding -> binding.key() instanceof SymbolKey.Type type
                        && type.binaryName().replace('$', '.').equals(line.name()));
    }

    private static Range withLineEnd(String content, Range line) {
        int end = line.end();
        if (content.startsWith("\r\n", end)) {
            end += 2;
        } else if (end < content.length() && content.charAt(end) == '\n') {
            end++;
        }
        return new Range(line.start(), end);
    }
}
