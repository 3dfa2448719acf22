package dev.deftchisel.change;

import dev.deftchisel.analysis.SymbolKey;
import dev.deftchisel.source.Range;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Says where each place and symbol of the code before a change is found after it. */
public final class Mapping {

    private final Meaning meaning;
    private final Map<Path, FileChange> files = new HashMap<>();
    private final Map<Path, Shifts> shifts = new HashMap<>();

    Mapping(Change change) {
        this.meaning = change.meaning();
        for (FileChange file : change.files()) {
            files.put(file.path(), file);
            shifts.put(file.path(), new Shifts(file.takenEdits()));
        }
    }

    /** Where the file is afterwards. */
    public Path file(Path before) {
        FileChange change = files.get(before);
        return change == null ? before : change.pathAfter();
    }

    /**
     * Every place where a name is afterwards: one, unless code is carried to several places, or replaced by something
     * else.
     */
    public List<Range> names(Path before, Range range) {
        List<Range> copies = shifts(before).copies(range);
        return copies.isEmpty() ? name(before, range).stream().toList() : copies;
    }

    /**
     * Where a name is afterwards: behind anything inserted before it, and at the end of an edit that replaces it.
     *
     * @return empty when the name was replaced by something else
     */
    public Optional<Range> name(Path before, Range range) {
        Shifts moved = shifts(before);
        List<Range> copies = moved.copies(range);
        if (!copies.isEmpty()) {
            return Optional.of(copies.get(0));
        }
        Optional<Edit> around = moved.replacing(range);
        if (around.isEmpty()) {
            int shift = moved.upTo(range.start(), true);
            return Optional.of(new Range(range.start() + shift, range.end() + shift));
        }
        Edit edit = around.get();
        if (!edit.kind().isName() || edit.range().end() != range.end()) {
            return Optional.empty();
        }
        int end = edit.range().start() + moved.upTo(edit.range().start(), false) + edit.replacement().length();
        return Optional.of(new Range(end - edit.nameLength(), end));
    }

    /** Where a piece of code is afterwards, with whatever was inserted at its start. */
    public Range code(Path before, Range range) {
        Shifts moved = shifts(before);
        List<Range> copies = moved.copies(range);
        if (!copies.isEmpty()) {
            return copies.get(0);
        }
        int start = moved.after(range.start());
        int end = moved.after(range.end());
        return new Range(start, Math.max(start, end));
    }

    /**
     * Where the replacement of an edit stands afterwards.
     *
     * @param edit one of the taken edits of the file
     */
    public Range written(Path before, Edit edit) {
        int start = shifts(before).startOf(edit);
        return new Range(start, start + edit.replacement().length());
    }

    /** The offset before the change that an offset after it came from, or the start of the edit it lies in. */
    public int origin(Path before, int after) {
        return shifts(before).origin(after);
    }

    /** The path before the change of a file that is there after it. */
    public Path origin(Path after) {
        return files.values().stream()
                .filter(file -> file.pathAfter().equals(after))
                .map(FileChange::path)
                .findFirst()
                .orElse(after);
    }

    private Shifts shifts(Path before) {
        return shifts.getOrDefault(before, Shifts.NONE);
    }

    /** What the symbol's key is afterwards. */
    public SymbolKey key(SymbolKey before) {
        if (before instanceof SymbolKey.Type type) {
            return new SymbolKey.Type(meaning.binaryName(type.binaryName()));
        } else if (before instanceof SymbolKey.Field field) {
            return new SymbolKey.Field(key(field.owner()), meaning.names().getOrDefault(field, field.name()));
        } else if (before instanceof SymbolKey.Method method) {
            return new SymbolKey.Method(key(method.owner()),
                    meaning.names().getOrDefault(method, method.name()), meaning.descriptor(method.descriptor()));
        } else if (before instanceof SymbolKey.TypeParameter parameter) {
            return new SymbolKey.TypeParameter(key(parameter.owner()), parameter.index());
        } else if (before instanceof SymbolKey.Local local) {
            return new SymbolKey.Local(file(local.file()), offset(local.file(), local.offset()));
        } else if (before instanceof SymbolKey.LocalType local) {
            return new SymbolKey.LocalType(file(local.file()), offset(local.file(), local.offset()));
        } else if (before instanceof SymbolKey.Package home) {
            return new SymbolKey.Package(meaning.packages().getOrDefault(home.name(), home.name()));
        } else if (before instanceof SymbolKey.Module module) {
            return new SymbolKey.Module(meaning.names().getOrDefault(module, module.name()));
        }
        return before;
    }

    /** What a variable's key is in each place to which its declaration is carried. */
    public Set<SymbolKey> copies(SymbolKey before) {
        return before instanceof SymbolKey.Local local
                ? shifts(local.file()).copies(new Range(local.offset(), local.offset() + 1)).stream()
                        .map(range -> new SymbolKey.Local(file(local.file()), range.start()))
                        .collect(Collectors.toSet())
                : Set.of();
    }

    private int offset(Path file, int before) {
        return name(file, new Range(before, before + 1))
                .map(Range::start)
                .orElseGet(() -> nameStart(file, before));
    }

    /** The start of a declared name of several characters that an edit replaces as a whole. */
    private int nameStart(Path file, int before) {
        return shifts(file).replacing(new Range(before, before + 1))
                .flatMap(edit -> name(file, edit.range()))
                .map(Range::start)
                .orElse(before);
    }

    /** The keys that the renamed symbols have afterwards. */
    public Set<SymbolKey> renamed() {
        return meaning.names().keySet().stream().map(this::key).collect(Collectors.toSet());
    }

    /** What a descriptor reads afterwards. */
    public String descriptor(String before) {
        return meaning.descriptor(before);
    }
}
