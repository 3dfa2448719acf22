/**
 * Methods before and after a fix, in class loaders of their own, called with the same arguments: boundaries, null,
 * numbers that are none, boxes that are equal and not the same, functions that record their calls. What comes back,
 * what is thrown, printed, called and changed must agree. Shares nothing with the guard.
 */
package dev.deftchisel.proving.behaviour;
