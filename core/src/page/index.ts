export { anchorOf, whereSet, type Anchor, type Where } from './anchor.ts';
export { STATES_OF, type Place } from './place.ts';
export { forgetTree, hasTree, isKept, looseSection, pageTree, structureKey, type PagePart, type PageTree } from './tree.ts';
export { partShapes, type PartShape } from './shape.ts';
export { hrefOf } from './inline.ts';
export { assetFile, readAssetFile } from './asset-file.ts';
export { charactersOf, missingCharacters } from './site-text.ts';
export { offeredFields, type Offered } from './offered.ts';
export { buttonRecipes } from './button-recipes.ts';
