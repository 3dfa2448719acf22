/**
 * Commands that measure the product: speed, surfaces, problems and their fixes, messages.
 */
package dev.deftchisel.proving.command.product;
