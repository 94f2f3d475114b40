import { namedColors } from '../formats/index.ts';
import { formerItemFiles } from '../collections/index.ts';
import { smallSite } from '../testing/small-site.ts';
import {
  acceptChange,
  addCollection,
  addField,
  addItem,
  addPage,
  addPicture,
  addressItem,
  applyChange,
  pageOfItems,
  planFieldKind,
  setField,
  setOptions,
} from './index.ts';
import { edited } from '../testing/edited.ts';

const clocks = edited(
  smallSite(),
  (now) =>
    addPicture(now, {
      id: 'mantel',
      name: 'Mantel clock.png',
      hash: 'a'.repeat(64),
      type: 'image/png',
      width: 40,
      height: 40,
    }),
  (now) => addCollection(now, 'clocks', 'Clocks'),
  (now) => addField(now, 'clocks', 'seen', 'Seen', 'line'),
  (now) => addItem(now, 'clocks', 'c1', { name: 'First', seen: 'mantel clock' }),
  (now) => addItem(now, 'clocks', 'c2', { name: 'Second', seen: 'Tower' }),
  (now) => addItem(now, 'clocks', 'c3', { name: 'Third' }),
);

describe('a change of a field’s kind', () => {
  it('matches texts with pictures by name, lists texts without a match, and restores all texts', () => {
    const { edit, said, matched, without } = planFieldKind(clocks, 'clocks', 'seen', 'picture');
    expect([said, matched, without]).toEqual([2, 1, ['Tower']]);
    const done = acceptChange(clocks, edit);
    expect(done.site.items['c1']!.pictures).toEqual({ seen: { asset: 'mantel', alt: '' } });
    const back = edited(done.site, (now) => planFieldKind(now, 'clocks', 'seen', 'line').edit);
    expect(['c1', 'c2', 'c3'].map((id) => back.items[id]!.values['seen'])).toEqual([
      'mantel clock',
      'Tower',
      undefined,
    ]);
    expect(applyChange(done.site, { ops: done.inverse }).site).toEqual(clocks);
  });
  it('turns values into choices, and renames a choice in all items', () => {
    const chosen = edited(clocks, (now) => planFieldKind(now, 'clocks', 'seen', 'choice').edit);
    expect(chosen.collections['clocks']!.fields['seen']!.options).toEqual(['mantel clock', 'Tower']);
    const renamed = edited(chosen, (now) => setOptions(now, 'clocks', 'seen', ['mantel clock', 'Turret']));
    expect(renamed.items['c2']!.values['seen']).toBe('Turret');
    // A removed choice is not renamed to a choice that already existed.
    const less = edited(chosen, (now) => setOptions(now, 'clocks', 'seen', ['mantel clock']));
    expect(less.items['c2']!.values['seen']).toBe('Tower');
  });
});

describe('the address of an item', () => {
  it('follows the item’s name until the address is published or edited; then the old address redirects', () => {
    const paged = edited(
      clocks,
      (now) => addPage(now, 'one', null),
      (now) => pageOfItems(now, 'clocks', 'one'),
      (now) => setField(now, 'c1', 'name', 'Regulator'),
    );
    expect(paged.items['c1']!.slug).toBe('regulator');
    const live = edited(paged, (now) => setField(now, 'c1', 'name', 'Regulator clock', paged));
    expect(live.items['c1']!.slug).toBe('regulator');
    const moved = edited(live, (now) => addressItem(now, 'c1', 'Great Regulator', paged));
    expect(moved.items['c1']!.slug).toBe('great-regulator');
    expect([...formerItemFiles(moved)]).toEqual([
      ['clocks-regulator.html', { title: 'Regulator clock', file: 'clocks-great-regulator.html' }],
    ]);
    const byHand = edited(moved, (now) => setField(now, 'c1', 'name', 'Another'));
    expect(byHand.items['c1']!.slug).toBe('great-regulator');
    expect(() => addressItem(byHand, 'c2', 'great regulator')).toThrowError(/another item or page/);
  });
});

describe('a word between two pasted colours', () => {
  it('names one of them', () => {
    expect(namedColors('#112233 Slate #445566').map(({ label }) => label)).toEqual(['Slate', undefined]);
    expect(namedColors('Slate #112233 Fog #eeeeee Rust #aa3311').map(({ label }) => label)).toEqual([
      'Slate',
      'Fog',
      'Rust',
    ]);
    expect(namedColors('#112233 Slate, #445566 Fog').map(({ label }) => label)).toEqual(['Slate', 'Fog']);
  });
});
