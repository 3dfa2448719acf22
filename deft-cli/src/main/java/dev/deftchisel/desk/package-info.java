/**
 * The keyboard screen: a model that takes keys and gives a picture. It knows no terminal; what looks at code runs
 * backstage, and nothing here rewrites code.
 */
package dev.deftchisel.desk;
