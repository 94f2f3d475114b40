export { customProperties, namedProperty, oneValue, partsOf, withReferences, type One } from './read-css.ts';
