/** The parts of the room that are loaded after the pages hang. */
export { PageReader } from './page-reader.ts';
