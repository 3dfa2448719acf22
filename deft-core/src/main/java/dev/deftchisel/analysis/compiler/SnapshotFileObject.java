package dev.deftchisel.analysis.compiler;

import dev.deftchisel.workspace.SourceFile;
import java.util.function.Supplier;
import javax.tools.SimpleJavaFileObject;

/** A file of the snapshot as the compiler reads it: with all bodies, some, or none. */
final class SnapshotFileObject extends SimpleJavaFileObject {

    private final SourceFile file;
    private final String packageName;
    private final String simpleName;
    private final Supplier<String> content;

    /** @param content what the compiler is to see of the file */
    SnapshotFileObject(SourceFile file, String packageName, String simpleName, Supplier<String> content) {
        super(file.uri(), Kind.SOURCE);
        this.file = file;
        this.packageName = packageName;
        this.simpleName = simpleName;
        this.content = content;
    }

    String binaryName() {
        return packageName.isEmpty() ? simpleName : packageName + "." + simpleName;
    }

    @Override
    public CharSequence getCharContent(boolean ignoreEncodingErrors) {
        return content.get();
    }

    @Override
    public boolean isNameCompatible(String name, Kind kind) {
        // the rule that a public type has the name of its file (JLS 7.6) is checked against the real name
        return kind == Kind.SOURCE && file.path().endsWith(name + ".java");
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof SnapshotFileObject object && object.file == file;
    }

    @Override
    public int hashCode() {
        return file.path().hashCode();
    }
}
