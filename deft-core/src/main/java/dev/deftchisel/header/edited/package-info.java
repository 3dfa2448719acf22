/**
 * Headers that somebody changes where they stand: what the code still agrees on, and how a change that was planned for
 * that goes on from what is typed.
 */
package dev.deftchisel.header.edited;
