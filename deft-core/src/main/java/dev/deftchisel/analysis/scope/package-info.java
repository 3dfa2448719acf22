/**
 * What the code of a module can see: modules that are compiled together ({@link
 * dev.deftchisel.analysis.scope.CompilationScope}), their class path ({@link dev.deftchisel.analysis.scope.Libraries}),
 * members that only class files have ({@link dev.deftchisel.analysis.scope.BuiltMembers}), and the rules of Java
 * modules and of the build ({@link dev.deftchisel.analysis.scope.TypeVisibility}).
 */
package dev.deftchisel.analysis.scope;
