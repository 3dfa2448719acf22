/**
 * Writes changes to disk, all or nothing, and takes them back.
 *
 * <p>Each change is a transaction: its intent and the images of all files before and after are on disk before the first
 * file is touched, so that after a kill at any moment the next start can go back. May call {@code change}; knows
 * neither analysis nor operations.
 */
package dev.deftchisel.journal;
