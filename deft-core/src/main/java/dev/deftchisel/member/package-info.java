/**
 * A type with its members, and where new ones go: constants before fields, constructors after them, accessors
 * together. What a type has from above, and what one more parameter of a method means for all its family. For
 * operations that write members; knows none of them.
 */
package dev.deftchisel.member;
