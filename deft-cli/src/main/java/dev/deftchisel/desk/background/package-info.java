/**
 * What looks at code while keys are taken: one thread with priorities.
 */
package dev.deftchisel.desk.background;
