/**
 * Fixes for what the flow of control asks: results, cases, exceptions, values assigned once and before they are read.
 */
package dev.deftchisel.repair.flow;
