export { WordsEditor } from './words-editor.ts';
export { WordsTools } from './words-tools.ts';
