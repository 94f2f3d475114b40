export { contentHash, readFile, storeFile } from './files.ts';
export { PICTURE_LIMITS, PictureRefused, decodePicture, pictureType, type Picture } from './picture.ts';
