import type { CDPSession, Page } from '@playwright/test';
import {
  bodyHtml,
  familiesInUse,
  fontsCss,
  pageTree,
  recipeClass,
  stylesCss,
  tokensCss,
  type Site,
} from '@yohaku/core';

/** How large pages hang when all of them do. */
const SCALE = 0.14;

/** Widths that hang of every page. */
export const WIDTHS = [1280, 390];

/**
 * Frames of the site's pages on a page that does nothing else: what the browser needs by itself for the same frames.
 */
export async function openBare(
  page: Page,
  site: Site,
  address: string,
  ids: readonly string[] = site.pageOrder,
  widths: readonly number[] = WIDTHS,
): Promise<Page> {
  await page.route(`${address}/bare`, (route) =>
    route.fulfill({
      contentType: 'text/html',
      body: '<!doctype html><body style="margin:0;display:flex;gap:6px;overflow:auto;height:780px"></body>',
    }),
  );
  await page.goto(`${address}/bare`);
  const head = `<style>${fontsCss(familiesInUse(site.brand), '/fonts/')}</style><style>${tokensCss(site.brand)}</style><style>${stylesCss(site)}</style>`;
  const pages = ids.flatMap((id) =>
    widths.map((width) => ({
      width,
      html: `<!doctype html><html><head><base href="/frame/ternhaven/">${head}</head><body class="${pageTree(site, id).body.recipes.map(recipeClass).join(' ')}">${bodyHtml(site, id)}</body></html>`,
    })),
  );
  await page.evaluate(
    async ({ list, scale }) => {
      for (const { width, html } of list) {
        const paper = document.createElement('div');
        paper.style.cssText = `flex:none;overflow:hidden;width:${width * scale}px`;
        const frame = document.createElement('iframe');
        frame.style.cssText = `border:0;width:${width}px;height:5000px;transform:scale(${scale});transform-origin:0 0`;
        frame.srcdoc = html;
        paper.append(frame);
        document.body.append(paper);
        await new Promise((resolve) => frame.addEventListener('load', resolve, { once: true }));
        const height = frame.contentDocument!.body.getBoundingClientRect().height;
        frame.style.height = `${height}px`;
        // As much of it is painted as on the desk's wall.
        paper.style.height = `${height * scale}px`;
      }
    },
    { list: pages, scale: SCALE },
  );
  await page.waitForTimeout(2000);
  return page;
}

/** A session that tells how long the main thread of a page was at work. */
export async function watchBusy(page: Page): Promise<() => Promise<number>> {
  const cdp: CDPSession = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable', { timeDomain: 'timeTicks' });
  return async () => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return metrics.find((metric) => metric.name === 'TaskDuration')!.value * 1000;
  };
}
