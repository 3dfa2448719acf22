/** How code is drawn: what its tokens are, the lines around a place, the view of a file with its marks. */
package dev.deftchisel.desk.code;
