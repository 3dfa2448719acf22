package dev.deftchisel.workspace;

import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Position;
import dev.deftchisel.source.SourceText;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.FileHeader;
import dev.deftchisel.source.outline.FileOutline;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;

/**
 * One Java file of a snapshot. What is derived from the text is computed when first asked for and then kept; asking
 * from several threads at once is safe and at worst works it out twice.
 */
public final class SourceFile {

    private final Path path;
    private final SourceText text;
    private final Module module;
    private final SourceRoot root;
    private final boolean isModuleInfo;
    private final boolean isPackageInfo;
    private volatile URI uri;
    private volatile Tokens tokens;
    private volatile FileHeader header;
    private volatile FileOutline outline;
    private volatile LineMap lines;
    private volatile String declarations;
    private volatile Boolean hasEscapes;

    SourceFile(Path path, SourceText text, Module module, SourceRoot root) {
        this.path = path;
        this.text = text;
        this.module = module;
        this.root = root;
        this.isModuleInfo = path.endsWith("module-info.java");
        this.isPackageInfo = path.endsWith("package-info.java");
    }

    /** A text without a workspace, for what it tells on its own: tokens, outline, lines. */
    public static SourceFile alone(Path path, String content) {
        Path folder = path.toAbsolutePath().getParent();
        SourceRoot root = new SourceRoot(folder, SourceRoot.Use.MAIN, SourceRoot.Kind.SOURCE);
        Module module = new Module("alone", folder, List.of(root), Dependencies.NONE, List.of(), JavaLevel.running(),
                StandardCharsets.UTF_8);
        return new SourceFile(path, new SourceText(content, StandardCharsets.UTF_8, false, true), module, root);
    }

    /** Absolute and normalised. */
    public Path path() {
        return path;
    }

    /** The path as an address; kept, since to make one the disk is asked whether it is a folder. */
    public URI uri() {
        URI known = uri;
        if (known == null) {
            known = path.toUri();
            uri = known;
        }
        return known;
    }

    /** The decoded text. */
    public SourceText text() {
        return text;
    }

    /** Shorthand for the characters of the text. */
    public String content() {
        return text.content();
    }

    /** The module the file is compiled with. */
    public Module module() {
        return module;
    }

    /** The root the file was found in. */
    public SourceRoot root() {
        return root;
    }

    /** Whether the file is {@code module-info.java}, which no other file is compiled like. */
    public boolean isModuleInfo() {
        return isModuleInfo;
    }

    /** Whether the file is {@code package-info.java}. */
    public boolean isPackageInfo() {
        return isPackageInfo;
    }

    /** Whether the text may hold Unicode escapes (JLS 3.3), so that names need not stand in it as they read. */
    public boolean hasEscapes() {
        Boolean known = hasEscapes;
        if (known == null) {
            known = content().contains("\\u");
            hasEscapes = known;
        }
        return known;
    }

    /** The tokens of the text. */
    public Tokens tokens() {
        Tokens known = tokens;
        if (known == null) {
            known = Tokens.of(content());
            tokens = known;
        }
        return known;
    }

    /** The package and the top-level types. */
    public FileHeader header() {
        FileHeader known = header;
        if (known == null) {
            known = FileHeader.of(content());
            header = known;
        }
        return known;
    }

    /** The outline of the text. */
    public FileOutline outline() {
        FileOutline known = outline;
        if (known == null) {
            known = FileOutline.of(tokens());
            outline = known;
        }
        return known;
    }

    /** The lines of the text. */
    public LineMap lines() {
        LineMap known = lines;
        if (known == null) {
            known = LineMap.of(content());
            lines = known;
        }
        return known;
    }

    /** What the file declares, see {@link FileOutline#declarations}. */
    public String declarations() {
        String known = declarations;
        if (known == null) {
            known = outline().declarations(content());
            declarations = known;
        }
        return known;
    }

    /** The position of an offset. */
    public Position position(int offset) {
        return lines().position(offset);
    }

    boolean isSameAs(SourceFile other) {
        return path.equals(other.path) && module.equals(other.module) && root.equals(other.root)
                && text.equals(other.text);
    }

    SourceFile with(Path newPath, String newContent) {
        SourceFile changed = new SourceFile(newPath, text.with(newContent), module, root);
        changed.uri = newPath.equals(path) ? uri : null;
        return changed;
    }

    @Override
    public String toString() {
        return path.toString();
    }
}
