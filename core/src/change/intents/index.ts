export { insertOp, removeOp, setOp, setValue, stepOp, type Edit } from './edit.ts';
export {
  addSwatches,
  followSwatch,
  nearestSwatch,
  removeSwatch,
  setIsolated,
  setRule,
  setSwatchColor,
  swatchUses,
} from './swatches.ts';
export { addGround, gradientBehind, groundUses, removeGround, setRole, setRoles, setWash } from './grounds.ts';
export { bindDrawing } from './drawings.ts';
export { addFontFace, faceName, removeFamily, setFamilies, type ReadFace } from './fonts.ts';
export {
  addStyle,
  removeStyle,
  resizeStyles,
  setStyleAt,
  setStyles,
  settleProvisional,
  styleUses,
  type SizeChange,
} from './styles.ts';
export { splitStyle, splitVariant, type OneOff } from './one-offs.ts';
export { EASINGS, addMotion, readEasing, removeMotion } from './motion.ts';
export {
  addCorner,
  addShadow,
  readCorner,
  readShadow,
  removeCorner,
  removeShadow,
  setCorner,
  setCornerOf,
  setCornerValue,
  setEdge,
  setRadius,
  setUnderline,
  setVariantShape,
} from './shape.ts';
export { addSize, addVariant, buttonUses, removeButtonPart } from './buttons.ts';
export { addSpace, removeSpace, setSpaceAt, spaceUses } from './spaces.ts';
export { addLogoForm, removeLogoForm, setLogoOn } from './logo.ts';
export { joinEdits } from './join-edits.ts';
export {
  addPage,
  addressPage,
  anchorSection,
  linksTo,
  pagesUnder,
  possibleParents,
  toggleMenu,
  putUnder,
  movePage,
  pageAddress,
  pageUses,
  removePage,
  renamePage,
} from './pages.ts';
export {
  addKept,
  hideSection,
  placeSection,
  pageEnd,
  removeKept,
  addSection,
  duplicateSection,
  keepSection,
  ownSection,
  pagesWith,
  moveSection,
  removeSection,
  sectionAddress,
} from './sections.ts';
export { planFieldKind, setOptions, type FieldKindPlan } from './field-kinds.ts';
export { addOverride, useOwnToken, keepOverride, liftLoss, liftOverride } from './overrides.ts';
export {
  addBlock,
  addBlockAt,
  addBlocks,
  extrasAt,
  turnExtra,
  type ExtraHere,
  partsOfPlaces,
  turnBlock,
  turnsOf,
  duplicatePart,
  movePart,
  partsAt,
  removePart,
  type BlockPart,
} from './parts.ts';
export {
  addMenuEntry,
  addToMenu,
  buttonMenuEntry,
  dragMenuEntry,
  menuEntries,
  menuFromPages,
  moveMenuEntry,
  nestMenuEntry,
  removeFromMenu,
  removeMenuEntry,
  sayNotice,
  type MenuEntry,
} from './menu.ts';
export { addClip } from './clip.ts';
export { fixFact } from './outline.ts';
export {
  addDownload,
  keptDownloads,
  removeDownload,
  replaceDownload,
  sameDownload,
  type KeptDownload,
} from './downloads.ts';
export {
  addPicture,
  keptPictures,
  pictureBehind,
  pictureOf,
  removePicture,
  replacePicture,
  type KeptPicture,
} from './pictures.ts';
export {
  addCollection,
  addField,
  addItem,
  addListSection,
  duplicateItem,
  fillIn,
  listsOf,
  pageOfItems,
  removeCollection,
  removeField,
  removeItems,
  addressItem,
  setField,
  setItemDownload,
  setItemPicture,
} from './collections.ts';
export { addPasted } from './paste.ts';
