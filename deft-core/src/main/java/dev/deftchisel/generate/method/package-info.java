/**
 * Members that follow from other methods and types: inherited methods, delegation, tests, checks of parameters,
 * documentation.
 */
package dev.deftchisel.generate.method;
