/**
 * Picks random subjects with random answers, has deft do them, and puts the results before the oracles. A run is a
 * function of corpus and seed: each trial is picked from the untouched corpus, so that it can be repeated alone.
 */
package dev.deftchisel.proving.trial;
