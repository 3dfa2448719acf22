/**
 * The way in for those who use the library: {@link dev.deftchisel.Chisel} opens a workspace, lists what can be done at
 * a place, previews, applies and takes back. Everything a surface needs is reached from there.
 */
package dev.deftchisel;
