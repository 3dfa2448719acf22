/**
 * Ways through the code that change nothing: what a file declares, what is called how, and what is known but not said.
 */
package dev.deftchisel.navigation;
