package dev.deftchisel.rename.mention;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.surroundings.OtherLanguages;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * Finds the name where it stands in text rather than in code: comments, prose in documentation, string literals, and
 * text files beside the code. Each is an edit that may be taken or left.
 *
 * <p>Sure are only qualified names where a framework reads them as such: in {@code META-INF/services} and in attributes
 * of XML; and names of members in annotations that look for these. Those are taken unless told otherwise, the rest only
 * when asked for.
 */
public final class Mentions {

    private static final long LARGEST_BYTES = 1 << 20;
    private static final Pattern XML = Pattern.compile(".*\\.(?:xml|fxml|xhtml|xsd|wsdl)");

    /** Which mentions are taken. */
    public enum Choice {
        NONE, SURE, ALL;

        boolean takes(boolean isSure) {
            return this == ALL || this == SURE && isSure;
        }
    }

    private final Snapshot snapshot;
    private final RenamedWords renaming;
    private final Choice choice;

    public Mentions(Snapshot snapshot, RenamedWords renaming, Choice choice) {
        this.snapshot = snapshot;
        this.renaming = renaming;
        this.choice = choice;
    }

    /**
     * A place where a word stands that changes.
     *
     * @param isType whether it is the qualified name of a type
     */
    private record Word(Range range, String newName, boolean isType) {

        Word(Range range, String newName) {
            this(range, newName, false);
        }
    }

    /**
     * Mentions in Java files.
     *
     * @param scope the only place to look, or empty for all files
     * @param known ranges that are edited already
     */
    public Map<Path, List<Edit>> inJava(Optional<Scope> scope, Map<Path, Set<Range>> known) {
        Map<Path, List<Edit>> found = new TreeMap<>();
        for (SourceFile file : snapshot.files()) {
            boolean isInScope = scope.isEmpty() || scope.get().file().equals(file.path());
            if (isInScope && file.root().kind() == SourceRoot.Kind.SOURCE
                    && !words(file.content(), true).isEmpty()) {
                Range within = scope.map(Scope::range).orElse(new Range(0, file.content().length()));
                List<Edit> edits = inFile(file, within, known.getOrDefault(file.path(), Set.of()));
                if (!edits.isEmpty()) {
                    found.put(file.path(), edits);
                }
            }
        }
        return found;
    }

    /** The only place a local name can be spoken of. */
    public record Scope(Path file, Range range) {

        /** Local names are spoken of in the body around them, private ones in their file. */
        public static Optional<Scope> of(Symbol target, Analysis before) {
            if (!target.kind().isLocal() && !target.isPrivate()) {
                return Optional.empty();
            }
            return before.declaration(target.key()).map(declared -> {
                SourceFile file = before.snapshot().source(declared.file());
                Range whole = new Range(0, file.content().length());
                Range body = file.outline().bodies().stream()
                        .filter(candidate -> candidate.encloses(declared.range()))
                        .findFirst()
                        .orElse(target.kind().isLocal() ? declared.range() : whole);
                return new Scope(declared.file(), target.kind().isLocal() ? body : whole);
            });
        }
    }

    private List<Edit> inFile(SourceFile file, Range within, Set<Range> known) {
        Tokens tokens = file.tokens();
        boolean isHome = renaming.home().filter(file.path()::equals).isPresent();
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < tokens.count(); i++) {
            TokenKind kind = tokens.kind(i);
            if (!kind.isComment() && !kind.isText() || !within.encloses(tokens.range(i))) {
                continue;
            }
            int start = tokens.start(i);
            for (Word word : words(tokens.text(i), kind.isText())) {
                Range place = new Range(start + word.range().start(), start + word.range().end());
                if (!known.contains(place) && !isEscaped(tokens, place)) {
                    edits.add(new Edit(place, word.newName(), kind.isComment() ? Edit.Kind.COMMENT : Edit.Kind.STRING,
                            choice.takes(isHome && kind.isText() && StringReferences.isOne(tokens, i,
                                    renaming.oldName()) || word.isType() && kind.isText()
                                    && StringReferences.namesClass(tokens, i))));
                }
            }
        }
        return edits;
    }

    /**
     * Where a word stands alone, or is the last part of the binary name of a type or of one within it (JLS 13.1).
     *
     * @param withProperties whether expressions may stand there that write a property by its name
     */
    private List<Word> words(String text, boolean withProperties) {
        String oldName = renaming.oldName();
        List<Word> found = new ArrayList<>();
        renaming.types().forEach((name, newName) -> types(text, name, newName, found));
        Words.find(text, oldName).stream().filter(range -> found.stream()
                        .noneMatch(known -> known.range().overlaps(range)) && !isWithinName(text, range))
                .forEach(range -> found.add(new Word(range, renaming.newName())));
        String qualified = renaming.qualifiedOld();
        for (int at = text.indexOf(qualified); at >= 0
                && !qualified.equals(oldName); at = text.indexOf(qualified, at + 1)) {
            int end = at + qualified.length();
            Range word = new Range(end - oldName.length(), end);
            boolean isFree = endsQualified(text, word)
                    && (end == text.length() || text.charAt(end) == '$'
                            || !Character.isJavaIdentifierPart(text.charAt(end)));
            if (isFree && found.stream().noneMatch(known -> known.range().equals(word))) {
                found.add(new Word(word, renaming.newName()));
            }
        }
        renaming.along().forEach((name, newName) -> Words.find(text, name)
                .forEach(range -> found.add(new Word(range, newName))));
        if (withProperties) {
            renaming.properties().forEach((name, newName) -> Words.find(text, name).stream()
                    .filter(range -> isProperty(text, range) && found.stream()
                            .noneMatch(known -> known.range().equals(range)))
                    .forEach(range -> found.add(new Word(range, newName))));
        }
        found.sort(Comparator.comparing(Word::range));
        return found;
    }

    /** Where the qualified name of a type stands, or the beginning of that of one within it. */
    private static void types(String text, String name, String newName, List<Word> found) {
        for (int at = text.indexOf(name); at >= 0; at = text.indexOf(name, at + 1)) {
            int end = at + name.length();
            boolean isWhole = (at == 0 || text.charAt(at - 1) != '.' && !Character.isJavaIdentifierPart(text
                    .charAt(at - 1))) && (end == text.length() || text.charAt(end) == '$'
                    || !Character.isJavaIdentifierPart(text.charAt(end)));
            Range range = new Range(at, end);
            if (isWhole && found.stream().noneMatch(known -> known.range().overlaps(range))) {
                found.add(new Word(range, newName, true));
            }
        }
    }

    /** Whether a dotted name is the end of a longer one. */
    private boolean isWithinName(String text, Range range) {
        return renaming.oldName().contains(".") && range.start() > 0 && text.charAt(range.start() - 1) == '.';
    }

    /**
     * Whether a word is selected from something, begins an expression in braces, or is all that stands between
     * quotation marks.
     */
    private static boolean isProperty(String text, Range word) {
        char before = word.start() == 0 ? ' ' : text.charAt(word.start() - 1);
        char behind = word.end() == text.length() ? ' ' : text.charAt(word.end());
        boolean isSelected = before == '.' && word.start() > 1
                && (Character.isJavaIdentifierPart(text.charAt(word.start() - 2))
                        || ")]?!".indexOf(text.charAt(word.start() - 2)) >= 0);
        return isSelected || before == '{' || "\"'".indexOf(before) >= 0 && before == behind;
    }

    /** Whether the word's first letter belongs to an escape, as the n of a line feed does. */
    private static boolean isEscaped(Tokens tokens, Range place) {
        return place.start() > 0 && tokens.content().charAt(place.start() - 1) == '\\';
    }

    /**
     * Mentions in text files under the resource roots; a service file that is named after a type moves along.
     *
     * @param moves where else a file moves to
     */
    public List<FileChange> inResources(Map<Path, Path> moves) {
        List<FileChange> changes = new ArrayList<>();
        for (Path path : snapshot.resources()) {
            Optional<Path> target = serviceTarget(path).or(() -> Optional.ofNullable(moves.get(path)));
            inTextFile(path, target).ifPresent(changes::add);
        }
        return changes;
    }

    /** Mentions in files of other languages that stand beside the code. */
    public List<FileChange> beside() {
        Set<Path> resources = Set.copyOf(snapshot.resources());
        return OtherLanguages.in(snapshot.workspace()).stream().filter(path -> !resources.contains(path))
                .flatMap(path -> inTextFile(path, Optional.empty()).stream()).toList();
    }

    private Optional<FileChange> inTextFile(Path path, Optional<Path> target) {
        Optional<SourceText> text = text(path);
        List<Edit> edits = text.map(found -> inText(path, found.content())).orElse(List.of());
        return edits.isEmpty() && (target.isEmpty() || text.isEmpty()) ? Optional.empty()
                : Optional.of(new FileChange(path, target, text.get(), edits));
    }

    private static boolean isService(Path path) {
        return path.getParent() != null && path.getParent().endsWith(Path.of("META-INF", "services"));
    }

    private Optional<Path> serviceTarget(Path path) {
        if (choice == Choice.NONE || !isService(path)) {
            return Optional.empty();
        }
        String name = path.getFileName().toString();
        boolean isRenamed = name.equals(renaming.qualifiedOld()) && !renaming.qualifiedOld().equals(renaming.oldName());
        return Optional.ofNullable(isRenamed ? renaming.qualifiedNew() : renaming.types().get(name))
                .map(path::resolveSibling);
    }

    private static Optional<SourceText> text(Path path) {
        try {
            if (Files.size(path) > LARGEST_BYTES) {
                return Optional.empty();
            }
            byte[] bytes = Files.readAllBytes(path);
            for (byte b : bytes) {
                if (b == 0) {
                    return Optional.empty();
                }
            }
            SourceText text = SourceText.decode(bytes, StandardCharsets.UTF_8);
            return Optional.of(text.isFaithful() ? text : SourceText.decode(bytes, StandardCharsets.ISO_8859_1));
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }

    private List<Edit> inText(Path path, String content) {
        List<Edit> edits = new ArrayList<>();
        for (Word word : words(content, true)) {
            boolean isQualified = word.isType() || !renaming.qualifiedOld().equals(renaming.oldName())
                    && endsQualified(content, word.range());
            boolean isSure = isQualified
                    && (isService(path) || XML.matcher(path.toString()).matches()
                            && isInAttribute(content, word.range()));
            edits.add(new Edit(word.range(), word.newName(), Edit.Kind.RESOURCE, choice.takes(isSure)));
        }
        return edits;
    }

    /** Whether the word is the end of the qualified name. */
    private boolean endsQualified(String content, Range word) {
        int start = word.end() - renaming.qualifiedOld().length();
        return start >= 0 && content.startsWith(renaming.qualifiedOld(), start)
                && (start == 0 || !Character.isJavaIdentifierPart(content.charAt(start - 1))
                && content.charAt(start - 1) != '.');
    }

    /** Whether a quotation mark that opens after an equals sign is the last one before the word. */
    private static boolean isInAttribute(String content, Range word) {
        int open = Math.max(content.lastIndexOf('"', word.start()), content.lastIndexOf('\'', word.start()));
        return open > 0 && content.substring(0, open).stripTrailing().endsWith("=")
                && content.lastIndexOf('<', open) > content.lastIndexOf('>', open);
    }
}
