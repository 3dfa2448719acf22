package dev.deftchisel.operation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.ImplicitOrigin;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.source.Position;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Reads places as people write them:
 * <pre>
 * path:line:column                      a caret; line and column from 1
 * path:line                             the first word of a line
 * path:line:column-line:column          a selection
 * pkg.Type  pkg.Type.Nested  pkg        a type or package by its qualified name
 * pkg.Type#member  pkg.Type#member(A,B) a member, as in Javadoc; parameter types by simple or qualified name
 * </pre>
 */
public final class PlaceReader {

    private static final Pattern CARET = Pattern.compile("(.+?):(\\d+)(?::(\\d+)(?:-(\\d+):(\\d+))?)?");
    private static final Pattern SYMBOL = Pattern.compile(
            "(?<type>[\\p{L}_$][\\p{L}\\p{N}_$.]*)(?:#(?<member>[\\p{L}\\p{N}_$]+)(?:\\((?<parameters>[^)]*)\\))?)?");

    private final Analyst analyst;
    private final Path workingFolder;

    /**
     * @param analyst       of the code in which places are
     * @param workingFolder which relative paths start from; the workspace's root is tried next
     */
    public PlaceReader(Analyst analyst, Path workingFolder) {
        this.analyst = analyst;
        this.workingFolder = workingFolder;
    }

    /**
     * Reads one place.
     *
     * @throws PlaceException when the text has no such form, or nothing is there
     */
    public Place read(String text) {
        Matcher caret = CARET.matcher(text);
        if (caret.matches()) {
            return caret(text, caret);
        }
        Matcher symbol = SYMBOL.matcher(text);
        if (symbol.matches()) {
            return symbol(text, symbol);
        }
        throw new PlaceException("'" + text + "' is not a place;"
                + " write path:line:column, path:line, or a symbol such as harbour.Berth#moor(Vessel)");
    }

    private Place caret(String text, Matcher matcher) {
        SourceFile file = file(matcher.group(1));
        int start = offset(file, matcher.group(2), matcher.group(3), text);
        int end = matcher.group(4) == null ? start : offset(file, matcher.group(4), matcher.group(5), text);
        if (end < start) {
            throw new PlaceException(text + ": the selection ends before it starts");
        }
        return new Place(file.path(), new Range(start, end));
    }

    private SourceFile file(String name) {
        Snapshot snapshot = analyst.snapshot();
        try {
            for (Path folder : List.of(workingFolder, snapshot.workspace().root())) {
                Optional<SourceFile> found = snapshot.file(folder.resolve(name).toAbsolutePath().normalize());
                if (found.isPresent()) {
                    return found.get();
                }
            }
            if (Files.exists(workingFolder.resolve(name)) || Files.exists(snapshot.workspace().root().resolve(name))) {
                throw new PlaceException(name + ": this is not a Java file in a source folder of the workspace "
                        + snapshot.workspace().root());
            }
        } catch (InvalidPathException illegal) {
            throw new PlaceException(name + ": this is not a path");
        }
        throw new PlaceException(name + ": no such file in the workspace " + snapshot.workspace().root());
    }

    private static int offset(SourceFile file, String line, String column, String text) {
        try {
            int number = Integer.parseInt(line);
            Position position = new Position(number, column == null ? firstWord(file, number)
                    : Integer.parseInt(column));
            return file.lines().offset(position).orElseThrow(() -> outside(file, position, text));
        } catch (NumberFormatException tooLarge) {
            throw new PlaceException(text + ": the place is outside the file, which has "
                    + file.lines().count() + " lines");
        }
    }

    /** The column of the first character of a line that is no blank, from 1 on. */
    private static int firstWord(SourceFile file, int line) {
        String text = line >= 1 && line <= file.lines().count() ? file.lines().text(line) : "";
        return 1 + text.length() - text.stripLeading().length();
    }

    private static PlaceException outside(SourceFile file, Position position, String text) {
        int lines = file.lines().count();
        if (position.line() < 1 || position.line() > lines) {
            return new PlaceException(text + ": the place is outside the file, which has " + lines + " lines");
        }
        String line = file.lines().text(position.line());
        return new PlaceException(text + ": line " + position.line() + " has only "
                + line.codePointCount(0, line.length()) + " characters");
    }

    private Place symbol(String text, Matcher matcher) {
        String typeName = matcher.group("type");
        String member = matcher.group("member");
        for (SourceFile file : analyst.snapshot().files()) {
            boolean mayDeclare = file.header().types().stream()
                    .anyMatch(type -> (typeName + ".").startsWith(file.header().qualifiedName(type) + "."));
            for (TypeOutline type : mayDeclare ? file.outline().types() : List.<TypeOutline>of()) {
                if (file.outline().qualifiedName(type).equals(typeName)) {
                    return member == null
                            ? new Place(file.path(), new Range(type.nameRange().start(), type.nameRange().start()))
                            : member(text, file, typeName, member, matcher.group("parameters"));
                }
            }
        }
        if (member == null) {
            return packagePlace(text, typeName);
        }
        throw new PlaceException(text + ": there is no type " + typeName + " in the workspace" + near(typeName));
    }

    /** In the declaration of the package itself or, when it has no types of its own, of one below it. */
    private Place packagePlace(String text, String name) {
        return analyst.snapshot().files().stream()
                .filter(file -> (file.header().packageName() + ".").startsWith(name + ".")
                        && file.content().startsWith(name, file.outline().packageRange().start()))
                .min(Comparator.comparingInt(file -> file.header().packageName().length()))
                .map(file -> {
                    int last = file.outline().packageRange().start() + name.length() - 1;
                    return new Place(file.path(), new Range(last, last));
                })
                .orElseThrow(() -> new PlaceException(
                        text + ": there is no type or package of this name in the workspace" + near(name)));
    }

    /** A hint at types whose simple name is the same but for letter case, or begins like it. */
    private String near(String qualified) {
        String simple = qualified.substring(qualified.lastIndexOf('.') + 1);
        List<String> candidates = analyst.snapshot().files().stream()
                .flatMap(file -> file.outline().types().stream()
                        .filter(type -> isNear(type.name(), simple))
                        .map(file.outline()::qualifiedName))
                .limit(3)
                .toList();
        return candidates.isEmpty() ? "" : "; did you mean " + String.join(" or ", candidates) + "?";
    }

    private static boolean isNear(String known, String given) {
        int common = Math.min(known.length(), given.length());
        return common >= 3 && Math.abs(known.length() - given.length()) <= 2
                && known.regionMatches(true, 0, given, 0, common);
    }

    private Place member(String text, SourceFile file, String typeName, String member, String parameters) {
        String simpleType = typeName.substring(typeName.lastIndexOf('.') + 1);
        Analysis analysis = analyst.analyse(Focus.on(Set.of(file.path()), Set.of(member)));
        List<Binding> declared = analysis.bindings(file.path()).stream()
                .filter(binding -> binding.role() == Role.DECLARATION)
                .filter(binding -> analysis.symbol(binding.key()).filter(symbol -> symbol.name().equals(member)
                        && symbol.owner().flatMap(analysis::symbol)
                        .filter(owner -> owner.signature().equals(typeName)).isPresent()).isPresent())
                .filter(binding -> parameters == null
                        || matches(analysis.symbol(binding.key()).orElseThrow(), parameters))
                .toList();
        if (declared.isEmpty()) {
            return added(text, typeName, member, parameters)
                    .orElseThrow(() -> new PlaceException(text + ": " + simpleType
                    + " declares no member " + member + (parameters == null ? "" : "(" + parameters + ")")
                    + ImplicitOrigin.unused(file, typeName, member, analyst).map(origin -> ", " + origin).orElse("")));
        }
        Optional<Binding> field = declared.stream()
                .filter(binding -> analysis.symbol(binding.key()).filter(symbol -> symbol.kind().isField()).isPresent())
                .findFirst();
        if (field.isPresent()) {
            // as in documentation, a name without parentheses means the field when there is one
            declared = List.of(field.get());
        }
        if (declared.size() > 1) {
            throw new PlaceException(text + ": there are several; say which: " + declared.stream()
                    .map(binding -> analysis.symbol(binding.key()).orElseThrow().signature())
                    .map(signature -> typeName + "#" + signature.substring(signature.indexOf('.') + 1))
                    .collect(Collectors.joining(" or ")));
        }
        return new Place(file.path(), new Range(declared.get(0).range().start(), declared.get(0).range().start()));
    }

    /** A member that does not stand in the text is where it is used first. */
    private Optional<Place> added(String text, String typeName, String member, String parameters) {
        Snapshot snapshot = analyst.snapshot();
        List<Path> files = snapshot.files().stream().filter(file -> file.content().contains(member))
                .map(SourceFile::path).toList();
        Analysis analysis = analyst.analyse(Focus.on(files, Set.of(member)));
        Map<String, Place> found = new TreeMap<>();
        for (Path file : files) {
            for (Binding binding : analysis.bindings(file)) {
                analysis.symbol(binding.key()).filter(symbol -> symbol.name().equals(member) && !symbol.kind().isLocal()
                                && (parameters == null || matches(symbol, parameters))
                                && symbol.owner().flatMap(analysis::symbol)
                                .filter(owner -> owner.signature().equals(typeName)).isPresent())
                        .filter(symbol -> ImplicitOrigin.origin(symbol, analyst).isPresent())
                        .ifPresent(symbol -> found.putIfAbsent(symbol.signature(),
                                new Place(file, new Range(binding.range().start(), binding.range().start()))));
            }
        }
        if (found.size() > 1) {
            throw new PlaceException(text + ": there are several; say which: " + found.keySet().stream()
                    .map(signature -> typeName + "#" + signature.substring(signature.indexOf('.') + 1))
                    .collect(Collectors.joining(" or ")));
        }
        return found.values().stream().findFirst();
    }

    private static boolean matches(Symbol symbol, String parameters) {
        String signature = symbol.signature();
        int open = signature.indexOf('(');
        return open >= 0 && plain(signature.substring(open + 1, signature.length() - 1)).equals(plain(parameters));
    }

    /** Parameter types without packages, type arguments and blanks. */
    private static String plain(String parameters) {
        return parameters.replaceAll("<[^()]*>", "").replaceAll("\\s+", "").replace("...", "[]")
                .replaceAll("(?:[\\p{L}\\p{N}_$]+\\.)+", "");
    }
}
