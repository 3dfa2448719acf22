/** Rules about code that says what is so anyway: it can be left out, and the program stays the same. */
package dev.deftchisel.rule.redundant;
