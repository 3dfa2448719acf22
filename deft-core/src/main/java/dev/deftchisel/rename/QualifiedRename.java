package dev.deftchisel.rename;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rename.mention.Mentions;
import dev.deftchisel.rename.mention.RenamedWords;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Renames a package or module. Their names are dotted and stand in code as a whole, so what is replaced is everything
 * from the first part to the last. The files of a package move to the folder of its new name.
 */
final class QualifiedRename {

    /** See {@link ClassLoader#defineClass(String, byte[], int, int, java.security.ProtectionDomain)}. */
    private static final String PLATFORM = "java.";

    private final Symbol target;
    private final String newName;
    private final boolean withSubpackages;
    private final Mentions.Choice mentions;
    private final Analyst analyst;
    private final Snapshot snapshot;

    QualifiedRename(Symbol target, String newName, Answers answers, Analyst analyst) {
        this.target = target;
        this.newName = newName;
        this.withSubpackages = answers.flag(RenameOperation.SUBPACKAGES);
        this.mentions = RenameOperation.choice(answers);
        this.analyst = analyst;
        this.snapshot = analyst.snapshot();
    }

    Plan plan() {
        if (target.kind() == SymbolKind.PACKAGE && (newName + ".").startsWith(PLATFORM)) {
            return Plan.refused("packages whose names begin with 'java' are the platform's own; no class of others is "
                    + "loaded from them");
        }
        Map<String, String> packages = target.kind() == SymbolKind.PACKAGE ? packages() : Map.of();
        if (target.kind() == SymbolKind.PACKAGE && !packages.containsKey(target.name()) && !withSubpackages) {
            return Plan.refused("no type is in the package " + target.name()
                    + " itself; to rename the packages below it, say so (subpackages)");
        }
        Map<Path, Path> moves = new TreeMap<>();
        List<Reason> obstacles = new ArrayList<>();
        for (SourceFile file : snapshot.files()) {
            String home = file.header().packageName();
            if (packages.containsKey(home) && !file.isModuleInfo()) {
                move(file, home, packages.get(home), moves, obstacles);
            }
        }
        if (!obstacles.isEmpty()) {
            return new Plan.Refused(obstacles);
        }
        Set<String> names = new HashSet<>(List.of(last(target.name()), last(newName)));
        names.addAll(meetingTypes(packages));
        Set<Path> files = snapshot.pathsMentioning(names);
        files.addAll(moves.keySet());
        Analysis before = analyst.analyse(Focus.on(files, names));
        Map<Path, Map<Range, Edit>> edits = edits(before, packages);
        Map<SymbolKey, String> renamed = target.kind() == SymbolKind.MODULE ? Map.of(target.key(), newName) : Map.of();
        Change change = new Change("rename the " + target.describe() + " to " + newName,
                files(edits, moves, packages), new SymbolEffects(renamed, packages), notes(packages));
        return new Plan.Ready(change, before);
    }

    private static String last(String dotted) {
        return dotted.substring(dotted.lastIndexOf('.') + 1);
    }

    /** The packages that get another name. */
    private Map<String, String> packages() {
        Map<String, String> packages = new LinkedHashMap<>();
        for (SourceFile file : snapshot.files()) {
            String name = file.header().packageName();
            if (name.equals(target.name())) {
                packages.put(name, newName);
            } else if (withSubpackages && name.startsWith(target.name() + ".")) {
                packages.put(name, newName + name.substring(target.name().length()));
            }
        }
        return packages;
    }

    /** Where a package moves into one that is there already, types that had nothing to do with each other meet. */
    private Set<String> meetingTypes(Map<String, String> packages) {
        Set<String> names = new HashSet<>();
        Set<String> existing = snapshot.files().stream()
                .map(file -> file.header().packageName())
                .filter(name -> packages.containsValue(name) && !packages.containsKey(name))
                .collect(Collectors.toSet());
        for (SourceFile file : snapshot.files()) {
            String home = file.header().packageName();
            if (existing.contains(home) || packages.containsKey(home) && existing.contains(packages.get(home))) {
                file.outline().types().stream()
                        .filter(TypeOutline::isTopLevel)
                        .forEach(type -> names.add(type.name()));
            }
        }
        return names;
    }

    private void move(SourceFile file, String home, String newHome, Map<Path, Path> moves, List<Reason> obstacles) {
        if (file.root().kind() != SourceRoot.Kind.SOURCE) {
            obstacles.add(Reason.at(file.path(), new Range(0, 0),
                    "this file of the package is generated and cannot be changed"));
            return;
        }
        boolean isConventional = file.path().getParent().equals(file.root().folderOf(home));
        if (isConventional) {
            Path to = file.root().folderOf(newHome).resolve(file.path().getFileName());
            if (snapshot.file(to).isPresent()) {
                obstacles.add(Reason.at(to, new Range(0, 0),
                        "this file is in the way of one that would move here from the package " + home));
            }
            moves.put(file.path(), to);
        }
    }

    private Map<Path, Map<Range, Edit>> edits(Analysis before, Map<String, String> packages) {
        Map<Path, Map<Range, Edit>> edits = new TreeMap<>();
        Map<SymbolKey, String> replacements = new LinkedHashMap<>();
        packages.forEach((from, to) -> replacements.put(new SymbolKey.Package(from), to));
        if (target.kind() == SymbolKind.MODULE) {
            replacements.put(target.key(), newName);
        }
        replacements.forEach((key, replacement) -> {
            for (Binding binding : before.uses(key)) {
                SourceFile file = before.snapshot().source(binding.file());
                if (isWholeName(before, binding)) {
                    Range whole = whole(file.tokens(), binding.range());
                    Edit.Kind kind;
                    if (binding.role() == Role.DECLARATION) {
                        kind = Edit.Kind.DECLARATION;
                    } else if (binding.role() == Role.DOC) {
                        kind = Edit.Kind.DOCUMENTATION;
                    } else {
                        kind = Edit.Kind.REFERENCE;
                    }
                    edits.computeIfAbsent(binding.file(), path -> new LinkedHashMap<>())
                            .putIfAbsent(whole, Edit.of(whole, replacement, kind));
                }
            }
        });
        return edits;
    }

    /** Whether the name is not merely the beginning of the name of a package below. */
    private static boolean isWholeName(Analysis before, Binding binding) {
        SourceFile file = before.snapshot().source(binding.file());
        int next = binding.range().end() + 1;
        return before.bindings(binding.file()).stream()
                .filter(other -> other.range().start() == next && file.content().charAt(next - 1) == '.')
                .noneMatch(other -> other.key() instanceof SymbolKey.Package);
    }

    /** From the first part of the dotted name up to the part at the range. */
    private static Range whole(Tokens tokens, Range lastPart) {
        int token = tokens.at(lastPart.start());
        if (tokens.kind(token) != TokenKind.IDENTIFIER) {
            // a reference in documentation: its parts are not tokens of their own
            int start = lastPart.start();
            while (start > 0 && (tokens.content().charAt(start - 1) == '.'
                    || Character.isJavaIdentifierPart(tokens.content().charAt(start - 1)))) {
                start--;
            }
            return new Range(start, lastPart.end());
        }
        int first = token;
        for (int i = tokens.codeBefore(token - 1); i > 0 && tokens.is(i, '.'); i = tokens.codeBefore(first - 1)) {
            first = tokens.codeBefore(i - 1);
        }
        return new Range(tokens.start(first), lastPart.end());
    }

    /** A class looks for what lies beside it in the folder of its package, by {@link Class#getResource}. */
    private Map<Path, Path> resourceMoves(Map<String, String> packages) {
        Map<Path, Path> found = new TreeMap<>();
        Set<Path> code = snapshot.files().stream().map(SourceFile::path).collect(Collectors.toSet());
        List<SourceRoot> roots = snapshot.workspace().modules().stream().flatMap(module -> module.roots().stream())
                .filter(root -> root.kind() == SourceRoot.Kind.RESOURCE).toList();
        for (Path path : packages.isEmpty() ? List.<Path>of() : snapshot.resources()) {
            for (SourceRoot root : code.contains(path) ? List.<SourceRoot>of() : roots) {
                packages.forEach((from, to) -> {
                    if (!from.isEmpty() && root.folderOf(from).equals(path.getParent())) {
                        found.put(path, root.folderOf(to).resolve(path.getFileName()));
                    }
                });
            }
        }
        found.values().removeIf(Files::exists);
        return found;
    }

    private List<FileChange> files(Map<Path, Map<Range, Edit>> references, Map<Path, Path> moves,
            Map<String, String> packages) {
        Map<Path, List<Edit>> edits = new TreeMap<>();
        moves.keySet().forEach(path -> edits.put(path, new ArrayList<>()));
        references.forEach((path, byRange) ->
                edits.computeIfAbsent(path, file -> new ArrayList<>()).addAll(byRange.values()));
        Mentions text = new Mentions(snapshot, RenamedWords.moved(target.name(), newName, types(packages)),
                mentions);
        Map<Path, Set<Range>> known = references.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue().keySet()));
        text.inJava(Optional.empty(), known).forEach((path, found) -> {
            List<Edit> all = edits.computeIfAbsent(path, file -> new ArrayList<>());
            found.stream()
                    .filter(edit -> all.stream().noneMatch(other -> other.range().overlaps(edit.range())))
                    .toList()
                    .forEach(all::add);
        });
        List<FileChange> files = new ArrayList<>();
        edits.forEach((path, list) -> files.add(new FileChange(path, Optional.ofNullable(moves.get(path)),
                snapshot.source(path).text(), list)));
        files.addAll(text.inResources(resourceMoves(packages)));
        return files;
    }

    /** The qualified names of the types that come along, old and new. */
    private Map<String, String> types(Map<String, String> packages) {
        Map<String, String> types = new TreeMap<>();
        for (SourceFile file : snapshot.files()) {
            String home = file.header().packageName();
            if (packages.containsKey(home)) {
                file.outline().types().stream().filter(TypeOutline::isTopLevel).forEach(type -> types.put(
                        home + "." + type.name(), packages.get(home) + "." + type.name()));
            }
        }
        return types;
    }

    private List<String> notes(Map<String, String> packages) {
        boolean hasBelow = !withSubpackages && snapshot.files().stream()
                .anyMatch(file -> file.header().packageName().startsWith(target.name() + "."));
        return hasBelow && !packages.isEmpty()
                ? List.of("the packages below " + target.name() + " stay where they are")
                : List.of();
    }
}
