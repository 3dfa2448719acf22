/**
 * What sources declare, kept as class files between analyses: the compiler reads one of those in a fraction of the time
 * that it needs to enter the source again, and only when something of it is asked for.
 */
package dev.deftchisel.analysis.declared;
