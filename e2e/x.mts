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
  await page.evaluate(async ([fx, fy, n, s]) => {
    const l = document.elementFromPoint(fx, fy)!;
    const frame = () => new Promise<number>((r) => requestAnimationFrame(r));
    await frame();
    for (let i = 1; i <= n; i++) { performance.mark('move'); l.dispatchEvent(new PointerEvent('pointermove', { pointerId: 1, bubbles: true, clientX: fx + i * s, clientY: fy })); await frame(); }
    addEventListener('pointerup', () => performance.mark('UP'), { once: true, capture: true });
  }, [x, y, 16, 4 * d] as const);
  await page.mouse.up();
  await page.waitForTimeout(2500);
}
await page.evaluate((c) => { const st = document.createElement('style'); st.textContent = c; document.head.append(st); }, process.env.CSS ?? ''); await page.waitForTimeout(500);
for (let i = 0; i < 3; i++) await pull(i % 2 ? -1 : 1);
await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline', 'disabled-by-default-devtools.timeline', 'blink', 'cc', 'blink.user_timing', '__metadata', ...(process.env.CPU ? ['disabled-by-default-v8.cpu_profiler'] : [])] });
await pull(-1);
const events = JSON.parse((await browser.stopTracing()).toString('utf8')).traceEvents as any[];
const moves = events.filter((e) => e.name === 'move' && e.cat.includes('user_timing')); const up = moves[0]!;
const mine = events.filter((e) => e.pid === up.pid && e.tid === up.tid && e.ph === 'X' && e.ts > up.ts && e.ts < moves.at(-1)!.ts);
for (const n of ['WebFrameWidgetImpl::UpdateLifecycle', 'Layerize', 'Commit']) { const d = mine.filter((e) => e.name === n).map((e) => e.dur / 1000).sort((a, b) => a - b); console.log(n.padEnd(60), d.length, (d[d.length >> 2] ?? 0).toFixed(2)); }
await browser.close();
