/**
 * The same offer taken through library, command line, language server and keyboard screen: the bytes must be the same.
 */
package dev.deftchisel.proving.surface;
