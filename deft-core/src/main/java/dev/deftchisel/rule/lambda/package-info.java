/**
 * Rules about lambdas, method references and streams.
 */
package dev.deftchisel.rule.lambda;
