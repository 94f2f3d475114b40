export { LOGO_RATIO, logoContrast, type LogoContrast } from './contrast.ts';
export { formOn, groundColor, groundExtent, paintedForm } from './form-on.ts';
export { ICON_SIDES, iconBox, iconFile, type IconSide } from './icon.ts';
