/** Rules about what the language or its library has a plainer way to say, from the level on that has it. */
package dev.deftchisel.rule.idiom;
