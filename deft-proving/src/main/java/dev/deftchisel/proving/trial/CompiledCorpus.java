package dev.deftchisel.proving.trial;

import dev.deftchisel.proving.compiled.CompiledCode;
import dev.deftchisel.proving.corpus.Corpus;

/**
 * A corpus as it is before any trial.
 *
 * @param baseline its class files
 */
record CompiledCorpus(Corpus corpus, CompiledCode baseline) {
}
