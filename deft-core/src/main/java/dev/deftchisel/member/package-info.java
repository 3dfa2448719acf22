/**
 * A type with its members, and where new ones go: constants before fields, constructors behind them, accessors together. For
 * operations that write members; knows none of them.
 */
package dev.deftchisel.member;
