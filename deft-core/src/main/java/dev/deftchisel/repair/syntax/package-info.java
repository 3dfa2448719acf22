/**
 * What was evidently meant where the parser gives up. Sources propose small changes of the tokens around the place, and
 * the parser is asked which of them leave the fewest errors; after Burke and Fisher, "A practical method for LR and LL
 * syntactic error diagnosis and recovery" (TOPLAS 1987), with proposals that are more than one token.
 */
package dev.deftchisel.repair.syntax;
