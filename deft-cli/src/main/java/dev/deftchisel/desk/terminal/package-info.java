/**
 * The desk on a real terminal: keys out of what it sends, pictures into what it shows, and the terminal as it was at
 * the end.
 */
package dev.deftchisel.desk.terminal;
