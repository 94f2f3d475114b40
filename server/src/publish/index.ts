export { sharingPicture } from './sharing.ts';
export { exportSite, fontBytes, fontPath, type ExportedFile, type ExportedSite } from './export-site.ts';
export { listPublications, liveFileHash, liveSite, makeLive, publishSite, type Publication } from './publish.ts';
export { zipSite } from './zip.ts';
