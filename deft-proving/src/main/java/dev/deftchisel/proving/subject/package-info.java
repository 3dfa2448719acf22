/**
 * What an operation is tried on: places drawn at random from real code, with what is answered there.
 */
package dev.deftchisel.proving.subject;
