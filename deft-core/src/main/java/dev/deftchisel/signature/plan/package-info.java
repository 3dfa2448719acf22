/** What becomes of a header: the declared one, the typed one with its types, and which parameter is which. */
package dev.deftchisel.signature.plan;
