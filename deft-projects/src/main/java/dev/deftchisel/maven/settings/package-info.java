/**
 * Settings of Maven that are not in a project: {@code settings.xml}, {@code .mvn}.
 */
package dev.deftchisel.maven.settings;
