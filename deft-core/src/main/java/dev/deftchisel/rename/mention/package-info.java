/** Mentions of renamed symbols in text: comments, strings, resources, and names that are made of theirs. */
package dev.deftchisel.rename.mention;
