/**
 * Fixes for calls of methods and constructors whose arguments do not fit.
 */
package dev.deftchisel.repair.call;
