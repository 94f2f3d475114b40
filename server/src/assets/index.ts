export { contentHash, findFile, readFile, storeFile } from './files.ts';
export { inWidths } from './widths.ts';
export { drawIcon } from './icon.ts';
export { cleanSvg } from './clean-svg.ts';
export { PICTURE_LIMITS, decodePicture, pictureType, type Picture } from './picture.ts';
export { downloadType, keepDownload } from './download.ts';
export { DownloadRefused, PictureRefused } from './refused.ts';
export { decodeIsolated, type KeptPicture } from './decode-isolated.ts';
