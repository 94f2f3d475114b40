import { smallSite } from '../testing/small-site.ts';
import { EXPORT_FILES } from './export-files.ts';

describe('files that tokens and swatches go out in', () => {
  const site = smallSite();
  it('are each what their name says, and hold every swatch', () => {
    const swatches = Object.values(site.brand.swatches);
    for (const [name, file] of Object.entries(EXPORT_FILES)) {
      const text = file.write(site);
      for (const { label, path } of swatches)
        expect(
          text.includes(label) ||
            text.includes(path) ||
            text.includes(path.replaceAll('.', '-')) ||
            text.includes(path.split('.').at(-1)!),
        )
          .withContext(`${path} in ${name}`)
          .toBe(true);
    }
    for (const json of [EXPORT_FILES.dtcg, EXPORT_FILES.json])
      expect(() => {
        JSON.parse(json.write(site));
      })
        .withContext(json.name)
        .not.toThrow();
    expect(EXPORT_FILES.csv.write(site).trim().split('\n').length).toBe(swatches.length + 1);
    expect(EXPORT_FILES.svg.write(site)).toMatch(/^<svg[\s\S]*<\/svg>\s*$/);
    expect(EXPORT_FILES.css.write(site)).toContain(':root');
  });
  it('have a file name each, of which no two are equal', () => {
    const names = Object.values(EXPORT_FILES).map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });
});
