/** How tall the page of a document is as it is laid out, px. */
export const heightOf = (document: Document): number => document.body.getBoundingClientRect().height;
