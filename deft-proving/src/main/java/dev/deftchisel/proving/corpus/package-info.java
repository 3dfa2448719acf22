/**
 * The code that is attacked: fetched by Maven coordinates into a cache outside the repository, or any workspace there
 * is. Knows nothing of operations.
 */
package dev.deftchisel.proving.corpus;
