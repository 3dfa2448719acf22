/**
 * Options that several commands of {@code prove} share.
 */
package dev.deftchisel.proving.option;
