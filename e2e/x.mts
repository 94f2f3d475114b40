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
for (let i = 0; i < 3; i++) await pull(i % 2 ? -1 : 1);
await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline', 'disabled-by-default-devtools.timeline.stack', 'disabled-by-default-v8.stack_trace', 'blink.user_timing', '__metadata', ...(process.env.CPU ? ['disabled-by-default-v8.cpu_profiler'] : [])] });
await pull(-1);
const events = JSON.parse((await browser.stopTracing()).toString('utf8')).traceEvents as any[];
const up = events.find((e) => e.name === 'UP' && e.cat.includes('user_timing'))!;
const mine = events.filter((e) => e.pid === up.pid && e.tid === up.tid && e.ph === 'X').sort((a, b) => a.ts - b.ts || b.dur - a.dur);
const from = process.env.ALL ? -Infinity : up.ts - 300_000;
let depthStack: any[] = [];
for (const e of mine) {
  if (e.ts < from || e.ts > up.ts + 900_000) continue;
  while (depthStack.length && depthStack.at(-1).ts + depthStack.at(-1).dur <= e.ts) depthStack.pop();
  const depth = depthStack.length; depthStack.push(e);
  if (e.name === "RunTask") continue; if (e.dur < Number(process.env.MIN ?? 3000)) continue;
  const d = e.args?.data ?? {};
  console.log(((e.ts - up.ts) / 1000).toFixed(1).padStart(8), (e.dur / 1000).toFixed(1).padStart(7), ' '.repeat(depth * 2) + e.name, d.functionName ?? d.type ?? '', JSON.stringify((e.args?.beginData?.stackTrace ?? d.stackTrace ?? []).slice(0,5).map((f: any) => [f.functionName, String(f.url).split('/').pop(), f.lineNumber, f.columnNumber])), e.args?.elementCount ?? e.args?.beginData?.dirtyObjects ?? '', d.url ? String(d.url).split('/').pop() : '', d.lineNumber ?? '', d.columnNumber ?? '');
}
await browser.close();
