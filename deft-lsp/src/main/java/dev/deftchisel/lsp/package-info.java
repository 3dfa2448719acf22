/**
 * The language server: the same questions as everywhere, asked and answered in the words of the Language Server
 * Protocol 3.17. Nothing here decides or rewrites; it turns places, problems and changes into messages and back.
 *
 * <p>The way of a request: {@code TextRequests} hands it to the {@code Worker}, whose one thread has the workspaces
 * ({@code Folders}) see what the editor has open ({@code Documents}) and asks a class named after what is asked for.
 */
package dev.deftchisel.lsp;
