import { launch } from '../browser.ts';
import { median, type Result } from './result.ts';

const LIMIT_MS = 50;
const MOVES = 60;
const ROUNDS = 3;

interface TraceEvent { readonly name: string; readonly ph: string; readonly tdur?: number; readonly ts: number; readonly pid: number; readonly tid: number; readonly args?: { readonly name?: string } }

/** The longest task of the desk's main thread while the contrast field is pulled for a second, from a trace: the median of three pulls. */
export async function benchDrag(address: string, link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    await page.goto(link);
    await page.getByRole('button', { name: /places$/ }).first().waitFor();
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Colour' }).click();
    await page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Funnel/ }).click();
    await page.getByRole('button', { name: 'All pages' }).click();
    const field = await page.getByRole('application', { name: /Contrast and chroma/ }).boundingBox();
    if (!field) throw new Error(`the desk at ${address} has no contrast field`);
    await page.waitForTimeout(5000);
    // Once for warmth, then under the trace: the same way through the field.
    await pull(page, field);
    await page.mouse.up();
    await page.waitForTimeout(2500);
    const rounds: { longest: number; tasks: number }[] = [];
    while (rounds.length < ROUNDS) {
      await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline', '__metadata'] });
      const began = await pull(page, field);
      const trace = JSON.parse((await browser.stopTracing()).toString('utf8')) as { traceEvents: TraceEvent[] };
      await page.mouse.up();
      await page.waitForTimeout(1500);
      if (began < 500) throw new Error('the field was pulled for less than half a second');
      const tasks = deskTasks(trace.traceEvents);
      rounds.push({ longest: Math.max(...tasks), tasks: tasks.length });
    }
    const longest = median(rounds.map((one) => one.longest));
    return [{ name: `longest task while the contrast field is pulled (${rounds.length} pulls, ${sum(rounds.map((one) => one.tasks))} tasks)`, median: longest, unit: 'ms of processor time', reference: 'the limit', referenceMedian: LIMIT_MS, ratio: longest / LIMIT_MS, bound: 'none over 50 ms', holds: longest <= LIMIT_MS }];
  } finally {
    await browser.close();
  }
}

/**
 * How long the tasks of the desk's main thread kept the processor, ms: what a
 * busy machine takes away in between is no work of the desk. The desk's own
 * process is the one whose main thread did most.
 */
function deskTasks(events: readonly TraceEvent[]): number[] {
  const mains = events.filter((event) => event.name === 'thread_name' && event.args?.name === 'CrRendererMain');
  const tasks = (main: TraceEvent) => events.filter((event) => event.pid === main.pid && event.tid === main.tid && event.ph === 'X' && /RunTask$/.test(event.name) && event.tdur !== undefined).map((event) => event.tdur! / 1000);
  const [all] = mains.map(tasks).sort((one, other) => sum(other) - sum(one));
  if (!all || all.length < MOVES) throw new Error('the trace has no tasks of the desk');
  return all;
}

const sum = (list: readonly number[]): number => list.reduce((total, one) => total + one, 0);

/** Pulls through the field and holds; resolves to how long it took, ms. */
async function pull(page: { mouse: { move(x: number, y: number): Promise<void>; down(): Promise<void> }; waitForTimeout(ms: number): Promise<void> }, field: { x: number; y: number; width: number; height: number }): Promise<number> {
  const at = (i: number): [number, number] => [field.x + field.width * (0.35 + 0.25 * Math.sin(i / 9)), field.y + field.height * (0.5 + 0.2 * Math.cos(i / 7))];
  await page.mouse.move(...at(0));
  await page.mouse.down();
  const began = performance.now();
  for (let i = 1; i <= MOVES; i++) {
    await page.mouse.move(...at(i));
    await page.waitForTimeout(16);
  }
  return performance.now() - began;
}
