/**
 * Reads Gradle builds without running them. {@code ScriptParser} makes statements of a build script in Groovy or
 * Kotlin, which look alike as far as they say things plainly; {@code ScriptInterpreter} reads off them what a
 * {@code GradleProject} is; {@code GradleResolver} finds its libraries in the caches of this machine. What is computed
 * rather than said is left out and named.
 */
package dev.deftchisel.gradle;
