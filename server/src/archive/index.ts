export { unpack, type ArchiveFault, type ArchiveLimits, type Unpacked } from './unpack.ts';
export { isSiteFile } from './unpack-site-isolated.ts';
