/**
 * Rules about what is declared and not needed. Each is a class of its own, listed as a service; what several of them
 * ask is in {@code Declared}.
 */
package dev.deftchisel.rule.unused;
