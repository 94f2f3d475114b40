import sharp from 'sharp';
import { unzipSync } from 'fflate';
import {
  acceptChange,
  addBlock,
  addCollection,
  addDownload,
  addItem,
  addListSection,
  addPicture,
  joinEdits,
  partsAt,
  readSite,
  setValue,
  siteIndex,
  type Edit,
  type Site,
} from '@yohaku/core';
import { Isolated } from '../isolated/index.ts';
import { keepDownload, storeFile } from '../assets/index.ts';
import { type Database } from '../db/index.ts';
import { bringIn, loadSite } from '../sites/index.ts';
import { startClient, type Client } from '../testing/client.ts';
import { freshDatabase, ROOT } from '../testing/database.ts';
import { exportSite, zipSite, type ExportedSite } from './index.ts';

const apart = new Isolated();
afterAll(() => apart.close());
const after = (site: Site, make: (now: Site) => Edit): Site => acceptChange(site, make(site)).site;
const PDF = Buffer.from('%PDF-1.4\nA plan.\n');

describe('what goes out with a site', () => {
  let database: Database;
  let site: Site;
  let files: ExportedSite;
  beforeAll(async () => {
    database = await freshDatabase();
    const bytes = await sharp({ create: { width: 1200, height: 700, channels: 3, background: '#884422' } })
      .png()
      .toBuffer();
    const hash = await storeFile(database.db, bytes, 'image/png');
    // Two pictures of one that moves: dark and light, a tenth and three tenths of a second.
    const twice = Buffer.concat([Buffer.alloc(1000 * 500 * 3, 30), Buffer.alloc(1000 * 500 * 3, 220)]);
    const moving = await storeFile(
      database.db,
      await sharp(twice, { raw: { width: 1000, height: 1000, channels: 3, pageHeight: 500 } })
        .webp({ loop: 2, delay: [100, 300] })
        .toBuffer(),
      'image/webp',
    );
    const kept = await keepDownload(database.db, 'plan.pdf', PDF);
    site = after((await loadSite(database, 'ternhaven'))!.site, (now) =>
      joinEdits(now, '', [
        (entry) => addPicture(entry, { id: 'photo', name: 'Photo', hash, type: 'image/png', width: 1200, height: 700 }),
        (entry) =>
          addPicture(entry, { id: 'waves', name: 'Waves', hash: moving, type: 'image/webp', width: 1000, height: 500 }),
        (entry) => addDownload(entry, { id: 'plan', name: 'Plan', ...kept }),
        (entry) => addCollection(entry, 'works', 'Works'),
        ...Array.from(
          { length: 8 },
          (_, i) => (entry: Site) => addItem(entry, 'works', `w${i}`, { name: `Work ${i}` }),
        ),
        (entry) => addListSection(entry, 'about', 'works', 'works-list'),
        (entry) =>
          joinEdits(entry, '', [
            (now2) =>
              setValue(
                now2,
                '',
                ['pages', 'about', 'sections', 'works-list', 'own', 'blocks', 'works-list-list', 'limit'],
                3,
              ),
            (now2) =>
              setValue(
                now2,
                '',
                ['pages', 'about', 'sections', 'works-list', 'own', 'blocks', 'works-list-list', 'paged'],
                true,
              ),
          ]),
        (entry) =>
          addBlock(
            entry,
            partsAt(
              entry,
              siteIndex(entry).places.find(({ page, id }) => page === 'about' && id.startsWith('works-list-b1/'))!,
            ).find(({ what }) => what === 'block')!,
            'picture',
            'pic',
          ),
        (entry) =>
          setValue(entry, '', ['pages', 'about', 'sections', 'works-list', 'own', 'blocks', 'pic', 'asset'], 'photo'),
        (entry) =>
          addBlock(
            entry,
            partsAt(
              entry,
              siteIndex(entry).places.find(({ page, id }) => page === 'about' && id.startsWith('works-list-b1/'))!,
            ).find(({ what }) => what === 'block')!,
            'picture',
            'sea',
          ),
        (entry) =>
          setValue(entry, '', ['pages', 'about', 'sections', 'works-list', 'own', 'blocks', 'sea', 'asset'], 'waves'),
        (entry) =>
          addBlock(
            entry,
            partsAt(
              entry,
              siteIndex(entry).places.find(({ page, id }) => page === 'about' && id.startsWith('works-list-b1/'))!,
            ).find(({ what }) => what === 'block')!,
            'embed',
            'film',
          ),
        (entry) =>
          setValue(entry, '', ['pages', 'about', 'sections', 'works-list', 'own', 'blocks', 'film', 'inside'], true),
        (entry) =>
          addBlock(
            entry,
            partsAt(
              entry,
              siteIndex(entry).places.find(({ page, id }) => page === 'about' && id.startsWith('works-list-b1/'))!,
            ).find(({ what }) => what === 'block')!,
            'download',
            'take',
          ),
      ]),
    );
    files = await exportSite(database.db, apart, site, ROOT);
  });
  afterAll(() => database.close());
  const text = (name: string) => files.get(name)!.bytes.toString('utf8');

  it('has pictures of pixels in the widths needed, as WebP, offered beside their own; drawings as they are', async () => {
    const [, offered] = /src="images\/photo-[0-9a-f]{10}\.png"[^>]*srcset="([^"]+)"/.exec(text('about.html'))!;
    const widths = offered!.split(', ').map((name) => name.split(' ') as [string, string]);
    expect(widths.map(([, width]) => width)).toEqual(['480w', '960w', '1200w']);
    for (const [file, width] of widths) {
      const read = await sharp(files.get(file)!.bytes).metadata();
      expect([read.format, `${read.width}w`]).toEqual(['webp', width]);
    }
    expect(text('index.html')).not.toMatch(/\.svg"[^>]*srcset/);
  });
  it('has a picture that moves moving in every width, as long and as often as its own', async () => {
    const [, own, offered] = /src="(images\/waves-[0-9a-f]{10}\.webp)"[^>]*srcset="([^"]+)"/.exec(text('about.html'))!;
    expect(offered!.split(', ').map((name) => name.split(' ')[1])).toEqual(['480w', '960w', '1000w']);
    for (const [file, width] of offered!.split(', ').map((name) => name.split(' ') as [string, string])) {
      const {
        width: wide,
        pages,
        pageHeight,
        delay,
        loop,
      } = await sharp(files.get(file)!.bytes, { animated: true }).metadata();
      expect({ width: `${wide}w`, pages, pageHeight, delay, loop })
        .withContext(file)
        .toEqual({ width, pages: 2, pageHeight: wide / 2, delay: [100, 300], loop: 2 });
    }
    expect(offered).toContain(own!);
  });
  it('has a picture for sharing of every page that names none: 1200 by 630, in the colours of the page, with its words', async () => {
    const [, file] = /property="og:image" content="([^"]+)"/.exec(text('about.html'))!;
    const { data, info } = await sharp(files.get(file!)!.bytes)
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([1200, 630]);
    const colors = new Map<string, number>();
    for (let at = 0; at < data.length; at += 3)
      colors.set(
        `${data[at]},${data[at + 1]},${data[at + 2]}`,
        (colors.get(`${data[at]},${data[at + 1]},${data[at + 2]}`) ?? 0) + 1,
      );
    const [ground] = [...colors].sort(([, value], [, other]) => other - value);
    // Mostly its background; words of another colour cover a good part of it.
    expect(ground![1] / (1200 * 630)).toBeGreaterThan(0.6);
    expect(1 - ground![1] / (1200 * 630)).toBeGreaterThan(0.02);
    expect(
      new Set(site.pageOrder.map((id) => files.get(`images/sharing-${id}.png`)?.bytes.toString('base64'))).size,
    ).toBe(site.pageOrder.length);
  });
  it('has lists over further pages, and embeds within the page only where that was allowed', () => {
    expect([...files.keys()].filter((name) => name.startsWith('about-page-'))).toEqual([
      'about-page-2.html',
      'about-page-3.html',
    ]);
    expect(text('about-page-3.html')).toContain('Work 7');
    expect(text('about.html').match(/<iframe /g)?.length).toBe(1);
    expect(text('about.html')).toMatch(
      /<iframe src="https:[^"]*" title="[^"]+" loading="lazy" referrerpolicy="no-referrer" sandbox="/,
    );
    expect(
      [...files]
        .filter(([name]) => name.endsWith('.html') && !name.startsWith('about'))
        .some(([, { bytes }]) => bytes.includes('<iframe')),
    ).toBeFalse();
  });
  it('has downloads, and all of it comes back from its zip elsewhere, byte for byte', async () => {
    const [name] = [...files.keys()].filter((entry) => entry.startsWith('downloads/'));
    expect(files.get(name!)!.bytes.equals(PDF)).toBeTrue();
    expect(text('about.html')).toContain(`href="${name}"`);
    const other = await freshDatabase();
    try {
      const zip = await zipSite(files);
      await bringIn(other, apart, zip, 'again');
      const back = (await loadSite(other, 'again'))!.site;
      expect(back.downloads).toEqual(site.downloads);
      expect(readSite(back)).toEqual(back);
      const again = await exportSite(other.db, apart, back, ROOT);
      expect([...again.keys()].sort()).toEqual(Object.keys(unzipSync(zip)).sort());
      expect(again.get(name!)!.bytes.equals(PDF)).toBeTrue();
    } finally {
      await other.close();
    }
  });
});

describe('a file for visitors to download', () => {
  let client: Client;
  beforeAll(async () => {
    client = await startClient();
  });
  afterAll(() => client.close());
  const send = (name: string, body: Buffer | string) =>
    fetch(`${client.server.address}/api/sites/ternhaven/downloads?name=${encodeURIComponent(name)}`, {
      method: 'POST',
      headers: { cookie: client.cookie, origin: client.server.address, 'content-type': 'application/octet-stream' },
      body: body as BodyInit,
    });

  it('is kept by what its bytes say it is', async () => {
    for (const [name, body, type] of [
      ['a.pdf', PDF, 'application/pdf'],
      ['b.csv', 'a;b\n1;2\n', 'text/csv'],
      ['c.ics', 'BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n', 'text/calendar'],
      ['d.txt', 'Words.', 'text/plain'],
    ] as const) {
      const answer = await send(name, body);
      expect([answer.status, ((await answer.json()) as { type: string }).type])
        .withContext(name)
        .toEqual([200, type]);
    }
  });
  it('is refused with what to do where a browser would run or show it, and where it is empty', async () => {
    for (const [name, body, words] of [
      ['page.html', '<script>alert(1)</script>', /neither PDF, ZIP, CSV/],
      ['plan.pdf', 'MZ\u0000\u0000', /neither PDF/],
      ['run.exe', Buffer.from([0x4d, 0x5a, 0]), /pack it as a ZIP/],
      ['nothing.txt', '', /is empty/],
    ] as const) {
      const answer = await send(name, body);
      expect(answer.status).withContext(name).toBe(422);
      expect(((await answer.json()) as { detail: string }).detail).toMatch(words);
    }
  });
});
