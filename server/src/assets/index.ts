export { contentHash, findFile, readFile, storeFile } from './files.ts';
export { drawIcon } from './icon.ts';
export { PICTURE_LIMITS, PictureRefused, decodePicture, pictureType, type Picture } from './picture.ts';
