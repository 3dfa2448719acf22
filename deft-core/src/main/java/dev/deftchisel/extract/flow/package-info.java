/**
 * The data and control flow of a piece of code that becomes a method: what flows in ({@link
 * dev.deftchisel.extract.flow.Inputs}) and out ({@link dev.deftchisel.extract.flow.Results}), how control leaves it
 * ({@link dev.deftchisel.extract.flow.Exits}), and which other pieces do the same ({@link
 * dev.deftchisel.extract.flow.Duplicates}).
 */
package dev.deftchisel.extract.flow;
