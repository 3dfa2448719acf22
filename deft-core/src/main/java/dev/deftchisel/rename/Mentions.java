package dev.deftchisel.rename;

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
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
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
 * of XML. Those are taken unless told otherwise, the rest only when asked for.
 */
final class Mentions {

    private static final long LARGEST_BYTES = 1 << 20;
    private static final Pattern XML = Pattern.compile(".*\\.(?:xml|fxml|xhtml|xsd|wsdl)");

    /** Which mentions are taken. */
    enum Choice {
        NONE, SURE, ALL;

        boolean takes(boolean isSure) {
            return this == ALL || this == SURE && isSure;
        }
    }

    private final Snapshot snapshot;
    private final String oldName;
    private final String newName;
    private final String qualifiedOld;
    private final String qualifiedNew;
    private final Choice choice;

    /**
     * @param oldName      the word searched for
     * @param qualifiedOld the whole name by which resources may refer to it; the word itself when there is none
     */
    Mentions(
            Snapshot snapshot,
            String oldName,
            String newName,
            String qualifiedOld,
            String qualifiedNew,
            Choice choice) {
        this.snapshot = snapshot;
        this.oldName = oldName;
        this.newName = newName;
        this.qualifiedOld = qualifiedOld;
        this.qualifiedNew = qualifiedNew;
        this.choice = choice;
    }

    /**
     * Mentions in Java files.
     *
     * @param scope the only place to look, or empty for all files
     * @param known ranges that are edited already
     */
    Map<Path, List<Edit>> inJava(Optional<Scope> scope, Map<Path, Set<Range>> known) {
        Map<Path, List<Edit>> found = new TreeMap<>();
        for (SourceFile file : snapshot.files()) {
            boolean isInScope = scope.isEmpty() || scope.get().file().equals(file.path());
            if (isInScope && file.root().kind() == SourceRoot.Kind.SOURCE
                    && !words(file.content()).isEmpty()) {
                Range within = scope.map(Scope::range).orElse(new Range(0, file.content().length()));
                List<Edit> edits = inFile(file.tokens(), within, known.getOrDefault(file.path(), Set.of()));
                if (!edits.isEmpty()) {
                    found.put(file.path(), edits);
                }
            }
        }
        return found;
    }

    /** The only place a local name can be spoken of. */
    record Scope(Path file, Range range) {
    }

    private List<Edit> inFile(Tokens tokens, Range within, Set<Range> known) {
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < tokens.count(); i++) {
            TokenKind kind = tokens.kind(i);
            if (!kind.isComment() && !kind.isText() || !within.encloses(tokens.range(i))) {
                continue;
            }
            int start = tokens.start(i);
            for (Range word : words(tokens.text(i))) {
                Range place = new Range(start + word.start(), start + word.end());
                if (!known.contains(place) && !isEscaped(tokens, place)) {
                    edits.add(new Edit(place, newName,
                            kind.isComment() ? Edit.Kind.COMMENT : Edit.Kind.STRING, choice.takes(false)));
                }
            }
        }
        return edits;
    }

    /** Where the word stands alone, or is the last part of the binary name of a type or of one within it (JLS 13.1). */
    private List<Range> words(String text) {
        List<Range> found = new ArrayList<>(Words.find(text, oldName));
        for (int at = text.indexOf(qualifiedOld); at >= 0 && !qualifiedOld.equals(oldName); at = text.indexOf(qualifiedOld, at + 1)) {
            int end = at + qualifiedOld.length();
            Range word = new Range(end - oldName.length(), end);
            boolean isFree = endsQualified(text, word)
                    && (end == text.length() || text.charAt(end) == '$' || !Character.isJavaIdentifierPart(text.charAt(end)));
            if (isFree && !found.contains(word)) {
                found.add(word);
            }
        }
        return found;
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
    List<FileChange> inResources(Map<Path, Path> moves) {
        List<FileChange> changes = new ArrayList<>();
        for (Path path : snapshot.resources()) {
            Optional<Path> target = serviceTarget(path).or(() -> Optional.ofNullable(moves.get(path)));
            Optional<SourceText> text = text(path);
            if (text.isPresent() && (target.isPresent() || text.get().content().contains(oldName))) {
                List<Edit> edits = inText(path, text.get().content());
                if (!edits.isEmpty() || target.isPresent()) {
                    changes.add(new FileChange(path, target, text.get(), edits));
                }
            }
        }
        return changes;
    }

    private static boolean isService(Path path) {
        return path.getParent() != null && path.getParent().endsWith(Path.of("META-INF", "services"));
    }

    private Optional<Path> serviceTarget(Path path) {
        return choice != Choice.NONE && isService(path) && path.getFileName().toString().equals(qualifiedOld)
                && !qualifiedOld.equals(oldName)
                ? Optional.of(path.resolveSibling(qualifiedNew))
                : Optional.empty();
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
        for (Range word : words(content)) {
            boolean isQualified = !qualifiedOld.equals(oldName) && endsQualified(content, word);
            boolean isSure = isQualified
                    && (isService(path) || XML.matcher(path.toString()).matches() && isInAttribute(content, word));
            edits.add(new Edit(word, newName, Edit.Kind.RESOURCE, choice.takes(isSure)));
        }
        return edits;
    }

    /** Whether the word is the end of the qualified name. */
    private boolean endsQualified(String content, Range word) {
        int start = word.end() - qualifiedOld.length();
        return start >= 0 && content.startsWith(qualifiedOld, start)
                && (start == 0 || !Character.isJavaIdentifierPart(content.charAt(start - 1))
                && content.charAt(start - 1) != '.');
    }

    /** Whether a quotation mark that opens behind an equals sign is the last one before the word. */
    private static boolean isInAttribute(String content, Range word) {
        int open = Math.max(content.lastIndexOf('"', word.start()), content.lastIndexOf('\'', word.start()));
        return open > 0 && content.substring(0, open).stripTrailing().endsWith("=")
                && content.lastIndexOf('<', open) > content.lastIndexOf('>', open);
    }
}
