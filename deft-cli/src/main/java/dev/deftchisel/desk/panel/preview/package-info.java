/** A change before it is made: its questions, and the lines that it changes. */
package dev.deftchisel.desk.panel.preview;
