/**
 * A frame in which a page of a site is painted: in a sandbox without scripts, passed
 * over by Tab, and without bars, one at the side would take from its width. What
 * pictures are relative to is the site's own address, so the empty page behind that is loaded in it.
 */
export function siteFrame(siteId: string): HTMLIFrameElement {
  const frame = document.createElement('iframe');
  frame.setAttribute('sandbox', 'allow-same-origin');
  frame.setAttribute('scrolling', 'no');
  frame.tabIndex = -1;
  frame.src = `/frame/${siteId}/`;
  return frame;
}

/** Returns true if that page is there: the empty document of a fresh frame loads as well, before it. */
export const isThere = ({ contentDocument }: HTMLIFrameElement): boolean =>
  !!contentDocument?.body && contentDocument.URL !== 'about:blank';
