package dev.deftchisel.rewrite;

import dev.deftchisel.change.FileChange;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import dev.deftchisel.workspace.SourceRoot;
import dev.deftchisel.workspace.surroundings.EditorStyle;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javax.lang.model.SourceVersion;
import javax.lang.model.util.Elements;

/**
 * A file that is made for one type: the header that a neighbour has, the package, the imports, the type (JLS 7.3, 7.6).
 */
public final class NewFile {

    private final SourceFile draft;
    private final Layout layout;
    private final int body;
    private final TypeWriter writer;

    private NewFile(SourceFile draft, Layout layout, int body, Elements elements) {
        this.draft = draft;
        this.layout = layout;
        this.body = body;
        this.writer = new TypeWriter(draft, elements);
    }

    /**
     * The file of a top-level type.
     *
     * @param root        in which it is found by its package
     * @param packageName empty for the unnamed package
     * @param type        its simple name
     * @param neighbour   a file that tells the header, and where no .editorconfig does, line ends and indentation
     * @param snapshot    that the file comes to
     * @param elements    of the code that it will be with
     * @throws IllegalArgumentException when the root is not one of the workspace
     */
    public static NewFile of(SourceRoot root, String packageName, String type, SourceFile neighbour, Snapshot snapshot,
            Elements elements) {
        Path path = root.folderOf(packageName).resolve(type + ".java");
        Layout around = Layout.of(neighbour);
        EditorStyle style = EditorStyle.of(path, snapshot.workspace().root());
        Layout layout = new Layout(style.lineEnd().orElse(around.lineEnd()), style.unit().orElse(around.unit()));
        String end = layout.lineEnd();
        String head = header(neighbour, end) + (packageName.isEmpty() ? ""
                : "package " + packageName + ";" + end + end);
        // the name of the type is there from the start, so that no other of that name is imported
        Snapshot with = snapshot.with(Map.of(path, Optional.of(head + "class " + type + " {" + end + "}" + end)),
                Map.of());
        return new NewFile(with.file(path)
                .orElseThrow(() -> new IllegalArgumentException(root + " is not a root of the workspace")),
                layout, head.length(), elements);
    }

    /**
     * What a file begins with that somebody made without any text: the header of a neighbour, the package of its
     * folder, and the type that is named after it; empty where no source folder is.
     *
     * @param path     of the file
     * @param snapshot in which its neighbours are
     */
    public static Optional<String> begun(Path path, Snapshot snapshot) {
        String type = path.getFileName().toString().replaceFirst("\\.java$", "");
        Optional<SourceRoot> root = snapshot.workspace().rootOf(path).filter(SourceRoot::isJava);
        Optional<SourceFile> neighbour = snapshot.files().stream()
                .filter(file -> !file.path().equals(path) && root.filter(file.root()::equals).isPresent())
                .min(Comparator.comparing((SourceFile file) -> !path.getParent().equals(file.path().getParent()))
                        .thenComparing(SourceFile::path));
        return root.filter(found -> SourceVersion.isName(type)).map(found -> {
            String packageName = found.packageOf(path.getParent());
            String end = EditorStyle.of(path, snapshot.workspace().root()).lineEnd()
                    .or(() -> neighbour.map(file -> Layout.of(file).lineEnd())).orElse("\n");
            return neighbour.map(file -> header(file, end)).orElse("")
                    + (packageName.isEmpty() ? "" : "package " + packageName + ";" + end + end)
                    + "public class " + type + " {" + end + "}" + end;
        });
    }

    /** What is said above the package, such as a licence. */
    private static String header(SourceFile neighbour, String end) {
        Tokens tokens = neighbour.tokens();
        int start = tokens.code(0);
        boolean isAboveAll = start < tokens.count() && start > 0 && tokens.kind(0).isComment()
                && tokens.kind(0) != TokenKind.WHITE_SPACE
                && neighbour.outline().packageRange().length() > 0;
        return isAboveAll ? neighbour.content().substring(0, tokens.start(start)).stripTrailing() + end : "";
    }

    /** Where it will be. */
    public Path path() {
        return draft.path();
    }

    /** Writes types in it, and collects the imports. */
    public TypeWriter writer() {
        return writer;
    }

    /**
     * The file with a type that comes from elsewhere.
     *
     * @param code writes it
     */
    public FileChange with(Consumer<NewCode> code) {
        NewCode text = new NewCode(draft).write(head());
        code.accept(text);
        return FileChange.created(draft.path(), draft.text().charset(), text.write(layout.lineEnd()).at(0));
    }

    /** What stands above the type. */
    private String head() {
        return new FileChange(draft.path(), Optional.empty(),
                draft.text().with(draft.content().substring(0, body)), writer.imports()).after().content();
    }

    /**
     * The file with its type.
     *
     * @param lines  the type, each level indented by four blanks
     * @param linked names in it that are only proposed, each declared there once
     */
    public FileChange with(List<String> lines, Set<String> linked) {
        NewCode text = new NewCode(draft).write(head()).write(layout.text(lines, ""), linked)
                .write(layout.lineEnd());
        return FileChange.created(draft.path(), draft.text().charset(), text.at(0));
    }
}
