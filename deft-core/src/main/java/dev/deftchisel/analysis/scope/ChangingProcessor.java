package dev.deftchisel.analysis.scope;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * Tells annotation processors that change types from those that only make new ones, as JSR 269 has it: there is no way
 * but through the inside of a compiler.
 */
final class ChangingProcessor {

    private static final String SERVICE = "META-INF/services/javax.annotation.processing.Processor";
    private static final String INSIDE = "com/sun/tools/javac/";

    private ChangingProcessor() {
    }

    /** Whether an archive has a processor and code that uses the inside of the compiler. */
    static boolean isIn(Path archive) {
        if (!Files.isRegularFile(archive)) {
            return false;
        }
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            return zip.getEntry(SERVICE) != null && zip.stream().filter(entry -> !entry.isDirectory())
                    .anyMatch(entry -> mentions(zip, entry));
        } catch (IOException broken) {
            return false;
        }
    }

    private static boolean mentions(ZipFile zip, ZipEntry entry) {
        try (InputStream in = zip.getInputStream(entry)) {
            return new String(in.readAllBytes(), StandardCharsets.ISO_8859_1).contains(INSIDE);
        } catch (IOException broken) {
            return false;
        }
    }
}
