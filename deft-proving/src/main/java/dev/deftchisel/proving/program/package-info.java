/**
 * Programs that print what they do, and offers taken in them at random: after each step the program is compiled by a
 * run of the compiler of its own, started, and must print what it printed before. Nothing here knows how an operation
 * works.
 */
package dev.deftchisel.proving.program;
