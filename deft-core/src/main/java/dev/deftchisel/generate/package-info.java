/**
 * Members that follow from what a type has already: constructors, accessors, equality, text form, ordering, bound
 * properties; and from above or beside it: inherited methods, delegation, tests, documentation. Those over fields say
 * what the members look like; {@link dev.deftchisel.generate.GenerateOperation} finds the type,
 * {@link dev.deftchisel.member.MemberInserter} the place.
 */
package dev.deftchisel.generate;
