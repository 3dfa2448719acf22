package dev.deftchisel.proving.trial;

import java.nio.file.Path;
import java.util.Optional;

/**
 * How a run goes.
 *
 * @param seed          with the corpus decides every trial
 * @param first         number of the first trial
 * @param count         how many trials
 * @param batch         how many applied changes are compiled and compared together
 * @param checkRefusals whether each refusal of the guard is forced through, to see whether it was right
 * @param launcher      the command that must print the same, asked now and then; empty to leave that out
 */
public record TrialSettings(
        long seed,
        int first,
        int count,
        int batch,
        boolean checkRefusals,
        Optional<Path> launcher) {
}
