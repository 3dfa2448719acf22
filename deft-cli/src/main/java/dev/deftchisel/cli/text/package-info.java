/**
 * Results as text, JSON, SARIF or a page.
 */
package dev.deftchisel.cli.text;
