import { CONTRAST, isLargeText } from '../color/index.ts';
import { AUDIT_WIDTHS, bandOf, type BandId } from '../breakpoint/index.ts';
import type { State, PaintedProperty } from '../site/index.ts';
import type { TokenTable } from '../style/index.ts';
import { behindOf, fillOf, fontSizeAt, pixelsAt, type Backdrop, type Group } from '../reach/index.ts';
import type { Judgement, Verdict } from './outcome.ts';

/** A rule about one colour on another. */
export type PairRule = 'text-contrast' | 'button-contrast' | 'field-contrast' | 'focus-contrast' | 'icon-contrast';

/** One aspect of a look that is compared with its background. */
export interface Aspect {
  readonly rule: PairRule;
  /** The painted properties; the best of several counts. */
  readonly properties: readonly PaintedProperty[];
  /** Where the pixels are looked at when a picture lies behind it. */
  readonly area: 'lines' | 'around';
}

const TEXT: Aspect = { rule: 'text-contrast', properties: ['color'], area: 'lines' };
const ICON: Aspect = { rule: 'icon-contrast', properties: ['color'], area: 'around' };
const BUTTON: Aspect = { rule: 'button-contrast', properties: ['border-color', 'background-color'], area: 'around' };
const FIELD: Aspect = { rule: 'field-contrast', properties: ['border-color', 'background-color'], area: 'around' };
const RING: Aspect = { rule: 'focus-contrast', properties: ['outline-color'], area: 'around' };

const NOTHING: readonly Aspect[] = [];
/** By kind, at rest and in focus: made once, for they are asked for every look in every state. */
const ASPECTS: Readonly<Record<Group['kind'], readonly [rest: readonly Aspect[], focus: readonly Aspect[]]>> = (() => {
  const words = [[TEXT], [TEXT, RING]] as const;
  const bare = [NOTHING, NOTHING] as const;
  return {
    text: words,
    link: words,
    menu: words,
    cell: words,
    mark: words,
    button: [
      [TEXT, BUTTON],
      [TEXT, BUTTON, RING],
    ],
    field: [
      [TEXT, FIELD],
      [TEXT, FIELD, RING],
    ],
    icon: [[ICON], [ICON, RING]],
    logo: [NOTHING, [RING]],
    rule: bare,
    surface: bare,
    picture: bare,
  };
})();

/**
 * Returns the aspects to judge of a look in one state (WCAG 2.2, 1.4.3 and 1.4.11). Surfaces, dividers and images have
 * none; a logo has its focus ring.
 */
export function aspectsOf({ kind }: Pick<Group, 'kind'>, state: State): readonly Aspect[] {
  return ASPECTS[kind][state === 'focus' ? 1 : 0];
}

/**
 * The ratio asked of a text: 4.5, or 3 where it is large (WCAG 2.2, 1.4.3). @param sizePx font size in px @param weight
 * 1 to 1000
 */
const textNeed = (sizePx: number, weight: number): number =>
  isLargeText(sizePx, weight) ? CONTRAST.largeText : CONTRAST.text;

/** The ratio that a look must reach at a width by a rule: that of its text by its size there, else 3. */
export function need(table: TokenTable, group: Group, rule: PairRule, width: number): number {
  if (rule !== 'text-contrast') return CONTRAST.nonText;
  return textNeed(
    fontSizeAt(table, group.painting, width),
    pixelsAt(table, group.painting, 'font-weight', 'rest', width) ?? 400,
  );
}

/** The strictest ratio asked of a look in a band, or, without one, at any width. */
export function strictestNeed(table: TokenTable, group: Group, rule: PairRule, band?: BandId): number {
  return Math.max(
    ...AUDIT_WIDTHS.filter((width) => band === undefined || bandOf(width) === band).map((width) =>
      need(table, group, rule, width),
    ),
  );
}

/**
 * Returns the colour that a rule compares a look with. Text and icons are on their own
 * fill, if they have one: of a button, a mark, a highlight or a panel. A border and a
 * focus ring are on the background behind the element.
 */
export function seenOn(table: TokenTable, group: Group, rule: PairRule, state: State, band: BandId): Backdrop {
  return standsOnItself(group, rule) ? fillOf(table, group, state, band) : behindOf(table, group, band);
}

/** Returns true if what is judged by a rule stands on the look's own fill. */
export function standsOnItself(group: Group, rule: PairRule): boolean {
  return (rule === 'text-contrast' || rule === 'icon-contrast') && group.painting.has('background-color');
}

/** The four outcomes. @param found the ratio; null where it cannot be told */
export function outcome(state: State, found: number | null, needed: number): Verdict {
  return state === 'disabled' ? 'does-not-apply' : found === null ? 'cannot-tell' : found >= needed ? 'pass' : 'fail';
}

/** Judgements of a look by one rule in one state, the worst of its widths first; for whoever shows one figure. */
export function worstOf(judgements: readonly Judgement[], rule: PairRule, state: State): Judgement | undefined {
  let worst: Judgement | undefined;
  for (const judgement of judgements) {
    if (judgement.rule !== rule || judgement.state !== state) continue;
    if (!worst || margin(judgement) < margin(worst)) worst = judgement;
  }
  return worst;
}

const margin = ({ found, needed }: Judgement): number => (found === null ? -1 : found / needed);
