/** Lists, and stretches of code within each other, as they are written anew. */
package dev.deftchisel.signature.written;
