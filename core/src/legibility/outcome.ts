import type { State } from '../site/index.ts';

/** The requirement of a rule, in words, with its source; `most`: the required value is a maximum. */
interface RuleFacts {
  readonly asks: string;
  readonly source: string;
  readonly unit: ':1' | 'px' | '';
  readonly most?: true;
}

const TABLE = {
  'text-contrast': { asks: 'Text has enough contrast with its background', source: 'WCAG 2.2, 1.4.3', unit: ':1' },
  'button-contrast': {
    asks: 'A button’s fill or border has enough contrast with its background',
    source: 'WCAG 2.2, 1.4.11',
    unit: ':1',
  },
  'field-contrast': {
    asks: 'A form field’s border or fill has enough contrast with its background',
    source: 'WCAG 2.2, 1.4.11',
    unit: ':1',
  },
  'focus-contrast': {
    asks: 'The focus ring has enough contrast with its background',
    source: 'WCAG 2.2, 1.4.11 and 2.4.13',
    unit: ':1',
  },
  'icon-contrast': { asks: 'An icon has enough contrast with its background', source: 'WCAG 2.2, 1.4.11', unit: ':1' },
  'logo-contrast': {
    asks: 'Half of the logo has enough contrast with its background',
    source: 'Yohaku, with the ratio of WCAG 2.2, 1.4.11, which exempts logos',
    unit: ':1',
  },
  'logo-size': { asks: 'The logo is no narrower than its smallest width', source: 'Yohaku', unit: 'px' },
  'heading-order': {
    asks: 'A lower heading level is smaller than the one above it',
    source: 'Yohaku',
    unit: 'px',
    most: true,
  },
  'skipped-level': {
    asks: 'No heading level is skipped',
    source: 'WCAG 2.2, 1.3.1 (technique G141)',
    unit: '',
    most: true,
  },
  'phone-size': { asks: 'Body text is at least 16 px on a phone', source: 'Yohaku', unit: 'px' },
  'phone-padding': { asks: 'Padding leaves half a phone screen for content', source: 'Yohaku', unit: 'px', most: true },
  'line-height': {
    asks: 'Body text has a line height of at least 1.4',
    source: 'Yohaku, after WCAG 2.2, 1.4.12',
    unit: '',
  },
  'font-weight': {
    asks: 'The font family has the weight of the text',
    source: 'Yohaku, after CSS Fonts Level 4, 2.9.1',
    unit: '',
  },
  'line-length': {
    asks: 'Lines of body text have at most 80 characters',
    source: 'WCAG 2.2, 1.4.8 (AAA)',
    unit: '',
    most: true,
  },
  'text-spacing': {
    asks: 'No text is lost with reader text spacing',
    source: 'WCAG 2.2, 1.4.12',
    unit: 'px',
    most: true,
  },
  'first-heading': { asks: 'A page has one first-level heading', source: 'WCAG 2.2, 2.4.6 (technique G141)', unit: '' },
  'link-words': { asks: 'The text of a link says where it leads', source: 'WCAG 2.2, 2.4.4 and 2.4.9', unit: '' },
  'alternative-text': {
    asks: 'Alternative text describes the image, up to 250 characters',
    source: 'WCAG 2.2, 1.1.1 (failure F30)',
    unit: '',
  },
  covered: {
    asks: 'A sticky header never hides the target or focus',
    source: 'WCAG 2.2, 2.4.11',
    unit: 'px',
    most: true,
  },
  zoom: { asks: 'Zooming makes the text at least twice as large', source: 'WCAG 2.2, 1.4.4', unit: '' },
  'target-size': { asks: 'A target is at least 24 px high', source: 'WCAG 2.2, 2.5.8', unit: 'px' },
} as const satisfies Readonly<Record<string, RuleFacts>>;

export type RuleId = keyof typeof TABLE;

/** The requirement of each rule. */
export const RULES: Readonly<Record<RuleId, RuleFacts>> = TABLE;

/** The result of a rule: pass, fail, not measurable (with the reason), or not applicable. */
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

/** How far a judgement is from holding, among those of one rule; larger is worse, 0 just holds. */
export function shortfall({ rule, found, needed }: Pick<Judgement, 'rule' | 'found' | 'needed'>): number {
  const is = found ?? 0;
  // Of first headings there is neither none nor more than one.
  if (rule === 'first-heading') return Math.abs(is - needed);
  if (!RULES[rule].most) return 1 - is / needed;
  return needed === 0 ? is : is / needed - 1;
}
