/**
 * Kills processes while the journal writes, lets two write at once, and fills the disk. Afterwards everything must be
 * as before or as planned, never in between.
 */
package dev.deftchisel.proving.torture;
