package dev.deftchisel.proving.oracle.step;

import dev.deftchisel.Chisel;
import dev.deftchisel.change.FileChange;
import dev.deftchisel.proving.oracle.Applied;
import dev.deftchisel.proving.oracle.TrialOracle;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Undo gives back every byte, and redo makes the change again. */
public final class UndoGivesBack implements TrialOracle {

    @Override
    public String name() {
        return "undo gives back every byte";
    }

    @Override
    public Optional<String> objection(Chisel chisel, Applied applied) throws IOException {
        Map<Path, byte[]> after = new LinkedHashMap<>();
        for (FileChange file : applied.change().effective().stream().filter(one -> !one.isGone()).toList()) {
            after.put(file.pathAfter(), Files.readAllBytes(file.pathAfter()));
        }
        chisel.undo();
        Optional<String> wrong = differing(applied.before()).map(file -> "undo does not give back " + file);
        for (FileChange file : applied.change().effective()) {
            if ((file.isNew() || file.target().isPresent()) && Files.exists(file.pathAfter())) {
                wrong = Optional.of("undo leaves " + file.pathAfter());
            }
        }
        chisel.redo();
        return wrong.isPresent() ? wrong : differing(after).map(file -> "redo does not make again " + file);
    }

    private static Optional<Path> differing(Map<Path, byte[]> expected) throws IOException {
        for (Map.Entry<Path, byte[]> entry : expected.entrySet()) {
            boolean isSame = Files.exists(entry.getKey())
                    && Arrays.equals(entry.getValue(), Files.readAllBytes(entry.getKey()));
            if (!isSame) {
                return Optional.of(entry.getKey());
            }
        }
        return Optional.empty();
    }
}
