/** Ways through the code that change nothing: what a file declares, and what is called how, read off the tokens alone. */
package dev.deftchisel.navigation;
