/**
 * Names of declarations that frameworks, files and other programs know: what is stored, sent or looked up by a name in
 * the code. Start reading at {@link dev.deftchisel.external.ExternalNames}.
 */
package dev.deftchisel.external;
