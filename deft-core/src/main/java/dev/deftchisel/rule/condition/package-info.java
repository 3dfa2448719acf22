/** Rules about conditions and branches: what is always so, what is said twice, what could be said plainer. */
package dev.deftchisel.rule.condition;
