export { insertOp, removeOp, setOp, setValue, stepOp, type Edit } from './edit.ts';
export { addSwatches, followSwatch, nearestSwatch, removeSwatch, setApart, setRule, setSwatchColor, swatchUses } from './swatches.ts';
export { addGround, groundUses, removeGround, setSlot, setSlots, setWash } from './grounds.ts';
export { bindDrawing } from './drawings.ts';
export { addFontFace, faceName, removeFamily, setFamilies, type ReadFace } from './fonts.ts';
export { addStyle, removeStyle, resizeStyles, setStyleAt, settleProvisional, styleUses, type SizeChange } from './styles.ts';
export { addLogoForm, removeLogoForm, setLogoOn } from './logo.ts';
export { addPage, addSection, duplicateSection, movePage, moveSection, removePage, removeSection, renamePage, sectionAddress } from './pages.ts';
export { addOverride, bindOverride, leaveOverride, liftOverride } from './settle.ts';
