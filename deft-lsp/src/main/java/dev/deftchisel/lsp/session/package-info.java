/**
 * What a client and a server share: open documents, folders, settings, what was negotiated, progress, and the thread
 * that answers.
 */
package dev.deftchisel.lsp.session;
