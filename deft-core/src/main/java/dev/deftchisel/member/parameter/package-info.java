/**
 * Parameters and what they are passed on to: one more parameter for a method and all its family ({@link
 * dev.deftchisel.member.parameter.AddedParameter}), parameters kept in fields ({@link
 * dev.deftchisel.member.parameter.KeptParameters}), the text of constructors.
 */
package dev.deftchisel.member.parameter;
