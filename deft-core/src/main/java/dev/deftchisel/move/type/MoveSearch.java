package dev.deftchisel.move.type;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.FileOutline;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What must be looked at before a type moves. */
final class MoveSearch {

    private MoveSearch() {
    }

    /**
     * All that names the types, their own text as a whole, and in the package and file of each what names its members:
     * those may be out of reach then.
     */
    static Focus focus(Analyst analyst, Map<SymbolKey.Type, Destination> types) {
        Set<Path> files = new HashSet<>();
        Set<String> names = new HashSet<>();
        Map<Path, List<Range>> whole = new HashMap<>();
        types.keySet().forEach(type -> names.add(type.simpleName()));
        files.addAll(analyst.snapshot().pathsMentioning(names));
        Map<String, Set<String>> leaving = new HashMap<>();
        types.forEach((type, destination) -> {
            analyst.declaring(type).ifPresent(file -> {
                files.add(file.path());
                whole.put(file.path(), List.of(new Range(0, file.content().length())));
                Set<String> members = members(file.outline(), type);
                names.addAll(members);
                if (!file.header().packageName().equals(destination.packageName())) {
                    files.addAll(neighbours(analyst, file));
                    leaving.computeIfAbsent(file.header().packageName(), home -> new HashSet<>()).addAll(members);
                }
            });
            if (destination instanceof Destination.Member member) {
                analyst.declaring(member.outer()).map(SourceFile::path).ifPresent(files::add);
                names.add(member.outer().simpleName());
            }
        });
        leaving.forEach((home, members) -> analyst.snapshot().mentioning(members).stream()
                .filter(other -> other.header().packageName().equals(home))
                .map(SourceFile::path).forEach(files::add));
        return new Focus(files, names, Set.of(), whole, false);
    }

    /** The files of its package that declare a type which its file names: what is used of it may have to be opened. */
    private static Set<Path> neighbours(Analyst analyst, SourceFile home) {
        Set<String> named = home.tokens().names();
        return analyst.snapshot().files().stream().filter(file -> !file.root().isProcessed()
                        && file.header().packageName().equals(home.header().packageName())
                        && file.header().types().stream().anyMatch(named::contains))
                .map(SourceFile::path).collect(Collectors.toSet());
    }

    /** The names of all that is declared within the type. */
    private static Set<String> members(FileOutline outline, SymbolKey.Type type) {
        String nested = type.binaryName().substring(type.binaryName().lastIndexOf('.') + 1).replace('$', '.');
        Optional<Range> whole = outline.types().stream().filter(one -> one.nestedName().equals(nested)).findFirst()
                .flatMap(one -> outline.members().stream()
                        .filter(member -> member.nameRange().equals(one.nameRange())).findFirst())
                .map(MemberOutline::range);
        return outline.members().stream().filter(member -> whole.filter(range -> range.encloses(member.nameRange()))
                .isPresent()).map(MemberOutline::name).collect(Collectors.toSet());
    }
}
