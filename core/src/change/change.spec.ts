import * as fc from 'fast-check';
import { hex, paintedRgb, parseColor } from '../color/index.ts';
import { type Site } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { swatchColor } from '../style/index.ts';
import { smallSite, literal } from '../testing/small-site.ts';
import { applyChange } from './apply.ts';
import { checkTouched } from './check.ts';
import type { Op } from './change.ts';
import * as intents from './intents/index.ts';
import { jsonEqual } from './json.ts';
import { ChangeRefused } from './refused.ts';
import { touchedDocuments } from './touched.ts';
import { planUndo } from './undo.ts';

const site = readSite(smallSite([literal('o1', 'h/text', 'color', '#123456')]));
const color = parseColor('#336699')!;

/** Every kind of edit the desk makes, on the small site. */
const EDITS: Record<string, (site: Site) => intents.Edit | undefined> = {
  'swatch colour': (now) => intents.setSwatchColor(now, 'brand', color),
  'derived swatch colour': (now) => intents.setSwatchColor(now, 'dark', color),
  'add swatches': (now) =>
    intents.addSwatches(now, [
      { id: 'n1', label: 'brand', color },
      { id: 'n2', label: 'brand', color },
    ]),
  'remove swatch': (now) => intents.removeSwatch(now, 'brand', 'ink'),
  follow: (now) => intents.followSwatch(now, 'ink', 'brand'),
  role: (now) => intents.setRole(now, 'pale', 'text', { kind: 'readable' }),
  'role automatic': (now) => intents.setRole(now, 'pale', 'text', undefined),
  'add background': (now) => intents.addGround(now, 'g2', { copyOf: 'pale' }),
  'remove background': (now) => intents.removeGround(now, 'deep', 'pale'),
  'add page': (now) => intents.addPage(now, 'p2', 'home'),
  'remove page': (now) => intents.removePage(now, 'more'),
  'move page': (now) => intents.movePage(now, 'home', 1),
  'add section': (now) => intents.addSection(now, 'home', 'x1', 's1'),
  'duplicate section': (now) => intents.duplicateSection(now, 'home', 's1', 'x2'),
  'move section': (now) => intents.moveSection(now, 'home', 's1', 1),
  'remove section': (now) => intents.removeSection(now, 'home', 's2'),
  'bind override': (now) =>
    intents.useOwnToken(now, ['pages', 'home', 'overrides'], now.pages['home']!.overrides['o1']!, null),
  'leave override': (now) =>
    intents.keepOverride(now, ['pages', 'home', 'overrides'], now.pages['home']!.overrides['o1']!, 'on purpose'),
  'lift override': (now) =>
    intents.liftOverride(
      now,
      ['pages', 'home', 'overrides'],
      now.pages['home']!.overrides['o1']!,
      'background.pale.heading',
    ),
};

describe('edits', () => {
  for (const [name, make] of Object.entries(EDITS)) {
    it(`${name}: gives a right site, shares what it did not touch, and comes back whole`, () => {
      const edit = make(site)!;
      const { site: after, inverse } = applyChange(site, edit);
      expect(after).not.toBe(site);
      checkTouched(site, after);
      expect(applyChange(after, { ops: inverse }).site).toEqual(site);
      const touched = touchedDocuments(site, applyChange(site, edit).site);
      for (const id of Object.keys(site.pages))
        if (!touched.pages.includes(id)) expect(after.pages[id]).toBe(site.pages[id]!);
      if (!touched.site) expect(after.brand).toBe(site.brand);
    });
  }

  it('give the very same site when nothing changes', () => {
    expect(applyChange(site, intents.setValue(site, 'x', ['brand', 'corners', 'button'], 2)).site).toBe(site);
  });

  it('can be undone in any order of many', () => {
    const names = Object.keys(EDITS).filter((name) => !name.includes('remove') && !name.includes('override'));
    fc.assert(
      fc.property(fc.shuffledSubarray(names), (chosen) => {
        const steps: { inverse: readonly Op[] }[] = [];
        let now = site;
        for (const name of chosen) {
          const applied = applyChange(now, EDITS[name]!(now) ?? { ops: [] });
          steps.push(applied);
          now = applied.site;
        }
        for (const step of steps.reverse()) now = applyChange(now, { ops: planUndo(now, step.inverse).ops }).site;
        return jsonEqual(now, site);
      }),
    );
  });

  it('undo only what is still as it was written, and say what has been overtaken', () => {
    const first = applyChange(site, {
      ops: [
        ...intents.setValue(site, '', ['brand', 'corners', 'button'], 9).ops,
        ...intents.setValue(site, '', ['brand', 'corners', 'card'], 9).ops,
      ],
    });
    const second = applyChange(first.site, intents.setValue(first.site, '', ['brand', 'corners', 'button'], 12));
    const plan = planUndo(second.site, first.inverse);
    const undone = applyChange(second.site, { ops: plan.ops }).site;
    expect(undone.brand.corners).toEqual({ ...site.brand.corners, button: 12, card: 4 });
    expect(plan.overtaken).toEqual([['brand', 'corners', 'button']]);
  });

  it('survive edits beside them: a stale move finds its neighbour, or the end', () => {
    const move = intents.moveSection(site, 'home', 's1', 1)!;
    const meanwhile = applyChange(site, intents.removeSection(site, 'home', 's2')).site;
    const later = applyChange(meanwhile, intents.addSection(meanwhile, 'home', 'x9')).site;
    expect(applyChange(later, move).site.pages['home']!.sectionOrder).toEqual(['x9', 's1']);
  });

  it('say what they overtook', () => {
    const stale = intents.setValue(site, '', ['brand', 'corners', 'button'], 9);
    const meanwhile = applyChange(site, intents.setValue(site, '', ['brand', 'corners', 'button'], 5)).site;
    expect(applyChange(meanwhile, stale).overtook).toEqual([['brand', 'corners', 'button']]);
  });
});

describe('several roles set together', () => {
  it('are one edit, and pass over what cannot be', () => {
    const roles = [
      { ground: 'pale', role: 'text' },
      { ground: 'deep', role: 'link' },
      { ground: 'deep', role: 'text' },
    ];
    const edit = intents.setRoles(site, roles, { kind: 'same', role: 'text' });
    expect(edit.ops.length).toBe(1);
    const all = intents.setRoles(site, roles, { kind: 'swatch', swatch: 'brand' });
    expect(all.label).toBe('3 roles');
    const applied = applyChange(site, all);
    expect(roles.map(({ ground, role }) => applied.site.brand.grounds[ground]!.roles[role])).toEqual(
      Array(3).fill({ kind: 'swatch', swatch: 'brand' }) as never,
    );
    expect(applyChange(applied.site, { ops: applied.inverse }).site).toEqual(site);
    expect(intents.setRoles(site, [{ ground: 'pale', role: 'background' }], undefined).ops).toEqual([]);
  });
  it('name the replacement when the swatch whose hue they take is deleted', () => {
    const hued = applyChange(
      site,
      intents.setRoles(site, [{ ground: 'deep', role: 'link' }], { kind: 'contrast', swatch: 'ink', ratio: 4.5 }),
    ).site;
    const gone = { ops: [intents.removeOp(hued, ['brand', 'swatches'], ['brand', 'swatchOrder'], 'ink')] };
    expect(() => checkTouched(hued, applyChange(hued, gone).site)).toThrowError(ChangeRefused, /still used/);
    expect(intents.swatchUses(hued, 'ink')).toContain('Deep, link');
    const after = applyChange(hued, intents.removeSwatch(hued, 'ink', 'dark')).site;
    expect(after.brand.grounds['deep']!.roles['link']).toEqual({ kind: 'contrast', swatch: 'dark', ratio: 4.5 });
  });
});

describe('rules of swatches', () => {
  const color = (of: Site, id: string) => hex(paintedRgb(swatchColor(of.brand, id)!));
  it('make a swatch plain with the colour it has, and give the rule back in one act', () => {
    const before = color(site, 'dark');
    const plain = applyChange(site, intents.setRule(site, 'dark', null)).site;
    expect([color(plain, 'dark'), plain.brand.swatches['dark']!.rule]).toEqual([before, null]);
    const former = plain.brand.swatches['dark']!.formerRule!;
    expect(former).toEqual(site.brand.swatches['dark']!.rule!);
    const back = applyChange(plain, intents.setRule(plain, 'dark', former)).site;
    expect([back.brand.swatches['dark']!.rule, back.brand.swatches['dark']!.formerRule]).toEqual([former, null]);
  });
  it('follow both swatches they look at, through a chain', () => {
    const first = applyChange(
      site,
      intents.setRule(site, 'ink', { kind: 'mix', source: 'dark', with: 'white', share: 0.5 }),
    ).site;
    const moved = applyChange(first, intents.setSwatchColor(first, 'white', parseColor('#ffcc00')!)).site;
    const followed = applyChange(first, intents.setSwatchColor(first, 'brand', parseColor('#2255aa')!)).site;
    expect(color(moved, 'ink')).not.toBe(color(first, 'ink'));
    expect(color(followed, 'ink')).not.toBe(color(first, 'ink'));
  });
  it('look at the replacement when the swatch they compare with is deleted', () => {
    const on = applyChange(
      site,
      intents.setRule(site, 'ink', { kind: 'contrast', source: 'brand', on: 'white', ratio: 7 }),
    ).site;
    const gone = applyChange(on, intents.removeSwatch(on, 'white', 'dark')).site;
    expect(gone.brand.swatches['ink']!.rule).toEqual({ kind: 'contrast', source: 'brand', on: 'dark', ratio: 7 });
    expect(applyChange(on, intents.removeSwatch(on, 'brand', 'dark')).site.brand.swatches['ink']!.rule).toBeNull();
  });
});

describe('values on places that name a swatch', () => {
  const named = readSite(
    smallSite([{ ...literal('t', 'p/text', 'color', ''), value: { kind: 'token', path: 'color.core.ink' } }]),
  );
  const path = (of: Site) => (of.pages['home']!.overrides['t']!.value as { path: string }).path;
  it('go along when it begins to follow another, and come back with it', () => {
    const edit = intents.followSwatch(named, 'ink', 'brand');
    const after = applyChange(named, edit);
    expect(path(after.site)).toBe('color.derived.ink');
    const plain = applyChange(after.site, intents.followSwatch(after.site, 'ink', null)).site;
    expect(path(plain)).toBe('color.core.ink');
    expect(path(applyChange(after.site, { ops: after.inverse }).site)).toBe('color.core.ink');
  });
  it('go to the replacement when it is deleted', () => {
    expect(path(applyChange(named, intents.removeSwatch(named, 'ink', 'dark')).site)).toBe('color.derived.dark');
  });
});

describe('refusals', () => {
  const refusal = (edit: { ops: readonly Op[] }): ChangeRefused => {
    try {
      const { site: after } = applyChange(site, edit);
      checkTouched(site, after);
    } catch (error) {
      if (error instanceof ChangeRefused) return error;
      throw error;
    }
    throw new Error('was not refused');
  };

  it('name what is gone', () => {
    const error = refusal({ ops: [{ op: 'set', at: ['brand', 'swatches', 'nobody', 'label'], value: 'x' }] });
    expect(error.kind).toBe('gone');
    expect(error.message).toContain('nobody');
  });
  it('keep what is used: a swatch, a background, the home page', () => {
    expect(
      refusal({ ops: [intents.removeOp(site, ['brand', 'swatches'], ['brand', 'swatchOrder'], 'brand')] }).message,
    ).toMatch(/still used.*Choose a replacement/);
    expect(
      refusal({ ops: [intents.removeOp(site, ['brand', 'grounds'], ['brand', 'groundOrder'], 'deep')] }).kind,
    ).toBe('in-use');
    expect(refusal({ ops: [intents.removeOp(site, ['pages'], ['pageOrder'], 'home')] }).message).toMatch(
      /home page|still used/,
    );
    expect(() => intents.removePage(site, 'home')).toThrowError(ChangeRefused);
  });
  it('keep figures in range and names fit: empty, equal, 500 characters', () => {
    for (const value of [-1, 1e9, '8', null])
      expect(refusal(intents.setValue(site, '', ['brand', 'corners', 'button'], value)).kind)
        .withContext(String(value))
        .toBe('invalid');
    for (const label of ['', '   ', 'x'.repeat(500), 'ink'])
      expect(refusal(intents.setValue(site, '', ['brand', 'swatches', 'brand', 'label'], label)).kind)
        .withContext(label.slice(0, 9))
        .toBe('invalid');
  });
  it('refuse rules that lead back to themselves, with the path', () => {
    const error = refusal(intents.followSwatch(site, 'brand', 'dark'));
    expect(error.message).toMatch(/brand ← dark ← brand|dark ← brand ← dark/);
    const through = refusal(
      intents.setRule(site, 'brand', { kind: 'contrast', source: 'ink', on: 'dark', ratio: 4.5 }),
    );
    expect(through.message).toMatch(/brand ← dark ← brand|dark ← brand ← dark/);
  });
  it('refuse values that would leave their place in the stylesheet', () => {
    for (const css of ['red; } body { color: blue', 'url(x)<', '@import "x"', 'a\\b']) {
      const error = refusal({
        ops: [
          intents.insertOp(site, ['pages', 'home', 'overrides'], null, 'bad', literal('bad', 'h/text', 'color', css)),
        ],
      });
      expect(error.kind).withContext(css).toBe('invalid');
    }
  });
  it('refuse links that run scripts', () => {
    const content = [{ id: 'l1', link: { to: 'url', url: 'javascript:alert(1)' }, text: 'x' }];
    expect(
      refusal(intents.setValue(site, '', ['pages', 'home', 'sections', 's1', 'own', 'blocks', 'p', 'content'], content))
        .kind,
    ).toBe('invalid');
  });
});
