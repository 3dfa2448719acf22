/**
 * The text of a source file: decoded losslessly, cut into tokens, measured in lines and columns, and sketched
 * (package, types, bodies) without a parser.
 *
 * <p>This is the ground floor: it knows no files, no trees and no symbols, and calls no other package of ours.
 */
package dev.deftchisel.source;
