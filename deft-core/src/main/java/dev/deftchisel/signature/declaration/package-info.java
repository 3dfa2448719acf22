/** What declarations of a method, and their documentation, become. */
package dev.deftchisel.signature.declaration;
