package dev.deftchisel.move.moved;

import java.nio.file.Path;

/**
 * What becomes of a file that goes as a whole.
 *
 * @param path        where it is then, or is already
 * @param packageName which package it declares then
 */
public record FileGoal(Path path, String packageName) {
}
