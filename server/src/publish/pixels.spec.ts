import { AUDIT_WIDTHS, siteIndex, writePixels, pixelSets, type PixelSet, type PixelsJson } from '@yohaku/core';
import { ternhaven } from '@yohaku/demo';
import { startClient, type Client } from '../testing/client.ts';
import type { Publication } from './publish.ts';

/** Every place over a picture, all pixels behind it of one grey. */
function grey(value: number): PixelsJson {
  const places = siteIndex(ternhaven).places.filter((place) => place.overPicture);
  return writePixels(
    pixelSets(
      places.flatMap((place) =>
        AUDIT_WIDTHS.flatMap((width) =>
          (['lines', 'around'] as const).map((area): PixelSet => ({
            page: place.page,
            place: place.id,
            width,
            area,
            problem: '',
            rgb: new Uint8Array(30).fill(value),
            at: new Uint16Array(20),
          })),
        ),
      ),
    ),
  )!;
}

describe('a publication with pixels sent along', () => {
  let client: Client;
  beforeEach(async () => {
    client = await startClient();
  });
  afterEach(() => client.close());
  const publish = (pixels: unknown) =>
    client.send('POST', '/api/sites/ternhaven/publications', { sequence: 0, pixels });
  const verdicts = async () =>
    (
      (await (await client.get('/api/sites/ternhaven/publications')).json()) as { publications: Publication[] }
    ).publications.map((publication) => publication.verdict);

  it('is judged by them: nothing is left that cannot be told, and pale pictures fail pale texts', async () => {
    expect((await client.send('POST', '/api/sites/ternhaven/publications', { sequence: 0 })).status).toBe(201);
    expect((await publish(grey(0))).status).toBe(201);
    expect((await publish(grey(255))).status).toBe(201);
    const [pale, dark, without] = await verdicts();
    expect([pale!.cannotTell, dark!.cannotTell, without!.cannotTell > 0]).toEqual([0, 0, true]);
    expect(pale!.failed).toBeGreaterThan(dark!.failed);
  });
  it('is judged by what was read from the layout and sent along, and refuses what is none', async () => {
    const send = (layout: unknown) => client.send('POST', '/api/sites/ternhaven/publications', { sequence: 0, layout });
    const running = siteIndex(ternhaven).places.find((place) => place.style === 'body' && place.kind === 'text')!;
    const line = (found: number, rule = 'line-length') => [
      { page: running.page, place: running.id, width: 1280, rule, found },
    ];
    for (const characters of [80, 81]) expect((await send(line(characters))).status).toBe(201);
    for (const bad of [7, [{ page: running.page }], line(-1), line(1.5), line(1, 'zoom')])
      expect((await send(bad)).status)
        .withContext(JSON.stringify(bad))
        .toBe(422);
    const [long, short] = await verdicts();
    expect([long!.failed - short!.failed, long!.places]).toEqual([1, short!.places]);
  });
  it('refuses pixels of another shape, and publishes nothing', async () => {
    const [entry] = grey(0);
    for (const pixels of [
      7,
      [{ ...entry, rgb: '!!' }],
      [{ ...entry, width: -1 }],
      [{ ...entry, area: 'behind' }],
      [{ page: 'home' }],
    ])
      expect((await publish(pixels)).status)
        .withContext(JSON.stringify(pixels).slice(0, 60))
        .toBe(422);
    expect(await verdicts()).toEqual([]);
  });
});
