export { sharingPicture } from './sharing.ts';
export { ExportRefused } from './export-refused.ts';
export { exportSite, fontBytes, fontPath, type ExportedFile, type ExportedSite } from './export-site.ts';
export { bytesOfFile, liveFile, type LiveFile } from './live-file.ts';
export { listPublications, liveSite, makeLive, publishSite, type Publication } from './publish.ts';
export { zipSite } from './zip.ts';
