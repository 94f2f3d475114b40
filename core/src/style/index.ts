export type { Declaration, PaintedProperty } from './declaration.ts';
export { declaredKey } from './declared-key.ts';
export { FIELD_PADDING, capital, cornerCss, cornerText, edgeWidth, inheritsFrom, namedCorner, shapeOfVariant } from './shape-tokens.ts';
export { styleSize, styleSizeAt } from './style-size.ts';
export { customProperty, type Token, type TokenType } from './token.ts';
export { resolvedSwatches, swatchColor, swatchPath, type ResolvedSwatch } from './swatches.ts';
export { changedProperties, resolveToken, slotPath, stepPath, tokenCssValue, tokenTable, tokensCss, withFollowers, type TokenTable } from './table.ts';
export { INHERITED, allRecipes, declarationsOf, recipeClass, recipes, type Recipe } from './recipe.ts';
export { drawnColors } from './drawn-colors.ts';
