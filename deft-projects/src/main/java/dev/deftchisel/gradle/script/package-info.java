/**
 * Build scripts of Gradle in both languages, read without running them: from tokens to statements to what they declare.
 */
package dev.deftchisel.gradle.script;
