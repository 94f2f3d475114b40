import type { Browser, Page } from '@playwright/test';
import { median, type Result } from './result.ts';

export interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly dur?: number;
  readonly tdur?: number;
  readonly ts: number;
  readonly pid: number;
  readonly tid: number;
  readonly args?: { readonly name?: string };
}

/** Returns the work of the browser while a page is used. */
export async function traced(browser: Browser, page: Page, work: () => Promise<void>): Promise<readonly TraceEvent[]> {
  await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline', '__metadata'] });
  await work();
  return (JSON.parse((await browser.stopTracing()).toString('utf8')) as { traceEvents: TraceEvent[] }).traceEvents;
}

/**
 * How long the tasks of the desk's main thread kept the processor, ms: what a
 * busy machine takes away in between is no work of the desk. Never more than the
 * task lasted: the clock of the processor runs ahead on some virtual machines.
 * The desk's own process is the one whose main thread did most.
 */
export function deskTasks(events: readonly TraceEvent[], least: number): number[] {
  const mains = events.filter((event) => event.name === 'thread_name' && event.args?.name === 'CrRendererMain');
  const tasks = (main: TraceEvent) =>
    events
      .filter(
        (event) =>
          event.pid === main.pid &&
          event.tid === main.tid &&
          event.ph === 'X' &&
          /RunTask$/.test(event.name) &&
          event.tdur !== undefined,
      )
      .map((event) => Math.min(event.tdur!, event.dur ?? Infinity) / 1000);
  const [all] = mains.map(tasks).sort((entry, other) => sum(other) - sum(entry));
  if (!all || all.length < least) throw new Error('the trace has no tasks of the desk');
  return all;
}

export const sum = (list: readonly number[]): number => list.reduce((total, entry) => total + entry, 0);

const LIMIT_MS = 50;
const ROUNDS = 3;

/**
 * The longest task of the main thread while something is done to a page: the median of three rounds, after one for
 * warmth. `least`: tasks there must be at least in one.
 */
export async function longestTask(
  browser: Browser,
  page: Page,
  what: string,
  least: number,
  work: () => Promise<void>,
): Promise<Result> {
  await work();
  const rounds: { longest: number; tasks: number }[] = [];
  while (rounds.length < ROUNDS) {
    await page.waitForTimeout(1000);
    const tasks = deskTasks(await traced(browser, page, work), least);
    rounds.push({ longest: Math.max(...tasks), tasks: tasks.length });
  }
  const longest = median(rounds.map((round) => round.longest));
  return {
    name: `longest task while ${what} (${ROUNDS} rounds, ${sum(rounds.map((round) => round.tasks))} tasks)`,
    median: longest,
    unit: 'ms of processor time',
    reference: 'the limit',
    referenceMedian: LIMIT_MS,
    ratio: longest / LIMIT_MS,
    bound: 'none over 50 ms',
    holds: longest <= LIMIT_MS,
  };
}
