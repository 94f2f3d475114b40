export { addSource, sourceByHash, sourceFile, listSources, putAway } from './repository.ts';
export { readSource, PASTED, type ReadSource } from './read.ts';
export { SOURCE_FILES, SourceRefused } from './limits.ts';
