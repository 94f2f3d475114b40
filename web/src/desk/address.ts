import { presentPath } from '@yohaku/core';
import { stepNamed, stepOpens, type DeskState, type Step } from '../state/index.ts';
import type { CheckList } from './check-view.ts';

/** The parts of the desk that its address names: a copied address opens the same view. */
export interface View {
  readonly step: Step;
  /** The page that is grown to be read. */
  readonly page: string | null;
  /** The place that is selected on that page, by id. */
  readonly place: string | null;
  /** The token that is selected, by path. */
  readonly token: string | null;
  readonly hanging: Exclude<DeskState['hanging'], 'together'>;
  /** The list that is open in Check. */
  readonly list: CheckList;
}

const HANGING_WORDS: Readonly<Record<View['hanging'], string>> = {
  all: 'pages',
  reach: 'used',
  specimen: 'specimen',
  sources: 'sources',
  logo: 'logo',
  pin: 'overlay',
};
const LIST_WORDS: Readonly<Record<CheckList, string>> = {
  worse: 'worse',
  changed: 'changed',
  failing: 'failing',
  unknown: 'unknown',
  held: 'overrides',
  stray: 'raw',
  differences: 'differences',
  all: 'all',
};

const named = <K extends string>(words: Readonly<Record<K, string>>, word: string | null): K | undefined =>
  (Object.keys(words) as K[]).find((key) => words[key] === word);

/** The address of a view of a site. What is as usual is left out. */
export function addressOfView(site: string, { step, page, place, token, hanging, list }: View): string {
  const query = new URLSearchParams();
  if (page) query.set('page', page);
  if (page && place) query.set('place', place);
  if (token) query.set('select', token);
  if (hanging !== stepOpens(step)) query.set('wall', HANGING_WORDS[hanging]);
  if (step === 'check' && list !== 'failing') query.set('list', LIST_WORDS[list]);
  const text = query.toString();
  return `/sites/${site}/${step}${text ? `?${text}` : ''}`;
}

/** Returns the parts of the desk that an address names. `strange` are the parts without a target. */
export function readAddress(
  address: string,
): { readonly site: string; readonly view: Partial<View>; readonly strange: readonly string[] } | undefined {
  const url = new URL(address, 'http://desk');
  const [, site, word] = /^\/sites\/([a-z][a-z0-9-]*)(?:\/([^/]*))?\/?$/.exec(url.pathname) ?? [];
  if (site === undefined) return undefined;
  const strange: string[] = [];
  const entry = <K extends string>(
    words: Readonly<Record<K, string>>,
    said: string | null | undefined,
    what: string,
  ): K | undefined => {
    if (said === null || said === undefined || said === '') return undefined;
    const key = named(words, said);
    if (key === undefined) strange.push(`${what} “${said}”`);
    return key;
  };
  const step = word ? stepNamed(word) : undefined;
  if (word && !step) strange.push(`step “${word}”`);
  const token = url.searchParams.get('select');
  const view: Partial<View> = {
    ...(step
      ? {
          step,
          page: url.searchParams.get('page'),
          place: url.searchParams.get('place'),
          token: token === null ? null : presentPath(token),
          hanging: entry(HANGING_WORDS, url.searchParams.get('wall'), 'wall') ?? stepOpens(step),
          list: entry(LIST_WORDS, url.searchParams.get('list'), 'list') ?? 'failing',
        }
      : {}),
  };
  return { site, view, strange };
}
