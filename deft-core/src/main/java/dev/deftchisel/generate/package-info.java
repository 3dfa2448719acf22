/**
 * Members that follow from what a type has already: constructors, accessors, equality, text form, ordering. Each operation
 * says what its members look like; {@link dev.deftchisel.generate.GenerateOperation} finds the type, {@link
 * dev.deftchisel.member.Landing} the place.
 */
package dev.deftchisel.generate;
