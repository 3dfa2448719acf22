/**
 * Problems on disk: findings of files that did not change ({@link dev.deftchisel.problem.store.FindingCache}), and
 * problems that a team has accepted ({@link dev.deftchisel.problem.store.Baseline}).
 */
package dev.deftchisel.problem.store;
