/** What types that move say of who may use them, and what must be opened for them to be used (JLS 6.6). */
package dev.deftchisel.move.access;
