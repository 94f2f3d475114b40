import { auditSite, pixelSets, siteIndex, type PixelSet, type Site } from '@yohaku/core';
import { launch } from '../browser.ts';
import { readerScript } from '../pixel-reader.ts';
import { median, type Result } from './result.ts';

const WIDTHS = [1280, 800, 390];

/**
 * All texts over pictures on the demo at three widths: their pixels read in the page and judged, against screenshots of
 * those pages.
 */
export async function benchPixels(site: Site, address: string, link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await browser.newPage();
    await page.goto(link);
    await page
      .getByRole('button', { name: /places$/ })
      .first()
      .waitFor();
    await page.evaluate(async (sequence) => {
      await fetch('/api/sites/ternhaven/publications', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ sequence }),
      });
    }, 0);
    const pages = [
      ...new Set(
        siteIndex(site)
          .places.filter((place) => place.overPicture)
          .map((place) => place.page),
      ),
    ];
    const script = await readerScript();
    const ours: number[] = [];
    const reference: number[] = [];
    for (let round = 0; round < 4; round++) {
      let [mine, shots] = [0, 0];
      const sets: PixelSet[] = [];
      for (const id of pages)
        for (const width of WIDTHS) {
          await page.setViewportSize({ width, height: 900 });
          await page.goto(`${address}/live/ternhaven/${site.pages[id]!.file}`);
          await page.evaluate(() => document.fonts.ready);
          // The pictures are there before either is measured.
          await page.evaluate(() => Promise.all([...document.images].map((image) => image.decode())));
          const read = (await page.evaluate(
            `(async () => { ${script}; const began = performance.now(); const sets = await reader.readPixels(document, ${JSON.stringify(site)}, ${JSON.stringify(id)}, ${width}); return { ms: performance.now() - began, sets: sets.map((set) => ({ ...set, rgb: [...set.rgb], at: [...set.at] })) }; })()`,
          )) as { ms: number; sets: (Omit<PixelSet, 'rgb' | 'at'> & { rgb: number[]; at: number[] })[] };
          mine += read.ms;
          sets.push(
            ...read.sets.map((set) => ({ ...set, rgb: Uint8Array.from(set.rgb), at: Uint16Array.from(set.at) })),
          );
          const began = performance.now();
          await page.screenshot({ fullPage: true });
          shots += performance.now() - began;
        }
      const before = auditSite(site);
      const began = performance.now();
      auditSite(site, before, undefined, pixelSets(sets));
      mine += performance.now() - began;
      if (round === 0) continue;
      ours.push(mine);
      reference.push(shots);
    }
    const [a, b] = [median(ours), median(reference)];
    return [
      {
        name: `pixels behind texts over pictures (${pages.length} pages, ${WIDTHS.length} widths)`,
        median: a,
        unit: 'ms',
        reference: 'screenshots of those pages',
        referenceMedian: b,
        ratio: a / b,
        bound: 'in less time',
        holds: a < b,
      },
    ];
  } finally {
    await browser.close();
  }
}
