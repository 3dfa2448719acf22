/**
 * Text as it is edited: carets, what keys do to them, lines, steps that can be taken back, and what was cut. No
 * drawing, no files.
 */
package dev.deftchisel.desk.text;
