/** What is kept between questions against the same read anew. */
package dev.deftchisel.proving.look;
