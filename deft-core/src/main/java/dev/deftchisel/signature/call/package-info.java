/** What uses of a method become: calls, references, documentation. */
package dev.deftchisel.signature.call;
