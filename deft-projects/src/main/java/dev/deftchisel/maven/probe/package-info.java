/**
 * What runs within Maven when it is asked what a build consists of. Compiled for every Java that Maven runs with, and
 * of nothing but Maven's own types.
 */
package dev.deftchisel.maven.probe;
