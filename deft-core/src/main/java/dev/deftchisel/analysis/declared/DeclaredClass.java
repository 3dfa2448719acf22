package dev.deftchisel.analysis.declared;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.net.URI;
import javax.tools.SimpleJavaFileObject;

/** The class file of one type, without any code (JVMS 4). */
public final class DeclaredClass extends SimpleJavaFileObject {

    private final String binaryName;
    private final byte[] bytes;

    DeclaredClass(String binaryName, byte[] bytes) {
        super(URI.create("declared:///" + binaryName.replace('.', '/') + Kind.CLASS.extension), Kind.CLASS);
        this.binaryName = binaryName;
        this.bytes = bytes.clone();
    }

    /** As in JLS 13.1, with dots between packages. */
    public String binaryName() {
        return binaryName;
    }

    @Override
    public InputStream openInputStream() {
        return new ByteArrayInputStream(bytes);
    }
}
