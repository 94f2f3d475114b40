export { readLength, type CssLength } from './length.ts';
export {
  customProperties,
  familyNames,
  namedProperty,
  oneValue,
  partsOf,
  withReferences,
  type One,
} from './read-css.ts';
