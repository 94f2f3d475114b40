import type { Brand } from '../../site/index.ts';
import { recipes, type Recipe } from '../../style/index.ts';

/** Returns the recipes that paint a button. */
export const buttonRecipes = (brand: Brand, ground: string, variant: string, size: string): Recipe[] => [
  recipes.text(brand.buttonStyle),
  recipes.corner('button'),
  recipes.buttonSize(size),
  recipes.button(variant, ground),
];
