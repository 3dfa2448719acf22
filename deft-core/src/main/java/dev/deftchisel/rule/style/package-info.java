/** Rules about how code is laid out; they speak where {@code .editorconfig} says what is wanted. */
package dev.deftchisel.rule.style;
