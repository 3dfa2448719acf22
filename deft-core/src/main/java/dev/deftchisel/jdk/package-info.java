/**
 * The JDKs on a machine: where they are, which Java they read, and which of them is to be used for a project. Stands on
 * nothing else of deft.
 */
package dev.deftchisel.jdk;
