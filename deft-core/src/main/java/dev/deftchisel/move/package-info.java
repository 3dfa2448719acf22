/** Operations that put files and declarations elsewhere. */
package dev.deftchisel.move;
