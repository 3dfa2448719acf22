/**
 * A picture of character cells, with what each cell is for instead of a colour; what shows it turns that into colours.
 */
package dev.deftchisel.desk.picture;
