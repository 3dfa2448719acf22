/** What outcomes are in words, for every surface of this module; no colours, no layout. */
package dev.deftchisel.wording;
