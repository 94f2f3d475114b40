/** A step of the desk. */
interface StepEntry {
  /** The id is the step's word in addresses, too. */
  readonly id: string;
  readonly label: string;
  /** Its purpose and the first thing to do there, for a site that was just begun. */
  readonly hint: string;
  /** The view of the wall that it begins with. */
  readonly opens: 'all' | 'sources';
  /** Former words of it: addresses and remembered choices with them still open it. */
  readonly former?: readonly string[];
}

/**
 * Every step, in working order. Declaring it here gives it its place in the line, its number key, its address, its
 * entry in Find and its hint; `steps/screens.ts` says which component it shows.
 */
const ALL = [
  {
    id: 'sources',
    label: 'Sources',
    hint: 'Add sources here: drop a logo, an image or a list of colours. Then include the colours that carry the brand.',
    opens: 'sources',
    former: ['gather'],
  },
  {
    id: 'colour',
    label: 'Colour',
    hint: 'All pages share these colours. Select a colour in the palette and drag the ring in the field: every place with this colour changes.',
    opens: 'all',
  },
  {
    id: 'backgrounds',
    label: 'Backgrounds',
    hint: 'Each background has a colour for every role. To change a role, click its sample and choose a swatch.',
    opens: 'all',
    former: ['grounds'],
  },
  {
    id: 'type',
    label: 'Type',
    hint: 'Choose two typefaces, then drag the ends of the scale: all styles keep their proportions.',
    opens: 'all',
  },
  {
    id: 'buttons',
    label: 'Buttons',
    hint: 'All buttons share one shape. Below: every variant in every state. Click a button to select it.',
    opens: 'all',
  },
  {
    id: 'pages',
    label: 'Pages',
    hint: 'Add pages and sections here. To edit text, double-click it on the page.',
    opens: 'all',
  },
  {
    id: 'check',
    label: 'Check',
    hint: 'This step lists everything that fails, with fixes. A new site passes.',
    opens: 'all',
  },
  {
    id: 'publish',
    label: 'Publish',
    hint: 'The live site changes only when you publish. Provisional choices are listed first.',
    opens: 'all',
  },
] as const satisfies readonly StepEntry[];

export type Step = (typeof ALL)[number]['id'];
export const STEPS: readonly Step[] = ALL.map(({ id }) => id);

const BY_ID = new Map<string, StepEntry>(ALL.map((entry) => [entry.id, entry]));

export const stepLabel = (step: Step): string => BY_ID.get(step)!.label;
export const stepHint = (step: Step): string => BY_ID.get(step)!.hint;
/** The view of the wall that a step begins with. */
export const stepOpens = (step: Step): StepEntry['opens'] => BY_ID.get(step)!.opens;
/** The step that a word means, in any case; undefined if there is none. */
export function stepNamed(word: string): Step | undefined {
  const sought = word.toLowerCase();
  return ALL.find((entry: StepEntry) => entry.id === sought || entry.former?.includes(sought))?.id;
}
