import type { State } from '../site/index.ts';

export type RuleId = 'text-contrast' | 'button-contrast' | 'field-contrast' | 'focus-contrast' | 'icon-contrast' | 'logo-contrast' | 'logo-size' | 'heading-order' | 'skipped-level' | 'phone-size' | 'phone-padding' | 'line-height' | 'font-weight' | 'line-length' | 'text-spacing' | 'zoom' | 'target-size' | 'first-heading' | 'link-words' | 'alternative-text' | 'covered';

/** What a rule says: it passes, fails, cannot be told (with the reason), or does not apply. */
export type Verdict = 'pass' | 'fail' | 'cannot-tell' | 'does-not-apply';

/** One judgement of a rule, at a width and in a state. Ratios and px are exact; cut them off for display. */
export interface Judgement {
  readonly rule: RuleId;
  readonly verdict: Verdict;
  readonly state: State;
  readonly width: number;
  readonly found: number | null;
  readonly needed: number;
  /** Why it cannot be told. */
  readonly reason?: string;
  /** Tokens behind the judged values, the nearest first. */
  readonly tokens: readonly string[];
}

/** What each rule asks, in words, with its source; `most`: what is needed is the most there may be. */
export const RULES: Record<RuleId, { readonly asks: string; readonly source: string; readonly unit: ':1' | 'px' | ''; readonly most?: true }> = {
  'text-contrast': { asks: 'Text stands out from what is behind it', source: 'WCAG 2.2, 1.4.3', unit: ':1' },
  'button-contrast': { asks: 'A button’s fill or edge stands out from its background', source: 'WCAG 2.2, 1.4.11', unit: ':1' },
  'field-contrast': { asks: 'A field’s edge or fill stands out from its background', source: 'WCAG 2.2, 1.4.11', unit: ':1' },
  'focus-contrast': { asks: 'The focus ring stands out from its background', source: 'WCAG 2.2, 1.4.11 and 2.4.13', unit: ':1' },
  'icon-contrast': { asks: 'An icon stands out from its background', source: 'WCAG 2.2, 1.4.11', unit: ':1' },
  'logo-contrast': { asks: 'Half of the logo stands out from its background', source: 'Yohaku, by the ratio of WCAG 2.2, 1.4.11, which exempts logotypes', unit: ':1' },
  'logo-size': { asks: 'The logo is no narrower than its smallest width', source: 'Yohaku', unit: 'px' },
  'heading-order': { asks: 'A lower heading level is smaller than the one above it', source: 'Yohaku', unit: 'px', most: true },
  'skipped-level': { asks: 'No heading level is skipped', source: 'WCAG 2.2, 1.3.1 (technique G141)', unit: '', most: true },
  'phone-size': { asks: 'Running text is at least 16 px on a phone', source: 'Yohaku', unit: 'px' },
  'phone-padding': { asks: 'Paddings leave at least half of a phone to what stands between them', source: 'Yohaku', unit: 'px', most: true },
  'line-height': { asks: 'Lines of running text stand at least 1.4 of its size apart', source: 'Yohaku, after WCAG 2.2, 1.4.12', unit: '' },
  'font-weight': { asks: 'The font family has the weight that the text uses', source: 'Yohaku, after CSS Fonts Level 4, 2.9.1', unit: '' },
  'line-length': { asks: 'Lines of running text have at most 80 characters', source: 'WCAG 2.2, 1.4.8 (AAA)', unit: '', most: true },
  'text-spacing': { asks: 'Spaced out as far as readers may, no words are lost', source: 'WCAG 2.2, 1.4.12', unit: 'px', most: true },
  'first-heading': { asks: 'A page has one heading of the first level', source: 'WCAG 2.2, 2.4.6 (technique G141)', unit: '' },
  'link-words': { asks: 'The words of a link say where it leads', source: 'WCAG 2.2, 2.4.4 and 2.4.9', unit: '' },
  'alternative-text': { asks: 'What stands for a picture says what is seen, not the name of its file, in 250 characters', source: 'WCAG 2.2, 1.1.1 (failure F30)', unit: '' },
  covered: { asks: 'A header that stays covers nothing that is led to or has the focus', source: 'WCAG 2.2, 2.4.11', unit: 'px', most: true },
  zoom: { asks: 'Zooming makes the text at least twice as large', source: 'WCAG 2.2, 1.4.4', unit: '' },
  'target-size': { asks: 'A target is at least 24 px high', source: 'WCAG 2.2, 2.5.8', unit: 'px' },
};

/** How far a judgement is from holding, among those of one rule; larger is worse, 0 just holds. */
export function shortfall({ rule, found, needed }: Pick<Judgement, 'rule' | 'found' | 'needed'>): number {
  const is = found ?? 0;
  // Of first headings there is neither none nor more than one.
  if (rule === 'first-heading') return Math.abs(is - needed);
  if (!RULES[rule].most) return 1 - is / needed;
  return needed === 0 ? is : is / needed - 1;
}
