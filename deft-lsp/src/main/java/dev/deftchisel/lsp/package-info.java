/**
 * The language server: the same questions as everywhere, asked and answered by the Language Server Protocol 3.17.
 * Nothing here decides or rewrites; it turns places, problems and changes into messages and back.
 *
 * <p>The way of a request: {@code TextRequests} passes it to the {@code Worker}, whose one thread has the workspaces
 * ({@code WorkspaceFolders}) see what the editor has open ({@code Documents}) and asks a class of {@code lsp.feature}.
 */
package dev.deftchisel.lsp;
