/**
 * What gets another type, by announcement or not, and whether the same still happens with it: variables, fields and
 * parameters, results of methods, numbers that are computed with. May call {@code analysis} and {@code change}.
 */
package dev.deftchisel.guard.retyped;
