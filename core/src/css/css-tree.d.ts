/** The parser and the walker alone: without the grammars of all properties, which nothing here needs. */
declare module 'css-tree/parser' {
  import type { parse } from 'css-tree';
  const parser: typeof parse;
  export default parser;
}
declare module 'css-tree/walker' {
  import type { walk } from 'css-tree';
  const walker: typeof walk;
  export default walker;
}
