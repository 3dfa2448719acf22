/** Operations on who may use what. */
package dev.deftchisel.access;
