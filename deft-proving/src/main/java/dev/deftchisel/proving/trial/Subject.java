package dev.deftchisel.proving.trial;

import dev.deftchisel.analysis.SymbolKind;
import dev.deftchisel.operation.Place;

/**
 * What one trial is to do.
 *
 * @param number  of the trial in its run, from 0
 * @param place   in the untouched corpus
 * @param kind    of the symbol there
 * @param oldName what it is called
 * @param symbol  as it is shown, for messages
 * @param newName what it is to be called
 */
public record Subject(int number, Place place, SymbolKind kind, String oldName, String symbol, String newName) {
}
