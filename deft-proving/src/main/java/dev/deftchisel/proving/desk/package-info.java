/** Random keys on the keyboard screen, and how long it takes until a key is to be seen. */
package dev.deftchisel.proving.desk;
