export type { Declaration } from './declaration.ts';
export { declaredKey } from './declared-key.ts';
export {
  FIELD_PADDING,
  capital,
  cornerCss,
  cornerText,
  edgeWidth,
  inheritsFrom,
  namedCorner,
  shapeOfVariant,
} from './shape-tokens.ts';
export { stylesByRole, type StylesByRole } from './styles-by-role.ts';
export { styleSize, styleSizeAt } from './style-size.ts';
export { customProperty, type Token, type TokenType } from './token.ts';
export { resolvedSwatches, swatchColor, swatchPath, type ResolvedSwatch } from './swatches.ts';
export { clearestChoice, colorBetween } from './role-colors.ts';
export { presentPath, presentProperties } from './former-paths.ts';
export { resolveToken, rolePath, tokenTable, type TokenTable } from './table.ts';
export { withFollowers } from './token-css.ts';
export { stepOfPath, stepPath } from './step-path.ts';
export { changedProperties, tokenCssValue, tokensCss } from './token-css.ts';
export { allRecipes, backgroundOf, declarationsOf, recipeClass, recipes, type Recipe } from './recipe.ts';
export { drawnColors } from './drawn-colors.ts';
export { sampleBrand } from './sample-brand.ts';
