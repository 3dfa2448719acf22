/**
 * Tells what the trials gave: as a table for the terminal, as JSON, and as one page with charts that needs no network.
 * Reads verdicts, knows nothing of how they came about.
 */
package dev.deftchisel.proving.report;
