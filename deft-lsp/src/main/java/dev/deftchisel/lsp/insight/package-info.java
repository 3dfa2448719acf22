/** What an editor shows beside, above and in the code: colours, hints, counts, links, and what is known of a name. */
package dev.deftchisel.lsp.insight;
