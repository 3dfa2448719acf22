/**
 * What every operation has in common: a place it is asked about, offers, questions with their answers, a plan.
 *
 * <p>An {@link dev.deftchisel.operation.Operation} is one class, found by {@link java.util.ServiceLoader}. It describes
 * itself as data and knows no surface; it plans a change and never writes. May call {@code analysis} and
 * {@code change}.
 */
package dev.deftchisel.operation;
