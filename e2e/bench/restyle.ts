import type { CDPSession, Page } from '@playwright/test';
import { applyChange, bodyHtml, changedProperties, fontsCss, familiesInUse, parseColor, setSwatchColor, stylesCss, tokensCss, pageTree, recipeClass, type Site } from '@yohaku/core';
import { launch } from '../browser.ts';
import { median, type Result } from './result.ts';

const STEPS = 24;
const WIDTHS = [1280, 390];

/** Busy time of the main thread since the page began, in ms. */
async function busy(cdp: CDPSession): Promise<number> {
  const { metrics } = await cdp.send('Performance.getMetrics');
  return metrics.find((one) => one.name === 'TaskDuration')!.value * 1000;
}

/** One slider step over the demo's wall, against a bare page that only sets the same properties in the same frames. */
export async function benchRestyle(site: Site, address: string, link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    // The transpiler marks named functions with a helper that pages do not have.
    await context.addInitScript({ content: 'globalThis.__name = (value) => value;' });
    const desk = await context.newPage();
    await desk.goto(link);
    const ours = await measureDesk(desk);
    await desk.close();
    const bare = await measureBare(await context.newPage(), site, address, site.pageOrder);
    const one = await measureBare(await context.newPage(), site, address, site.pageOrder.slice(0, 1), [1280]);
    return [
      { name: 'restyle, total busy time', median: ours.busy, unit: 'ms', reference: 'a bare page setting the same properties', referenceMedian: bare.busy, ratio: ours.busy / bare.busy, bound: 'at most 1.25 times', holds: ours.busy / bare.busy <= 1.25 },
      { name: 'restyle, nearest frame', median: ours.nearest, unit: 'ms', reference: 'that one frame alone', referenceMedian: one.nearest, ratio: ours.nearest / one.nearest, bound: 'at most 1.5 times', holds: ours.nearest / one.nearest <= 1.5 },
    ];
  } finally {
    await browser.close();
  }
}

interface Measured { readonly busy: number; readonly nearest: number }

async function measureDesk(page: Page): Promise<Measured> {
  await page.getByRole('button', { name: /places$/ }).first().waitFor();
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Colour' }).click();
  await page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Funnel/ }).click();
  await page.getByRole('button', { name: 'All pages' }).click();
  await page.getByLabel('Light', { exact: true }).blur();
  await page.waitForTimeout(4000);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable', { timeDomain: 'timeTicks' });
  const busyTimes: number[] = [];
  const nearest: number[] = [];
  for (let i = 0; i < STEPS; i++) {
    const before = await busy(cdp);
    nearest.push(await page.evaluate(async (value) => {
      const slider = document.querySelector<HTMLInputElement>('#lightness')!;
      const frames = [...document.querySelectorAll('iframe')].map((frame) => frame.contentDocument!.documentElement);
      const value1 = (root: HTMLElement) => root.style.getPropertyValue('--color-core-funnel');
      const old = frames.map(value1);
      const frame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve));
      await frame();
      const began = performance.now();
      slider.value = String(value);
      slider.dispatchEvent(new Event('input', { bubbles: true }));
      while (value1(frames[0]!) === old[0]) await frame();
      frames[0]!.getBoundingClientRect();
      await frame();
      const first = performance.now() - began;
      while (frames.some((root, at) => value1(root) === old[at])) await frame();
      await frame();
      await frame();
      return first;
    }, 0.5 + (i % 12) * 0.01));
    busyTimes.push((await busy(cdp)) - before);
  }
  return { busy: median(busyTimes.slice(4)), nearest: median(nearest.slice(4)) };
}

async function measureBare(page: Page, site: Site, address: string, ids: readonly string[], widths: readonly number[] = WIDTHS): Promise<Measured> {
  await page.route(`${address}/bare`, (route) => route.fulfill({ contentType: 'text/html', body: '<!doctype html><body style="margin:0;display:flex;gap:6px;overflow:auto;height:400px"></body>' }));
  await page.goto(`${address}/bare`);
  const head = `<style>${fontsCss(familiesInUse(site.brand), '/fonts/')}</style><style>${tokensCss(site.brand)}</style><style>${stylesCss(site)}</style>`;
  const pages = ids.flatMap((id) => widths.map((width) => ({
    width, html: `<!doctype html><html><head><base href="/frame/ternhaven/">${head}</head><body class="${pageTree(site, id).body.recipes.map(recipeClass).join(' ')}">${bodyHtml(site, id)}</body></html>`,
  })));
  await page.evaluate(async (list) => {
    for (const { width, html } of list) {
      const paper = document.createElement('div');
      paper.style.cssText = `flex:none;overflow:hidden;width:${width * 0.14}px;height:380px`;
      const frame = document.createElement('iframe');
      frame.style.cssText = `border:0;width:${width}px;height:5000px;transform:scale(.14);transform-origin:0 0`;
      frame.srcdoc = html;
      paper.append(frame);
      document.body.append(paper);
      await new Promise((resolve) => frame.addEventListener('load', resolve, { once: true }));
      frame.style.height = `${frame.contentDocument!.body.scrollHeight}px`;
    }
  }, pages);
  await page.waitForTimeout(2000);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable', { timeDomain: 'timeTicks' });
  const busyTimes: number[] = [];
  const nearest: number[] = [];
  for (let i = 0; i < STEPS; i++) {
    const changed = changedProperties(site.brand, applyChange(site, setSwatchColor(site, 'funnel', parseColor(`oklch(${50 + (i % 12)}% 0.1671 33.9)`)!)).site.brand);
    const before = await busy(cdp);
    nearest.push(await page.evaluate(async (properties) => {
      const frame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve));
      const roots = [...document.querySelectorAll('iframe')].map((one) => one.contentDocument!.documentElement);
      await frame();
      const began = performance.now();
      for (const root of roots) for (const [name, value] of properties) root.style.setProperty(name, value ?? '');
      roots[0]!.getBoundingClientRect();
      await frame();
      const first = performance.now() - began;
      await frame();
      await frame();
      return first;
    }, [...changed]));
    busyTimes.push((await busy(cdp)) - before);
  }
  await page.close();
  return { busy: median(busyTimes.slice(4)), nearest: median(nearest.slice(4)) };
}
