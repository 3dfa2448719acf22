/** Members that are taken away and declared again from their uses. */
package dev.deftchisel.proving.declare;
