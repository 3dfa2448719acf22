package dev.deftchisel.move.name;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.change.Edit;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.rewrite.EditsByFile;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;

/**
 * Writes the name of a type that moves wherever it stands: in full where it stands in full, in an import that names it,
 * behind the type that it becomes a member of, or alone with an import.
 */
public final class MovedTypeUses {

    private final Analysis before;
    private final Moves all;
    private final MovedType moved;
    private final Destination destination;
    private final EditsByFile edits;
    private final String newName;

    public MovedTypeUses(Analysis before, Moves all, MovedType moved, EditsByFile edits) {
        this.before = before;
        this.all = all;
        this.moved = moved;
        this.destination = moved.destination();
        this.edits = edits;
        this.newName = moved.newName();
    }

    /** Writes all of them. */
    public void write() {
        for (SourceFile file : before.files()) {
            if (!file.root().isProcessed()) {
                write(file);
            }
        }
        before.snapshot().files().stream().filter(SourceFile::isModuleInfo)
                .filter(file -> before.focus().files().contains(file.path())).forEach(this::write);
    }

    private void write(SourceFile file) {
        NamesInFile names = new NamesInFile(before, file);
        boolean isImported = names.imported(moved.canonicalName()).isPresent();
        for (Binding use : before.bindings(file.path())) {
            boolean isUse = use.key().equals(moved.key()) && use.isNamed() && use.role() != Role.DECLARATION;
            if (isUse) {
                write(names, use, isImported);
            }
        }
    }

    private void write(NamesInFile names, Binding use, boolean isImported) {
        SourceFile file = names.file();
        boolean isText = use.role() == Role.DOC;
        Range whole = names.upTo(use.range(), isText);
        boolean isSimple = whole.equals(use.range());
        if (use.role() == Role.IMPORT || file.isModuleInfo()) {
            importLine(file, whole);
        } else if (isSimple && (moved.holds(file.path(), use.range()) || isImported || isSeen(names, use))) {
            // its simple name means it there as it did
            return;
        } else if (!isSimple && !isText && names.beginsWithPackage(whole)) {
            put(file, whole, newName, Edit.Kind.REFERENCE);
        } else if (isText) {
            documented(names, use, whole, isImported);
        } else if (!isSimple || !names.isSelected(use.range())) {
            put(file, whole, named(names, use), Edit.Kind.REFERENCE);
        }
    }

    private void put(SourceFile file, Range range, String text, Edit.Kind kind) {
        if (!file.content().substring(range.start(), range.end()).equals(text)) {
            edits.of(file.path()).add(Edit.of(range, text, kind));
        }
    }

    /** An import of what is found without is left out. */
    private void importLine(SourceFile file, Range whole) {
        Optional<ImportOutline> line = file.outline().imports().stream()
                .filter(one -> one.range().encloses(whole)).findFirst();
        boolean isNeedless = line.filter(one -> !one.isStatic() && !one.isOnDemand()
                && one.name().equals(moved.canonicalName())).isPresent()
                && destination instanceof Destination.OwnFile && all.packageOf(file).equals(destination.packageName());
        if (isNeedless || line.filter(one -> isOutOfOrder(file, one)).isPresent()) {
            edits.of(file.path()).add(Edit.of(Layout.removed(file, line.get().range()), "", Edit.Kind.IMPORT));
            before.code(file.path()).filter(code -> !isNeedless)
                    .ifPresent(code -> edits.writer(code).importing(newName));
        } else {
            put(file, whole, newName, Edit.Kind.REFERENCE);
        }
    }

    /** Whether the imports are sorted as they are, and would not be with the new name in place of the old one. */
    private boolean isOutOfOrder(SourceFile file, ImportOutline line) {
        List<String> names = file.outline().imports().stream().filter(one -> !one.isStatic())
                .map(ImportOutline::name).toList();
        List<String> then = names.stream().map(name -> name.equals(line.name()) ? newName : name).toList();
        return !line.isStatic() && !line.isOnDemand() && line.name().equals(moved.canonicalName())
                && names.equals(names.stream().sorted().toList()) && !then.equals(then.stream().sorted().toList());
    }

    /** Whether its simple name means it without an import of its own. */
    private boolean isSeen(NamesInFile names, Binding use) {
        if (destination instanceof Destination.Member member) {
            return before.enclosing(names.file().path(), use.range().start()).stream()
                    .anyMatch(around -> before.isSubtype(around.element(), member.outer()));
        }
        return all.packageOf(names.file()).equals(destination.packageName())
                || names.importsAll(destination.packageName());
    }

    private String named(NamesInFile names, Binding use) {
        AttributedFile code = before.code(names.file().path()).orElseThrow();
        if (destination instanceof Destination.Member member) {
            return isSeen(names, use) ? moved.name() : outer(code, member) + "." + moved.name();
        } else if (!names.isFree(moved.name(), moved.key())) {
            return newName;
        }
        boolean isImported = names.imported(moved.canonicalName()).isPresent();
        if (!isSeen(names, use) && !isImported && !moved.holds(names.file().path(), use.range())) {
            edits.writer(code).importing(newName);
        }
        return moved.name();
    }

    private String outer(AttributedFile code, Destination.Member member) {
        return Optional.ofNullable(code.elements().getTypeElement(member.canonicalName()))
                .map(edits.writer(code)::name).orElse(member.canonicalName());
    }

    /** No import is written for documentation alone. */
    private void documented(NamesInFile names, Binding use, Range whole, boolean isImported) {
        boolean isSimple = whole.equals(use.range());
        boolean isNamedInCode = before.bindings(names.file().path()).stream()
                .anyMatch(other -> other.key().equals(moved.key()) && other.role() == Role.TYPE
                        && !moved.holds(other.file(), other.range()))
                && names.isFree(moved.name(), moved.key()) && destination instanceof Destination.OwnFile;
        boolean isSeen = isSeen(names, use) || isImported || isNamedInCode
                || moved.holds(names.file().path(), use.range());
        if (isSimple && isSeen) {
            return;
        }
        List<String> parts = List.of(whole(names, whole).split("\\."));
        boolean isInFull = !isSimple && parts.get(0).matches("\\p{Ll}.*");
        put(names.file(), whole, isSeen && !isInFull ? moved.name() : isInFull ? newName : documentedName(names),
                Edit.Kind.DOCUMENTATION);
    }

    /** The shortest name that needs no import. */
    private String documentedName(NamesInFile names) {
        if (!(destination instanceof Destination.Member member)) {
            return newName;
        }
        String outer = member.canonicalName();
        boolean isNear = names.imported(outer).isPresent() || all.packageOf(names.file()).equals(member.packageName());
        return isNear && !member.packageName().isEmpty() ? newName.substring(names.imported(outer).isPresent()
                ? outer.lastIndexOf('.') + 1 : member.packageName().length() + 1) : newName;
    }

    private static String whole(NamesInFile names, Range range) {
        return names.file().content().substring(range.start(), range.end());
    }
}
