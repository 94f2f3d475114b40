/** Pictures of the demo, computed as SVG: sea, sky and islands from a few curves. No scripts, no outside references. */
export interface DemoPicture {
  readonly id: string;
  readonly name: string;
  readonly svg: string;
  readonly width: number;
  readonly height: number;
}

/** A small generator with a fixed seed (mulberry32), so that every start draws the same pictures. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const W = 1280;
const n = (value: number): string => value.toFixed(1);

function ridge(random: () => number, base: number, height: number, points: number): string {
  let path = `M0 ${base}`;
  for (let i = 0; i <= points; i++) {
    const x = (i / points) * W;
    const y = base - height * (0.35 + 0.65 * random()) * Math.sin((Math.PI * (i + 0.5)) / (points + 1));
    path += ` L${n(x)} ${n(y)}`;
  }
  return `${path} L${W} ${base} Z`;
}

function waves(random: () => number, from: number, to: number, color: string): string {
  let out = '';
  for (let y = from; y < to; y += 14 + (y - from) / 9) {
    const x = random() * W * 0.8;
    const length = 60 + random() * 320;
    out += `<path d="M${n(x)} ${n(y)} q${n(length / 4)} -5 ${n(length / 2)} 0 t${n(length / 2)} 0" fill="none" stroke="${color}" stroke-opacity="${(0.12 + random() * 0.3).toFixed(2)}" stroke-width="${n(1.5 + random() * 2)}"/>`;
  }
  return out;
}

interface Scene {
  seed: number;
  height?: number;
  sky: [string, string];
  sea: [string, string];
  land: string;
  horizon: number;
  ridges: [number, number][];
  more?: string;
}

function scene(id: string, name: string, s: Scene): DemoPicture {
  const H = s.height ?? 720;
  const random = seeded(s.seed);
  const horizon = H * s.horizon;
  const gradient = (key: string, [top, bottom]: [string, string]) =>
    `<linearGradient id="${key}" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${top}"/><stop offset="1" stop-color="${bottom}"/></linearGradient>`;
  const land = s.ridges
    .map(
      ([height, points], i) =>
        `<path d="${ridge(random, horizon + 2, height, points)}" fill="${s.land}" fill-opacity="${(0.45 + i * 0.3).toFixed(2)}"/>`,
    )
    .join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${W} ${H}" width="${W}" height="${H}"><defs>${gradient('sky', s.sky)}${gradient('sea', s.sea)}</defs><rect width="${W}" height="${H}" fill="url(#sky)"/>${land}<rect y="${n(horizon)}" width="${W}" height="${n(H - horizon)}" fill="url(#sea)"/>${waves(random, horizon + 8, H, '#ffffff')}${s.more ?? ''}</svg>`;
  return { id, name, svg, width: W, height: H };
}

const boat = (x: number, y: number, k: number): string =>
  `<g transform="translate(${x} ${y}) scale(${k})"><path d="M0 60 H320 L296 100 H28 Z" fill="#0e3b43"/><rect x="56" y="24" width="210" height="36" fill="#fbfaf6"/><rect x="96" y="0" width="110" height="26" fill="#f1eadb"/><rect x="136" y="-44" width="40" height="46" fill="#b83a1e"/><rect x="136" y="-44" width="40" height="11" fill="#14211f"/>${[72, 104, 136, 168, 200, 232].map((at) => `<rect x="${at}" y="34" width="18" height="12" fill="#3e666c"/>`).join('')}</g>`;

const light = (x: number, y: number, k: number): string =>
  `<g transform="translate(${x} ${y}) scale(${k})"><path d="M0 0 L8 -150 H44 L52 0 Z" fill="#fbfaf6"/><rect x="5" y="-60" width="42" height="22" fill="#b83a1e"/><rect x="9" y="-126" width="34" height="20" fill="#b83a1e"/><rect x="10" y="-176" width="32" height="28" fill="#14211f"/><path d="M6 -176 L26 -196 L46 -176 Z" fill="#b83a1e"/></g>`;

const crates = (y: number): string =>
  [120, 260, 400, 900, 1030]
    .map(
      (x, i) =>
        `<g transform="translate(${x} ${y - (i % 2) * 20})"><rect width="110" height="80" fill="#f1eadb"/><path d="M0 26 H110 M0 53 H110" stroke="#4d605f" stroke-width="4"/></g>`,
    )
    .join('');

/** The mark: hull, house and funnel over one wave, cut out; `hull` and `house` differ by the ground it is made for. */
function mark(id: string, name: string, hull: string, house: string): DemoPicture {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 108" width="120" height="108"><path d="M2 62 H118 L106 84 H14 Z" fill="${hull}"/><path d="M28 40 H84 L96 62 H28 Z" fill="${house}"/><rect x="44" y="6" width="24" height="34" fill="#b83a1e"/><path d="M2 98 q14.5 -8 29 0 t29 0 t29 0 t29 0" fill="none" stroke="${hull}" stroke-width="6" stroke-linecap="round"/></svg>`;
  return { id, name, svg, width: 120, height: 108 };
}

/** Every picture of the site. */
export const pictures: readonly DemoPicture[] = [
  scene('sea-sky', 'Sea and sky', {
    seed: 4,
    sky: ['#8fb0b4', '#dfe6df'],
    sea: ['#2c6169', '#0d3a42'],
    land: '#2f5a5c',
    horizon: 0.46,
    ridges: [
      [90, 9],
      [60, 13],
    ],
    more: boat(790, 330, 0.9),
  }),
  scene('four-islands', 'Four islands at low sun', {
    seed: 11,
    sky: ['#e9d9b4', '#f4efe0'],
    sea: ['#7c8c58', '#4b5d33'],
    land: '#5f7346',
    horizon: 0.52,
    ridges: [
      [130, 7],
      [90, 11],
      [50, 15],
    ],
  }),
  scene('harbour', 'The harbour at Ternhaven', {
    seed: 23,
    sky: ['#c9d6d6', '#eef1ec'],
    sea: ['#5a8286', '#2b5359'],
    land: '#4d605f',
    horizon: 0.5,
    ridges: [[150, 12]],
    more: `<path d="M0 470 H760 V520 H0 Z" fill="#4d605f"/>${light(640, 470, 1.1)}${boat(860, 430, 0.7)}`,
  }),
  scene('aldersay', 'Aldersay', {
    seed: 31,
    sky: ['#bcd0d2', '#f1eadb'],
    sea: ['#47767b', '#22494f'],
    land: '#55714f',
    horizon: 0.62,
    ridges: [
      [260, 6],
      [140, 9],
    ],
    more: light(900, 440, 0.8),
  }),
  scene('holm', 'Holm', {
    seed: 47,
    sky: ['#d8dfe0', '#f6f2e8'],
    sea: ['#6d9397', '#3a6468'],
    land: '#8b8a5c',
    horizon: 0.58,
    ridges: [
      [110, 8],
      [80, 12],
    ],
  }),
  scene('skarra', 'Skarra', {
    seed: 59,
    sky: ['#9fb3b8', '#d5dcd6'],
    sea: ['#2e5b62', '#12393f'],
    land: '#3d4b49',
    horizon: 0.66,
    ridges: [
      [330, 5],
      [220, 8],
      [120, 12],
    ],
  }),
  scene('outer-ness', 'Outer Ness', {
    seed: 71,
    sky: ['#e8cdb2', '#f7ead6'],
    sea: ['#8a9a94', '#4d6b69'],
    land: '#6d6a52',
    horizon: 0.54,
    ridges: [[70, 14]],
    more: light(300, 392, 0.6),
  }),
  scene('deck', 'Freight on the pier', {
    seed: 83,
    sky: ['#cdd8d6', '#f1f1ea'],
    sea: ['#4a7177', '#2b5257'],
    land: '#4d605f',
    horizon: 0.44,
    ridges: [[80, 10]],
    more: `<rect y="560" width="${W}" height="160" fill="#8d8a7b"/>${crates(520)}`,
  }),
  scene('crew', 'The boat, stern on', {
    seed: 97,
    sky: ['#b8cbcd', '#e9ece4'],
    sea: ['#386a71', '#173f46'],
    land: '#48605e',
    horizon: 0.55,
    ridges: [[100, 11]],
    more: boat(360, 340, 1.7),
  }),
  mark('mark-pale', 'Dark mark', '#0e3b43', '#3e666c'),
  mark('mark-dark', 'Light mark', '#fbfaf6', '#cfd9d6'),
];
