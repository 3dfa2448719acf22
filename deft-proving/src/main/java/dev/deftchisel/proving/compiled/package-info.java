/**
 * A whole workspace compiled by a run of the compiler of its own, and its test suite run, both without anything of deft
 * but the texts.
 */
package dev.deftchisel.proving.compiled;
