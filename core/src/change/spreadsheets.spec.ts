import type { Site } from '../site/index.ts';
import { planSheet, readSheet, writeSheet, type SheetPlan } from '../spreadsheet/index.ts';
import { acceptChange, addItem, applyChange, removeItems } from './index.ts';
import { edited } from '../testing/edited.ts';
import { fresh, notices } from '../testing/notices.ts';

describe('a sheet', () => {
  const plan = (text: string, of = notices) => {
    const sheet = readSheet(text);
    return typeof sheet === 'string' ? sheet : planSheet(of, 'n', sheet, fresh);
  };
  it('changes items by their name, adds others and fields, and says beforehand what it will do', () => {
    const made = plan('Name;Price;Where;Photo\nNew ramp;12;Holm;boat.png\nTea;3;;nothing.png\n') as SheetPlan;
    expect([made.added, made.changed, made.same, made.columns.map(({ fresh: kind }) => kind)]).toEqual([
      1,
      1,
      0,
      [null, null, 'line', null],
    ]);
    expect(made.left).toEqual([
      { line: 3, why: 'no image of the site is called “nothing.png”; the other cells are imported' },
    ]);
    const site = edited(notices, () => made.edit!);
    expect([
      site.items['i2']!.values['price'],
      site.items['i2']!.pictures!['photo']!.asset,
      site.collections['n']!.itemOrder.length,
    ]).toEqual(['12', 'a1', 4]);
    expect(
      (
        plan(
          writeSheet(site, site.collections['n']!),
          edited(site, (now) => removeItems(now, ['i3'])),
        ) as SheetPlan
      ).changed,
    ).toBe(0);
  });
  it('is read with commas, semicolons or tabs, quotes and line breaks within; of broken lines is said which and why', () => {
    for (const text of [
      'Name,Text\nA,"one, two\nthree"',
      'Name\tText\nA\t"one, two\nthree"',
      '\uFEFFName;Text\r\nA;"one, two\nthree"',
    ])
      expect(readSheet(text))
        .withContext(text)
        .toEqual({ head: ['Name', 'Text'], rows: [{ line: 2, cells: ['A', 'one, two\nthree'] }], left: [] });
    expect(plan('Name,Text\nA,b,c\n,d\nE,f\nE,g')).toEqual(
      jasmine.objectContaining({
        added: 1,
        left: [
          { line: 2, why: 'has 3 cells, and there are 2 columns' },
          { line: 3, why: 'has no value in “Name”, which names the items' },
          { line: 5, why: '“E” appears twice' },
        ],
      }),
    );
    expect([plan(''), plan('Name,Text'), plan('Name,name\na,b')]).toEqual([
      jasmine.stringContaining('The file is empty'),
      jasmine.stringContaining('no rows below it'),
      'Two columns are called “name”. Nothing was imported. Rename one of them.',
    ]);
    expect(plan(`Name\n${'x\n'.repeat(1_000_000)}`)).toContain('more than 10,000 rows');
  });
  it('keeps every value when it is exported and imported, including telephone numbers and formulas', () => {
    const values = ['+44 20 7946', '=1+1', '-5 degrees', '@home', 'plain'];
    const site = edited(
      notices,
      (now) => removeItems(now, ['i1', 'i2', 'i3']),
      ...values.map((value, i) => (now: Site) => addItem(now, 'n', `v${i}`, { name: value, text: value })),
    );
    const sheet = writeSheet(site, site.collections['n']!);
    // A spreadsheet program runs no cell.
    expect(sheet).not.toMatch(/(^|,|")[=+@-]/m);
    const read = readSheet(sheet);
    expect(typeof read === 'string' ? read : read.rows.map(({ cells }) => cells[0]).sort()).toEqual([...values].sort());
    expect((plan(sheet, site) as SheetPlan).changed).toBe(0);
  });
  it('of ten thousand rows is one edit, taken back in one', () => {
    const rows = Array.from({ length: 9_990 }, (_, i) => `Row ${i},${i}`).join('\n');
    const made = acceptChange(notices, (plan(`Name,Price\n${rows}`) as SheetPlan).edit!);
    expect(made.site.collections['n']!.itemOrder.length).toBe(9_993);
    expect(made.site.collections['n']!.itemOrder.slice(2, 5).map((id) => made.site.items[id]!.values['name'])).toEqual([
      'Fog <b>',
      'Row 0',
      'Row 1',
    ]);
    expect(applyChange(made.site, { ops: made.inverse }).site).toEqual(notices);
    expect(plan(`Name\n${Array.from({ length: 10_000 }, (_, i) => `Row ${i}`).join('\n')}`)).toContain(
      'at most 10,000 are allowed',
    );
  });
});
