/** Code that is broken at random and mended by what is offered first, and rules whose fixes are applied everywhere. */
package dev.deftchisel.proving.mend;
