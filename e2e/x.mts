import { launch } from './browser.ts';
const link = process.argv[2]!;
const EDIT = process.env.EDIT ?? 'size';
const browser = await launch();
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
await context.addInitScript({ content: 'globalThis.__name = (value) => value;' });
const page = await context.newPage();
await page.goto(link);
await page.getByRole('button', { name: /places$/ }).first().waitFor();
await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Type' }).click();
await page.getByRole('button', { name: 'All pages' }).click();
const label = EDIT === 'size' ? 'Base at 1280' : 'Above';
if (EDIT !== 'size') await page.getByRole('button', { name: /^Running, / }).click();
await page.waitForTimeout(4000);
async function pull(d: number) {
  const box = (await page.locator('label', { hasText: new RegExp(`^${label}$`) }).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y); await page.mouse.down();
  await page.evaluate(() => { addEventListener('pointermove', () => performance.mark('MOVE')); addEventListener('pointerup', () => performance.mark('UP'), { once: true, capture: true }); });
  for (let i = 1; i <= 16; i++) await page.mouse.move(x + i * 4 * d, y);
  await page.mouse.up();
  await page.waitForTimeout(2500);
}
await page.evaluate(() => { (globalThis as any).L = []; addEventListener('pointermove', (e) => { const d = performance.now(); requestAnimationFrame(() => { const r = performance.now(); const { port1, port2 } = new MessageChannel(); port1.onmessage = () => (globalThis as any).L.push([e.timeStamp, d - e.timeStamp, r - e.timeStamp, performance.now() - e.timeStamp]); port2.postMessage(null); }); }, { capture: true }); });
for (let i = 0; i < 4; i++) { await pull(i % 2 ? -1 : 1);
const L = await page.evaluate(() => (globalThis as any).L.splice(0)) as number[][]; let prev = 0;
console.log(L.map((l) => { const t = `${(l[0]! - prev).toFixed(0)}: ${l.slice(1).map((v) => v.toFixed(0)).join('/')}`; prev = l[0]!; return t; }).join('   ')); }
await browser.close();
