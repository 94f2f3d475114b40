import fc from 'fast-check';
import { acceptChange, addOverride, setRole, setValue, type Edit } from '../change/index.ts';
import { anchorOf, editedPage } from '../page/index.ts';
import { readSite } from '../document/index.ts';
import { bandOf } from '../breakpoint/index.ts';
import { placeKey, siteIndex } from '../reach/index.ts';
import type { Site } from '../site/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { auditSite, findings, type Finding } from './audit.ts';
import { fixesFor } from './fix.ts';
import { occurringPairs } from './pairs.ts';
import { roleJudge } from './role-judgement.ts';

/**
 * The small site with a field, a list with icons and marked words, a quote and a table: every kind of place that is
 * held against what is behind it.
 */
function everyKind(): Site {
  const site = smallSite();
  const own = ['pages', 'home', 'sections', 's1', 'own'];
  const button = { id: 'send', label: 'Send', href: { to: 'page', page: 'home' }, variant: 'primary', size: 'regular' };
  const blocks = [
    {
      kind: 'form',
      id: 'f',
      labelStyle: 'label',
      helpStyle: 'running',
      order: ['a'],
      items: { a: { id: 'a', label: 'Name', kind: 'text', help: 'In full', error: 'Edit', options: [] } },
      submit: button,
    },
    {
      kind: 'list',
      id: 'li',
      style: 'running',
      ordered: false,
      icon: 'check',
      order: ['i'],
      items: { i: { id: 'i', content: [{ text: 'Boats ' }, { id: 'm1', marked: true, text: 'sail' }] } },
    },
    {
      kind: 'table',
      id: 't',
      style: 'running',
      headStyle: 'label',
      caption: 'A table',
      columnOrder: ['c'],
      columns: { c: { id: 'c', label: 'C' } },
      order: ['r', 's'],
      items: { r: { id: 'r', cells: { c: '1' } }, s: { id: 's', cells: { c: '2' } } },
    },
  ];
  return readSite(
    blocks.reduce(
      (now, block) =>
        acceptChange(now, {
          ops: [
            {
              op: 'insert',
              record: [...own, 'blocks'],
              order: [...own, 'columns', 'col1', 'order'],
              id: block.id,
              value: block,
              after: 'k',
            },
          ],
        }).site,
      site,
    ),
  );
}

const ROLES = [
  'text',
  'heading',
  'link',
  'link-hover',
  'link-visited',
  'label',
  'help',
  'error',
  'field-edge',
  'field-text',
  'focus',
  'icon',
  'mark',
  'mark-text',
  'selection',
  'stripe',
  'button-primary-fill-rest',
  'button-primary-label-rest',
  'button-primary-edge-rest',
  'button-primary-label-hover',
];
const shade = fc.integer({ min: 0, max: 255 }).map((value) => `#${value.toString(16).padStart(2, '0').repeat(3)}`);
const color = fc.oneof(
  shade,
  fc
    .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
    .map((rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`),
);

describe('one judge', () => {
  it('every fix that is offered passes once it is applied: of every kind of place, in every state, at every width of its band', () => {
    const base = everyKind();
    const places = siteIndex(base).places.filter(
      (place) => editedPage(place.page) !== null && !['rule', 'surface', 'picture', 'logo'].includes(place.kind),
    );
    const change = fc.oneof(
      fc.record({ ground: fc.constantFrom('pale', 'deep'), role: fc.constantFrom(...ROLES), color }).map(
        ({ ground, role, color }) =>
          (site: Site): Edit =>
            setRole(site, ground, role, { kind: 'raw', color }),
      ),
      fc
        .record({
          at: fc.nat(places.length - 1),
          here: fc.boolean(),
          property: fc.constantFrom('color', 'background-color'),
          color,
          band: fc.constantFrom(null, 'phone', 'desktop'),
        })
        .map(
          ({ at, here, property, color, band }) =>
            (site: Site): Edit =>
              addOverride(
                site,
                anchorOf(places[at]!, here ? 'here' : 'used'),
                literal('', '', property as 'color', color, {
                  id: `o${at}${property.length}${band ?? ''}`,
                  band: band as 'phone' | null,
                }),
                '',
              ),
        ),
      fc.integer({ min: 12, max: 40 }).map(
        (px) =>
          (site: Site): Edit =>
            setValue(site, '', ['brand', 'styles', 'title', 'size'], { kind: 'pinned', small: px, large: px + 6 }),
      ),
    );
    // One that fails every kind at once, so that none is left to chance.
    const faint = [
      'text',
      'link',
      'field-edge',
      'field',
      'field-text',
      'icon',
      'mark',
      'mark-text',
      'focus',
      'button-primary-fill-rest',
      'button-primary-edge-rest',
      'button-primary-label-rest',
    ].map(
      (role, i) =>
        (site: Site): Edit =>
          setRole(site, 'pale', role, { kind: 'raw', color: `#f${(4 + i) % 10}f${(7 + i) % 10}f8` }),
    );
    const seen = new Set<string>();
    let fixed = 0;
    fc.assert(
      fc.property(fc.array(change, { minLength: 2, maxLength: 8 }), (changes) => {
        const site = changes.reduce((now, edit) => acceptChange(now, edit(now)).site, base);
        const audit = auditSite(site);
        const failing = findings(audit).filter((finding) => finding.rule.endsWith('contrast'));
        // One of each kind, rule and state: the others are the same question again.
        const distinct = new Map(
          failing.map((row) => [`${row.place.kind} ${row.rule} ${row.state} ${bandOf(row.width)}`, row]),
        );
        const kindOf = ({ place, rule }: Finding) => `${place.kind} ${rule}`;
        // One of each kind and rule, and then some of their other states and widths.
        const kinds = new Map([...distinct].map(([key, finding]) => [kindOf(finding), [key, finding] as const]));
        for (const [key, finding] of [...new Map([...kinds.values(), ...[...distinct].slice(0, 4)])])
          for (const fix of fixesFor(site, finding)) {
            const after = auditSite(acceptChange(site, fix).site);
            const still = findings(after).filter((entry) => same(entry, finding));
            expect(still.map((entry) => `${fix.label}: ${entry.found} of ${entry.needed} at ${entry.width}`))
              .withContext(key)
              .toEqual([]);
            seen.add(kindOf(finding));
            fixed++;
          }
        // Pairs and set lines report the same ratios as the audit of their places.
        for (const pair of occurringPairs(site))
          if (pair.found !== null) {
            const judged = failing.some(
              (row) =>
                row.rule === pair.rule &&
                pair.states.includes(row.state) &&
                pair.places.some((place) => placeKey(place) === placeKey(row.place)),
            );
            if (pair.found < pair.needed)
              expect(judged).withContext(`${pair.rule} ${pair.kind} ${pair.found} of ${pair.needed}`).toBeTrue();
          }
        const judge = roleJudge(site, 'pale');
        const text = judge('text');
        const texts = [...audit.byGroup].filter(
          ([group]) =>
            group.kind === 'text' &&
            group.ground === 'pale' &&
            group.painting.overrides.length === 0 &&
            group.painting.at('color', 'rest', 'desktop')?.token === 'background.pale.text' &&
            group.under?.painting.recipes.includes('background:pale') &&
            group.under.painting.overrides.length === 0,
        );
        for (const [, judgements] of texts)
          for (const judgement of judgements.filter(
            ({ rule, state }) => rule === 'text-contrast' && state === 'rest',
          )) {
            expect(judgement.found).toBeCloseTo(text.found!, 9);
            expect(judgement.needed).toBeLessThanOrEqual(text.needed);
          }
      }),
      { numRuns: 40, examples: [[faint]] },
    );
    expect(fixed).toBeGreaterThan(50);
    for (const name of [
      'text text-contrast',
      'button text-contrast',
      'field field-contrast',
      'icon icon-contrast',
      'mark text-contrast',
      'link text-contrast',
    ])
      expect(seen).toContain(name);
  });
});

const same = (entry: Finding, finding: Finding): boolean =>
  entry.rule === finding.rule &&
  entry.state === finding.state &&
  entry.place.page === finding.place.page &&
  entry.place.id === finding.place.id &&
  bandOf(entry.width) === bandOf(finding.width);
