/**
 * How long things take, and how that grows with the code: benchmarks for the JMH harness, in one process that is warm,
 * and a stop watch for whole processes. Times are told with their ratio to a reference taken in the same run.
 */
package dev.deftchisel.proving.bench;
