import { applyChange, setValue } from '../change/index.ts';
import { readSite } from '../document/index.ts';
import { smallSite } from '../testing/small-site.ts';
import { readIncoming, swatchSheetSvg, swatchesCsv, swatchesJson } from './index.ts';

const base = readSite(smallSite());
const site = applyChange(base, setValue(base, '', ['brand', 'swatches', 'ink', 'label'], 'Ink, "deep" & <dark>')).site;

describe('swatches written out', () => {
  it('are read back from CSV and JSON with their names and colours', () => {
    for (const [name, text] of [
      ['swatches.csv', swatchesCsv(base)],
      ['swatches.json', swatchesJson(base)],
    ] as const) {
      const { colors } = readIncoming(name, text);
      expect(colors.map((color) => [color.label, color.color.typed]))
        .withContext(name)
        .toEqual([
          ['white', '#ffffff'],
          ['ink', '#222222'],
          ['brand', '#b83a1e'],
          ['dark', jasmine.stringMatching(/^#/) as never],
        ]);
    }
  });
  it('quote what CSV needs quoted, and say the rule and the places', () => {
    const lines = swatchesCsv(site).split('\r\n');
    expect(lines[2]).toMatch(/^"Ink, ""deep"" & <dark>",color\.core\.ink,#222222,/);
    expect(lines[4]).toMatch(/"brand, 10 darker",\d+$/);
  });
  it('are a sheet that is well-formed XML, one card each', () => {
    const svg = swatchSheetSvg(site);
    expect(svg.match(/<rect /g)!.length).toBe(4);
    expect(svg).toContain('fill="#b83a1e"');
    expect(svg).not.toContain('<dark>');
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"[^]*<\/svg>\n$/);
  });
});
