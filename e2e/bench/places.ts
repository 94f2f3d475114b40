import { writeFileSync } from 'node:fs';
import { LineChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { contrastRules, siteIndex, tokenTable, type Site } from '@yohaku/core';
import { manyPlaces } from '@yohaku/demo';
import { walkWithCulori } from './pairs.ts';
import { median, type Result } from './result.ts';

/** Pages of the generated sites: about 5,000, 25,000 and 100,000 places. */
const PAGES = [42, 211, 845] as const;
const FASTER = 50;
/** Pages laid out before a size is measured. */
const WARM_UP = 1700;
/** Noise of a busy machine on top of growth in proportion. */
const LINEAR = 1.25;

/** Milliseconds by places, drawn as an SVG: a straight line through nothing is growth in proportion. */
function growthPlot(points: readonly { readonly places: number; readonly ms: number }[]): string {
  use([LineChart, GridComponent, SVGRenderer]);
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 560, height: 300 });
  const last = points.at(-1)!;
  const text = { color: '#1a1a1a', fontSize: 12 };
  chart.setOption({
    animation: false,
    grid: { left: 60, right: 40, top: 30, bottom: 44 },
    xAxis: {
      type: 'value',
      name: 'places',
      nameLocation: 'middle',
      nameGap: 28,
      nameTextStyle: text,
      axisLabel: text,
      min: 0,
    },
    yAxis: {
      type: 'value',
      name: 'ms, found and rated',
      nameTextStyle: { ...text, align: 'left' },
      axisLabel: text,
      min: 0,
    },
    series: [
      {
        type: 'line',
        symbolSize: 7,
        itemStyle: { color: '#1a1a1a' },
        lineStyle: { color: '#1a1a1a' },
        data: points.map(({ places, ms }) => [places, Math.round(ms * 10) / 10]),
      },
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: '#8a8a8a', type: 'dashed' },
        data: [
          [0, 0],
          [last.places, (points[0]!.ms / points[0]!.places) * last.places],
        ],
      },
    ],
  });
  const svg = chart.renderToSVGString();
  chart.dispose();
  return svg;
}

/**
 * All pairs of generated sites, found in documents nobody has seen and rated, against culori walking the largest; and
 * how that grows. `plot` names an SVG file for the curve; in it the broken line is growth in proportion.
 */
export function benchPlaces(site: Site, plot?: string): Result[] {
  const measured = PAGES.map((pages) => {
    let places = 0;
    const run = () => {
      const big = manyPlaces(unseen(site), pages);
      const start = performance.now();
      const index = siteIndex(big);
      const table = tokenTable(big.brand);
      let pairs = 0;
      for (const group of index.groups) pairs += contrastRules(table, group).length * group.count;
      const time = performance.now() - start;
      if (pairs < index.count) throw new Error('pairs were not found');
      places = index.count;
      return time;
    };
    // The engine compiles on small sites what it meets ready on large ones.
    for (let i = 0; i < WARM_UP / pages; i++) run();
    return { places, ms: median(Array.from({ length: 5 }, run)) };
  });
  if (plot) writeFileSync(plot, growthPlot(measured));
  const largest = measured.at(-1)!;
  const big = manyPlaces(unseen(site), PAGES.at(-1)!);
  const start = performance.now();
  siteIndex(big);
  walkWithCulori(big);
  const reference = performance.now() - start;
  const share = ({ ms, places }: { ms: number; places: number }) => (ms / places) * 1000;
  return [
    {
      name: `pairs of ${largest.places} places, found and rated`,
      median: largest.ms,
      unit: 'ms',
      reference: 'the same with culori',
      referenceMedian: reference,
      ratio: reference / largest.ms,
      bound: `at least ${FASTER} times faster`,
      holds: reference / largest.ms >= FASTER,
    },
    ...measured.slice(1).map((entry): Result => ({
      name: `growth to ${entry.places} places`,
      median: share(entry),
      unit: 'µs a place',
      reference: `at ${measured[0]!.places} places`,
      referenceMedian: share(measured[0]!),
      ratio: share(entry) / share(measured[0]!),
      bound: `at most ${LINEAR}: in proportion`,
      holds: share(entry) / share(measured[0]!) <= LINEAR,
    })),
  ];
}

/** The same site as new objects: nothing is remembered of it. */
function unseen(site: Site): Site {
  return structuredClone(site);
}
