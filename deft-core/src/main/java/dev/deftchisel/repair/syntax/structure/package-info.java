/**
 * Candidates for the structure of a file: headers, bodies, braces, statements, cases, loops, handlers.
 */
package dev.deftchisel.repair.syntax.structure;
