/** Values of expressions as far as the code shows them: constants (JLS 15.29) and ranges of whole numbers. */
package dev.deftchisel.analysis.value;
