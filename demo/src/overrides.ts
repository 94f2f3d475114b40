import type { Override, OverrideProperty } from '@yohaku/core';

const literal = (
  id: string,
  place: string,
  property: OverrideProperty,
  css: string,
  more: Partial<Override> = {},
): Override => ({
  id,
  place,
  property,
  band: null,
  origin: 'set',
  value: { kind: 'literal', css },
  reason: null,
  ...more,
});

/**
 * Values that depart on purpose (two at all widths, one on phones only) and three strays, by page. See demo/README.md.
 */
export const overridesByPage: Record<string, Override[]> = {
  fares: [
    literal('o-notice-fill', 'fares-half-b4/k1', 'border-color', '#7a2412'),
    literal('o-opener-phone', 'fares-opener-b1/text', 'font-size', '34px', { band: 'phone' }),
  ],
  freight: [literal('o-long-pad', 'frt-long/surface', 'padding-block', '96px', { band: 'desktop' })],
  notices: [
    literal('s-wind', 'ntc-week-b3/text', 'color', '#0f3c45', { origin: 'pasted' }),
    literal('s-lost', 'ntc-week-b29/text', 'font-size', '17px', { origin: 'pasted' }),
  ],
  about: [literal('s-card', 'abt-people-b2/k1/surface', 'background-color', '#fcfbf8', { origin: 'imported' })],
};
