/**
 * The full screen: a model that takes keys and gives a picture. It knows no terminal; whatever looks at code runs as a
 * background task, and nothing here rewrites code.
 */
package dev.deftchisel.desk;
