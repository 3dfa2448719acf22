/**
 * Files on the desk: opened, saved, rescued, folded, and where one has been.
 */
package dev.deftchisel.desk.file;
