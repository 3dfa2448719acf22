/**
 * What extracting a value and extracting a method share: the expression or statements that are selected
 * ({@link dev.deftchisel.extract.SelectedExpression}, {@link dev.deftchisel.extract.ExpressionChoice}), and who may
 * use the new declaration.
 */
package dev.deftchisel.extract;
