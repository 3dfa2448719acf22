/**
 * Fixes for declarations: what a class must implement, how a method overrides another, modifiers, headers, annotations.
 */
package dev.deftchisel.repair.declaration;
