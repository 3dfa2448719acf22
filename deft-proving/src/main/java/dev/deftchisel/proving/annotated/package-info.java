/**
 * Code whose types are all annotated where they are used (JLS 9.7.4). Whoever reads a type off its text reads something
 * else there, so that what is found, and what is written, must be compared with the same code without annotations.
 */
package dev.deftchisel.proving.annotated;
