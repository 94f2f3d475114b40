import { acceptChange, addOverride, applyChange } from '../change/index.ts';
import { readStored } from '../document/index.ts';
import { stylesCss } from '../render/index.ts';
import { presentPath, tokenTable, tokensCss } from '../style/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { readDtcg, writeDtcg } from './index.ts';
import { readOwnTokensCss } from './own-tokens-css.ts';

describe('Trial 14: the names are our own, and what named the former ones goes on', () => {
  const old = (text: string) =>
    text
      .replace(/scale([.-])up-(\d)/g, 'scale$1step-$2')
      .replace(/scale([.-])base/g, 'scale$1step-0')
      .replace(/(--|\{)background([.-])/g, '$1ground$2');
  const site = smallSite();

  it('steps of the scale are up and down from its base', () => {
    expect([...tokenTable(site.brand).keys()].filter((path) => path.startsWith('scale.'))).toEqual([
      'scale.up-2',
      'scale.up-1',
      'scale.base',
    ]);
    expect(
      ['scale.step-0', 'scale.step-3', 'scale.step-minus-2', 'ground.pale.text', 'text.running.size'].map(presentPath),
    ).toEqual(['scale.base', 'scale.up-3', 'scale.down-2', 'background.pale.text', 'text.running.size']);
    expect(stylesCss(site)).toContain('@layer layout, looks, overrides;');
  });
  it('a stored value, an edit that waited and files that were exported before are read as what they meant', () => {
    const named = literal('o1', 'p/text', 'font-size', '', { value: { kind: 'token', path: 'scale.step-2' } });
    const meant = { kind: 'token', path: 'scale.up-2' } as const;
    const { site: read, left } = readStored(smallSite([named]));
    expect(read.pages['home']!.overrides['o1']!.value).toEqual(meant);
    expect(left).toEqual([]);
    const { site: accepted, ops } = acceptChange(
      site,
      addOverride(site, { record: ['pages', 'home', 'overrides'], place: named.place }, named, 'Text'),
    );
    expect(accepted.pages['home']!.overrides['o1']!.value).toEqual(meant);
    expect(applyChange(site, { ops }).site).toEqual(accepted);
    const sheet = new Map(
      [...old(tokensCss(site.brand)).matchAll(/^ {2}(--[\w-]+): (.*);$/gm)].map(([, name, value]) => [name!, value!]),
    );
    for (const name of ['--scale-step-2', '--ground-pale-text']) expect([...sheet.keys()]).toContain(name);
    expect(readOwnTokensCss(site.brand, sheet)).toEqual(
      jasmine.objectContaining({ changed: [], left: [], brand: site.brand }),
    );
    const { background, ...written } = writeDtcg(site) as { scale: Record<string, unknown>; background: object };
    const former = (key: string) => key.replace(/^up-/, 'step-').replace(/^base$/, 'step-0');
    const file = JSON.parse(
      JSON.stringify({
        ...written,
        ground: background,
        scale: Object.fromEntries(Object.entries(written.scale).map(([key, value]) => [former(key), value])),
      }).replace(/\{(?:scale|background)\.[\w.-]+\}/g, old),
    ) as typeof written;
    expect(Object.keys(file.scale)).toContain('step-2');
    expect(readDtcg(file)).toEqual(jasmine.objectContaining({ changed: [], left: [], brand: site.brand }));
  });
});
