/**
 * Runs build tools on the user's word, to have them say what a build consists of where its files do not say it plainly,
 * and keeps what they say as long as no build file changes. What is run and how the answer is read is each
 * {@code BuildTool}'s own.
 */
package dev.deftchisel.buildtool;
