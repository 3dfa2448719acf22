package dev.deftchisel.proving.oracle.step;

import dev.deftchisel.Chisel;
import dev.deftchisel.change.Edit;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.proving.oracle.Applied;
import dev.deftchisel.proving.oracle.TrialOracle;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Each file on disk is what the preview said, byte for byte: the old bytes with the taken edits in place, and nothing
 * else. Worked out on bytes here, where deft works on characters.
 */
public final class BytesOutsideEdits implements TrialOracle {

    @Override
    public String name() {
        return "bytes equal outside the edits";
    }

    @Override
    public Optional<String> objection(Chisel chisel, Applied applied) throws IOException {
        for (FileChange file : applied.change().effective()) {
            if (file.isGone()) {
                if (Files.exists(file.path())) {
                    return Optional.of(file.path() + " is still there");
                }
                continue;
            }
            byte[] expected = expected(file.isNew() ? new byte[0] : applied.before().get(file.path()),
                    file.takenEdits(), file.before()
                    .charset());
            if (!Arrays.equals(expected, Files.readAllBytes(file.pathAfter()))) {
                return Optional.of(file.pathAfter() + " differs outside the edits of the preview");
            }
            if (file.target().isPresent() && Files.exists(file.path())) {
                return Optional.of(file.path() + " is still there");
            }
        }
        return Optional.empty();
    }

    private static byte[] expected(byte[] before, List<Edit> edits, Charset charset) {
        // one character a byte: offsets are turned from characters into bytes by encoding what stands before them
        String decoded = new String(before, charset);
        int mark = decoded.startsWith("\uFEFF") ? 1 : 0;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int at = 0;
        for (Edit edit : edits.stream().sorted().toList()) {
            int start = decoded.substring(0, edit.range().start() + mark).getBytes(charset).length;
            int end = decoded.substring(0, edit.range().end() + mark).getBytes(charset).length;
            out.write(before, at, start - at);
            out.writeBytes(edit.replacement().getBytes(charset));
            at = end;
        }
        out.write(before, at, before.length - at);
        return out.toByteArray();
    }
}
