/**
 * What mends errors of the compiler. Each class knows some of its codes, never its words, and is listed as a service.
 * Where something is missing that an operation can declare, the operation is used.
 */
package dev.deftchisel.repair;
