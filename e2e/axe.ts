import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * Violations of the desk itself: the site's own pages are audited apart, and samples on the desk paint its colours on
 * purpose.
 */
export async function violations(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: {
        run(
          context: object,
          options: object,
        ): Promise<{ violations: { id: string; nodes: { html: string; target: string[] }[] }[] }>;
      };
    };
    const result = await axe.run(
      { exclude: [['iframe'], ['.set'], ['.cell .real'], ['.card'], ['.word']] },
      { iframes: false, runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] },
    );
    return result.violations.flatMap((violation) =>
      violation.nodes.map((node) => `${violation.id}: ${node.target.join(' ')} ${node.html.slice(0, 120)}`),
    );
  });
}
