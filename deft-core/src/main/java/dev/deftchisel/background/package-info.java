/**
 * One thread that works on a workspace while others take keys or messages: what is more urgent goes first, what was
 * replaced is left out. For surfaces that must stay responsive; knows nothing of code but how its work is stopped
 * ({@link dev.deftchisel.analysis.compiler.Monitor}).
 */
package dev.deftchisel.background;
