/**
 * What the repairs of compiler errors share: conversions, default values, spelling, modifiers, results. The repairs
 * themselves are in packages below, by what is wrong: {@code name}, {@code member}, {@code call}, {@code type},
 * {@code declaration}, {@code flow}, {@code syntax}. Each knows some codes of the compiler and is listed as a service.
 */
package dev.deftchisel.repair;
