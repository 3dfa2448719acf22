/**
 * Candidates for single tokens: words, numbers, quotes, operators, comments.
 */
package dev.deftchisel.repair.syntax.token;
