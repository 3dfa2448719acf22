/**
 * Projects of all the shapes in which they come, each opened and compared with what its own build says of it. Start
 * reading at {@link dev.deftchisel.proving.shape.Shape}.
 */
package dev.deftchisel.proving.shape;
