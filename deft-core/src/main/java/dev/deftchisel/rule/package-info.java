/** What rules of several packages ask; the rules are in the packages below. */
package dev.deftchisel.rule;
