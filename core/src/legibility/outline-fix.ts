import { fixFact, setValue, valueAt, type Edit } from '../change/index.ts';
import { editedPage, type Place } from '../page/index.ts';
import type { Site } from '../site/index.ts';
import type { RuleId } from './outcome.ts';

/**
 * Returns the edit that fixes a page's outline, or a header that covers content; undefined if only a person can fix it.
 */
export function outlineFix(
  site: Site,
  rule: RuleId,
  place: Place,
  found: number | null,
  needed: number,
): Edit | undefined {
  switch (rule) {
    case 'first-heading': {
      const page = editedPage(place.page);
      const edit =
        page === null ? undefined : fixFact(site, page, { kind: found === 0 ? 'first-heading' : 'one-heading' });
      return edit && edit.ops.length > 0 ? edit : undefined;
    }
    case 'skipped-level': {
      const block =
        place.block && (valueAt(site, place.block) as { level?: unknown; headingLevel?: unknown } | undefined);
      const key =
        block && typeof block.level === 'number'
          ? 'level'
          : block && typeof block.headingLevel === 'number'
            ? 'headingLevel'
            : undefined;
      return key && setValue(site, `Level ${needed} for ${place.label}`, [...place.block!, key], needed);
    }
    case 'covered':
      return place.pictured
        ? setValue(site, 'Put the header on its own background', ['shared', 'header', 'over'], undefined)
        : site.shared.header.stays
          ? setValue(site, 'Make the header not sticky', ['shared', 'header', 'stays'], undefined)
          : undefined;
    default:
      return undefined;
  }
}
