/**
 * What stands beside the code for a while: lists to choose from, and changes to be looked at and answered before they
 * are made.
 */
package dev.deftchisel.desk.panel;
