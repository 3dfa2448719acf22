/**
 * The text of a source file: decoded losslessly, cut into tokens, measured in lines and columns. Knows no files, trees
 * or symbols, and calls no other package of ours.
 */
package dev.deftchisel.source;
