export { contentHash, readFile, storeFile } from './files.ts';
export { PICTURE_LIMITS, PictureRefused, decodePicture, type Picture } from './picture.ts';
