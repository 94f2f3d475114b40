import { readSite } from '@yohaku/core';
import { ternhaven } from '@yohaku/demo';
import { benchBuild } from './build.ts';
import { benchDrag } from './drag.ts';
import { benchExtract } from './extract.ts';
import { benchField } from './field.ts';
import { benchFonts } from './fonts.ts';
import { benchHeld } from './held.ts';
import { benchKills } from './kills.ts';
import { benchFix } from './fix.ts';
import { benchItems } from './items.ts';
import { benchPixels } from './pixels.ts';
import { benchPairs } from './pairs.ts';
import { benchPlaces } from './places.ts';
import { benchRestyle } from './restyle.ts';
import { benchRipple } from './ripple.ts';
import { benchScale } from './scale.ts';
import { benchShelf } from './shelf.ts';
import { benchSize } from './size.ts';
import { benchSteps } from './steps.ts';
import { benchItemsTable, benchTable } from './table.ts';
import type { Result } from './result.ts';
import { withServer } from './with-server.ts';

const args = process.argv.slice(2);
/** Where the curve of growth is drawn, if it is asked for. */
const plot = args.includes('--plot') ? args[args.indexOf('--plot') + 1] : undefined;
const site = readSite(ternhaven);
const BENCHES: Record<string, () => Result[] | Promise<Result[]>> = {
  pairs: () => benchPairs(site),
  places: () => benchPlaces(site, plot),
  ripple: () => benchRipple(site),
  restyle: () => withServer(({ address, link }) => benchRestyle(site, address, link)),
  held: () => withServer(({ address, link }) => benchHeld(site, address, link)),
  extract: benchExtract,
  field: benchField,
  drag: () => withServer(({ address, link }) => benchDrag(address, link)),
  fix: () => benchFix(site),
  items: () => benchItems(site),
  build: () => withServer(({ address, link }) => benchBuild(site, address, link)),
  pixels: () => withServer(({ address, link }) => benchPixels(site, address, link)),
  fonts: benchFonts,
  kills: benchKills,
  shelf: () => withServer(({ link }) => benchShelf(link)),
  size: benchSize,
  steps: () => withServer(({ address, link }) => benchSteps(link, address)),
  table: async () => [
    ...(await withServer(({ address, link }) => benchTable(link, address))),
    ...(await benchItemsTable(site)),
  ],
  scale: benchScale,
};

const json = args.includes('--json');
const names = args.filter((arg, i) => !arg.startsWith('--') && args[i - 1] !== '--plot');
const unknown = names.find((name) => !Object.hasOwn(BENCHES, name));
if (unknown) {
  process.stderr.write(`yohaku: there is no benchmark “${unknown}”; there are ${Object.keys(BENCHES).join(', ')}.\n`);
  process.exit(2);
}
const results: Result[] = [];
for (const name of names.length > 0 ? names : Object.keys(BENCHES)) {
  const list = await BENCHES[name]!();
  results.push(...list);
  if (!json)
    for (const entry of list)
      process.stdout.write(
        `${entry.name}: ${entry.median.toFixed(2)} ${entry.unit}; ${entry.reference} ${entry.referenceMedian.toFixed(2)}; ratio ${entry.ratio.toFixed(2)} (${entry.bound}) ${entry.holds ? 'holds' : 'FALLS SHORT'}\n`,
      );
}
if (json) process.stdout.write(`${JSON.stringify(results, null, 2)}\n`);
process.exit(results.every((result) => result.holds) ? 0 : 1);
