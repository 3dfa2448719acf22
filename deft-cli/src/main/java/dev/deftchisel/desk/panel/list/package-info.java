/**
 * Lists to choose from: what can be done at a place, what is wrong, where something is used, what is declared anywhere.
 */
package dev.deftchisel.desk.panel.list;
