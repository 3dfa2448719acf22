package dev.deftchisel.change;

import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.Snapshot;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;

/**
 * Everything that one operation wants to do, ready to be looked at.
 *
 * @param title   what it does in a few words, for the history
 * @param files   one for each file that changes or could change, by path
 * @param meaning what it does to symbols
 * @param notes   what the user should know, one line each
 */
public record Change(String title, List<FileChange> files, SymbolEffects meaning, List<String> notes) {

    /** Sorts the files by path. */
    public Change {
        files = files.stream().sorted((a, b) -> a.path().compareTo(b.path())).toList();
        notes = List.copyOf(notes);
    }

    /** Where things are after it. */
    public Mapping mapping() {
        return new Mapping(this);
    }

    /** The change to one file. */
    public Optional<FileChange> file(Path path) {
        return files.stream().filter(file -> file.path().equals(path)).findFirst();
    }

    /** The same change with a file that comes to be. */
    public Change creating(FileChange file) {
        List<FileChange> all = new ArrayList<>(files);
        all.add(file);
        return new Change(title, all, meaning, notes);
    }

    /** Only the files to which something happens. */
    public List<FileChange> effective() {
        return files.stream().filter(file -> !file.isEmpty()).toList();
    }

    /** The same change with each edit taken or left out as the choice says. */
    public Change choose(BiPredicate<FileChange, Edit> choice) {
        return new Change(title, files.stream()
                .map(file -> file.withEdits(file.edits().stream()
                        .map(edit -> edit.taken(choice.test(file, edit)))
                        .toList()))
                .toList(), meaning, notes);
    }

    /**
     * The same change with further edits; an edit at a place that has one already replaces it.
     *
     * @param more by file; a file that is not part of the change yet needs its text from the snapshot
     */
    public Change plus(Map<Path, List<Edit>> more, Snapshot snapshot) {
        Map<Path, FileChange> merged = new LinkedHashMap<>();
        files.forEach(file -> merged.put(file.path(), file));
        more.forEach((path, edits) -> {
            FileChange known = merged.computeIfAbsent(path, absent -> new FileChange(
                    path, Optional.empty(), snapshot.source(path).text(), List.of()));
            Map<Range, Edit> byRange = new LinkedHashMap<>();
            known.edits().forEach(edit -> byRange.put(edit.range(), edit));
            edits.forEach(edit -> byRange.put(edit.range(), edit));
            merged.put(path, known.withEdits(new ArrayList<>(byRange.values())));
        });
        return new Change(title, List.copyOf(merged.values()), meaning, notes);
    }

    /** This change and another that was planned on the same code and touches other files; the title is of this one. */
    public Change beside(Change other) {
        List<FileChange> all = new ArrayList<>(effective());
        all.addAll(other.effective());
        Change both = new Change(title, all, meaning.and(other.meaning), notes);
        for (String line : other.notes) {
            both = both.note(line);
        }
        return both;
    }

    /** The same change with one more note. */
    public Change note(String line) {
        List<String> all = new ArrayList<>(notes);
        if (!all.contains(line)) {
            all.add(line);
        }
        return new Change(title, files, meaning, all);
    }

    /** The code after the change, in memory. */
    public Snapshot applyTo(Snapshot snapshot) {
        Map<Path, Optional<String>> contents = new LinkedHashMap<>();
        Map<Path, Path> origins = new HashMap<>();
        for (FileChange file : effective()) {
            if (file.target().isPresent()) {
                contents.put(file.path(), Optional.empty());
                origins.put(file.pathAfter(), file.path());
            }
        }
        for (FileChange file : effective()) {
            if (file.isGone()) {
                contents.put(file.path(), Optional.empty());
            } else if (file.isNew() || snapshot.file(file.path()).isPresent()) {
                contents.put(file.pathAfter(), Optional.of(file.after().content()));
            }
        }
        return snapshot.with(contents, origins);
    }
}
