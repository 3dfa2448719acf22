/**
 * Rules about what is equal to what: identity taken for equality, comparisons that cannot hold, orders that overflow.
 */
package dev.deftchisel.rule.equality;
