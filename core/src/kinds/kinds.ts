import * as v from 'valibot';
import { buttons } from './buttons.ts';
import { plainText, type Inline } from './inline.ts';
import { walk } from './walk.ts';
import { cards } from './cards.ts';
import { download } from './download.ts';
import { embed } from './embed.ts';
import { figures } from './figures.ts';
import { form } from './form.ts';
import { gallery } from './gallery.ts';
import type { Kind } from './kind.ts';
import { items } from './items.ts';
import { links } from './links.ts';
import { list } from './list.ts';
import { logo } from './logo.ts';
import { menu } from './menu.ts';
import { picture } from './picture.ts';
import { questions } from './questions.ts';
import { quote } from './quote.ts';
import { rule } from './rule.ts';
import { space } from './space.ts';
import { steps } from './steps.ts';
import { table } from './table.ts';
import { text } from './text.ts';

/** Every kind of block there is, in the order in which the specimen shows them. */
const KINDS = [
  text,
  quote,
  list,
  steps,
  questions,
  rule,
  space,
  figures,
  links,
  menu,
  download,
  buttons,
  logo,
  form,
  table,
  cards,
  picture,
  gallery,
  items,
  embed,
] as const;

/** A part of a section. */
export type Block = v.InferOutput<(typeof KINDS)[number]['schema']>;
export type BlockOf<K extends Block['kind']> = Extract<Block, { kind: K }>;

const known = new Map<string, Kind>(KINDS.map((kind) => [kind.kind, kind as unknown as Kind]));

/** All kinds. */
export const allKinds = (): Kind[] => [...known.values()];

/** The kind of a block; undefined for one that nobody knows. */
export const kindOf = (block: { readonly kind: string }): Kind | undefined => known.get(block.kind);

const NoKind = v.pipe(
  v.unknown(),
  v.check(
    () => false,
    () => `is no block of a kind that is known: ${[...known.keys()].join(', ')}`,
  ),
);

/** A block by what its kind says. */
export const Block: v.GenericSchema<Block> = v.lazy((input) => {
  const kind =
    typeof input === 'object' && input !== null && 'kind' in input ? known.get(String(input.kind)) : undefined;
  return (kind?.schema ?? NoKind) as v.GenericSchema<Block>;
});

/**
 * Has one more kind for as long as `work` runs: how a test takes a kind of its own
 * through everything that is worked out from kinds.
 * @throws when there is a kind of that name
 */
export function withKind<T>(kind: Kind, work: () => T): T {
  if (known.has(kind.kind)) throw new RangeError(`There is a kind ${kind.kind} already.`);
  known.set(kind.kind, kind);
  try {
    return work();
  } finally {
    known.delete(kind.kind);
  }
}

/** The words that a block shows, each in one piece: what is searched. */
export function wordsIn(block: Block): string[] {
  const found: string[] = [];
  walk(
    Block,
    block,
    (meaning, value) => {
      if (meaning.means === 'words' && Array.isArray(value)) found.push(plainText(value as Inline[]));
      else if (meaning.means === 'line' && typeof value === 'string' && value !== '') found.push(value);
    },
    [],
    true,
  );
  return found;
}
