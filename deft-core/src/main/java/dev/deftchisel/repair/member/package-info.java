/**
 * Fixes for members that a type does not have, or that may not be used.
 */
package dev.deftchisel.repair.member;
