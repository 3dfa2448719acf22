/** Rules about statements that look as if they did something else: bodies, assignments, jumps. */
package dev.deftchisel.rule.statement;
