import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { auditSite, cutDownText, findings, siteIndex, type Finding } from '@yohaku/core';
import { ternhaven } from '@yohaku/demo';
import { violations } from '../axe.ts';
import { expect, publish, test } from '../fixtures.ts';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
type Node = { place: string; ratio: number };

/** docs/axe-agreement.md explains what may differ. */
test('our verdicts on the contrast of texts and axe-core’s are the same lists, page by page, at two widths', async ({
  page,
  signedIn,
}) => {
  await publish(page, signedIn);
  const audit = auditSite(ternhaven);
  const index = siteIndex(ternhaven);
  let compared = 0;
  for (const id of ternhaven.pageOrder)
    for (const width of [1280, 390]) {
      const file = ternhaven.pages[id]!.file;
      await page.setViewportSize({ width, height: 900 });
      await page.goto(`${signedIn.address}/live/ternhaven/${file}`);
      const found = (await page.evaluate(`(async () => { ${AXE};
      const { violations, incomplete, passes } = await axe.run(document, { runOnly: ['color-contrast'] });
      const nodes = (list) => list.flatMap((rule) => rule.nodes.map((node) => ({ place: document.querySelector(node.target[0]).closest('[data-place]').dataset.place, ratio: node.any[0]?.data?.contrastRatio ?? 0 })));
      return { bad: nodes(violations), open: nodes(incomplete), good: nodes(passes) }; })()`)) as {
        bad: Node[];
        open: Node[];
        good: Node[];
      };
      const ours = (verdict: Finding['verdict']) =>
        findings(audit, new Set([verdict])).filter(
          (finding) =>
            finding.place.page === id &&
            finding.width === width &&
            finding.state === 'rest' &&
            finding.rule === 'text-contrast',
        );
      const places = (list: readonly { place: string }[]) => [...new Set(list.map((entry) => entry.place))].sort();
      expect(places(found.bad), `${file} at ${width}: fails`).toEqual(
        places(ours('fail').map((finding) => ({ place: finding.place.id }))),
      );
      for (const { place, ratio } of found.bad) {
        const entry = ours('fail').find((finding) => finding.place.id === place)!;
        expect(cutDownText(entry.found!), `${place} at ${width}`).toBe(cutDownText(ratio));
      }
      // axe cannot tell a button over a picture, nor a cell scrolled out of its table: the label stands on its own
      // fill, the cell on its ground. Nor does it look at gradients.
      const known = places(found.open)
        .map((place) => index.byAddress.get(`${id} ${place}`)!)
        .filter((place) => place.kind !== 'button' && place.kind !== 'cell' && place.overPicture === place.pictured)
        .map((place) => place.id);
      expect(known, `${file} at ${width}: over pictures`).toEqual(
        places(
          ours('cannot-tell')
            .filter((finding) => finding.place.pictured)
            .map((finding) => ({ place: finding.place.id })),
        ),
      );
      // A place that axe passes, Yohaku passes.
      const good = new Set(ours('pass').map((finding) => finding.place.id));
      for (const { place } of found.good)
        if (index.byAddress.get(`${id} ${place}`))
          expect(good.has(place), `${file} at ${width}: ${place} passes`).toBe(true);
      compared += found.good.length + found.bad.length;
    }
  expect(compared).toBeGreaterThan(1000);
});

test('the exported site itself passes axe and needs no script', async ({ signedIn, page, context }) => {
  await publish(page, signedIn);
  for (const file of ['index.html', 'sailings.html', 'contact.html', 'specimen.html']) {
    const live = await context.newPage();
    await live.goto(`${signedIn.address}/live/ternhaven/${file}`);
    const found = await violations(live);
    // The demo's failing eyebrow on Fog is there on purpose.
    expect(
      found.filter((entry) => !/eyebrow/.test(entry)),
      file,
    ).toEqual([]);
    await live.setViewportSize({ width: 320, height: 700 });
    expect(await live.evaluate(() => document.documentElement.scrollWidth), `${file} at 320`).toBeLessThanOrEqual(320);
    await live.close();
  }
});
