import fc from 'fast-check';
import { parseColor } from '../color/index.ts';
import {
  acceptChange,
  addGround,
  addToMenu,
  addOverride,
  addPage,
  addSize,
  addSpace,
  addStyle,
  addSwatches,
  addVariant,
  duplicateSection,
  followSwatch,
  insertOp,
  movePage,
  moveSection,
  planUndo,
  removeButtonPart,
  removeGround,
  removeFromMenu,
  removeOp,
  removePage,
  removeSection,
  removeSpace,
  removeStyle,
  removeSwatch,
  renamePage,
  resizeStyles,
  setOp,
  setRole,
  setSwatchColor,
  setValue,
  valueAt,
  type Edit,
  type Op,
} from '../change/index.ts';
import { anchorOf, offeredFields, pageTree } from '../page/index.ts';
import type { Site } from '../site/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { readSite } from './index.ts';

/** A random choice: items of a list by number, and new ids. */
interface Chance {
  readonly page: string;
  readonly entry: string | undefined;
  readonly id: string;
  pick<T>(list: readonly T[]): T;
  other<T>(list: readonly T[]): T | undefined;
}

const color = (chance: Chance) => parseColor(chance.pick(['#336699', '#b83a1e', '#0a5c36', '#f4c95d']))!;

/** Every kind of edit that the desk makes, each for a site in any state; nothing where it cannot be done there. */
const ACTS: readonly ((site: Site, chance: Chance) => Edit | undefined)[] = [
  // Pages and sections.
  (site, { id, page }) => addPage(site, id, page),
  (site, { id }) => addPage(site, id, null),
  (site, { page }) => (site.pages[page]!.file === 'index.html' ? undefined : removePage(site, page)),
  (site, { page, id }) => renamePage(site, page, `Named ${id}`, true),
  (site, { page, pick }) => movePage(site, page, pick([-1, 1] as const)),
  (site, { page, entry, id }) => (entry === undefined ? undefined : duplicateSection(site, page, entry, id)),
  (site, { page, entry }) => (entry === undefined ? undefined : removeSection(site, page, entry)),
  (site, { page, entry, pick }) =>
    entry === undefined ? undefined : moveSection(site, page, entry, pick([-1, 1] as const)),
  (_site, { page, entry, id }) => ({
    label: '',
    ops: [
      insertOp(
        _site,
        ['pages', page, 'sections'],
        ['pages', page, 'sectionOrder'],
        id,
        { id, shared: 'common' },
        entry ?? null,
      ),
    ],
  }),
  (site, { page, id }) => addToMenu(site, page, id),
  (site, { page }) => removeFromMenu(site, page),
  // Words, and what is chosen where a place stands.
  (site, chance) => {
    const place = chance.pick(pageTree(site, chance.page).places.filter((entry) => entry.words));
    const now = valueAt(site, place.words!);
    const link = { id: chance.id, link: { to: 'page' as const, page: chance.page }, text: 'a link' };
    return setValue(
      site,
      '',
      place.words!,
      typeof now === 'string' ? `Words ${chance.id}` : [{ text: 'Words with ' }, link],
    );
  },
  (site, chance) => {
    const offered = offeredFields(site, chance.pick(pageTree(site, chance.page).places));
    const field = offered.length > 0 ? chance.pick(offered) : undefined;
    return (
      field &&
      setValue(
        site,
        '',
        field.address,
        field.kept(chance.other(field.options.map((option) => option.value)) ?? field.value),
      )
    );
  },
  // Values set on places.
  (site, { id, page, pick }) =>
    addOverride(
      site,
      anchorOf(pick(pageTree(site, page).places), pick(['here', 'used'] as const)),
      { ...literal(id, '', 'color', '#010203') },
      '',
    ),
  (site, { pick }) => {
    const record = pick([['shared', 'overrides'], ...site.pageOrder.map((id) => ['pages', id, 'overrides'])]);
    const [first] = Object.keys(valueAt(site, record) as object);
    return first === undefined ? undefined : { label: '', ops: [removeOp(site, record, null, first)] };
  },
  // The brand: changed, added to, and taken from with what takes its place.
  (site, chance) => setSwatchColor(site, chance.pick(site.brand.swatchOrder), color(chance)),
  (site, chance) => addSwatches(site, [{ id: chance.id, label: 'swatch', color: color(chance) }]),
  (site, { pick, other }) =>
    site.brand.swatchOrder.length < 2
      ? undefined
      : removeSwatch(site, pick(site.brand.swatchOrder), other(site.brand.swatchOrder)!),
  (site, { pick, other }) =>
    site.brand.swatchOrder.length < 2 || site.brand.swatches[pick(site.brand.swatchOrder)]!.rule
      ? undefined
      : followSwatch(site, pick(site.brand.swatchOrder), other(site.brand.swatchOrder)!),
  (site, { pick }) => setRole(site, pick(site.brand.groundOrder), 'text', pick([{ kind: 'readable' }, undefined])),
  (site, { id, pick }) => addGround(site, id, { copyOf: pick(site.brand.groundOrder) }),
  (site, { pick, other }) =>
    site.brand.groundOrder.length < 2
      ? undefined
      : removeGround(site, pick(site.brand.groundOrder), other(site.brand.groundOrder)!),
  (site, { id, pick }) => addStyle(site, pick(site.brand.styleOrder), id),
  (site, { pick, other }) => removeStyle(site, pick(site.brand.styleOrder), other(site.brand.styleOrder)),
  (site, { pick }) => resizeStyles(site, [pick(site.brand.styleOrder)], { by: 'px', amount: 1 }),
  (site, { id, pick }) => addVariant(site, pick(site.brand.variantOrder), id),
  (site, { pick, other }) =>
    removeButtonPart(site, 'variant', pick(site.brand.variantOrder), other(site.brand.variantOrder)),
  (site, { id, pick }) => addSize(site, pick(site.brand.sizeOrder), id),
  (site, { pick, other }) => removeButtonPart(site, 'size', pick(site.brand.sizeOrder), other(site.brand.sizeOrder)),
  (site, { id, pick }) => addSpace(site, pick(site.brand.spaceOrder), id),
  (site, { pick, other }) => removeSpace(site, pick(site.brand.spaceOrder), other(site.brand.spaceOrder)),
  (site, { pick }) => ({
    label: '',
    ops: [setOp(site, ['brand', 'corners', pick(['button', 'card', 'field'])], 3)],
  }),
];

describe('any sequence of edits that the desk can make', () => {
  it('leaves a document that the reader accepts, undone in any order too', () => {
    const step = fc.record({ act: fc.nat(ACTS.length - 1), pick: fc.nat(10_000), other: fc.nat(10_000) });
    const did = new Set<number>();
    // One sequence that is always gone through has all of them; chance makes the others.
    const all = [0, 1, 2, 3, 4, 5].flatMap((round) =>
      ACTS.map((_, act) => ({ act, pick: round * 7 + act, other: round * 3 + act })),
    );
    fc.assert(
      fc.property(
        fc.array(step, { minLength: 4, maxLength: 24 }),
        fc.array(fc.nat(23), { maxLength: 24 }),
        (steps, undone) => {
          let site = readSite(smallSite());
          const done: (readonly Op[])[] = [];
          for (const [i, { act, pick, other }] of steps.entries()) {
            const page = site.pageOrder[other % site.pageOrder.length]!;
            const { sectionOrder } = site.pages[page]!;
            const chance: Chance = {
              page,
              entry: sectionOrder[pick % Math.max(1, sectionOrder.length)],
              id: `x${i + 1}`,
              pick: (list) => list[pick % list.length]!,
              other: (list) =>
                list.length < 2 ? undefined : list[(pick + 1 + (other % (list.length - 1))) % list.length],
            };
            const taken = attempt(() => {
              const edit = ACTS[act]!(site, chance);
              return edit && acceptChange(site, edit);
            });
            if (!taken || taken.site === site) continue;
            did.add(act);
            done.push(taken.inverse);
            ({ site } = taken);
            expect(readSite(site)).toEqual(site);
          }
          for (const n of undone) {
            const [inverse] = done.splice(n % Math.max(1, done.length), 1);
            if (!inverse) continue;
            const { ops } = planUndo(site, inverse);
            const taken = ops.length > 0 ? attempt(() => acceptChange(site, { ops })) : undefined;
            if (!taken) continue;
            ({ site } = taken);
            expect(readSite(site)).toEqual(site);
          }
        },
      ),
      { numRuns: 50, examples: [[all, [3, 1, 4, 1, 5, 9, 2, 6]]] },
    );
    // Each of them was done at least once.
    expect(ACTS.map((_, i) => i).filter((i) => !did.has(i))).toEqual([]);
  });
});

/** Returns the result of an edit; undefined if it is refused with a sentence and nothing changed. */
function attempt<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if ((error as Error).name !== 'ChangeRefused') throw error;
    return undefined;
  }
}
