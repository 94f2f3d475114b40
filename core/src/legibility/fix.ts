import { composite, deltaERgb, hex, fixPair, parseColor } from '../color/index.ts';
import { bandOf } from '../breakpoint/index.ts';
import { applyChange, sectionAddress, setLogoOn, setOp, type Op } from '../change/index.ts';
import { formOn, groundColor } from '../logo/index.ts';
import { standIn } from '../palette/index.ts';
import { cellValue, colorOf, placeCount, siteIndex } from '../reach/index.ts';
import { swatchPath, tokenTable } from '../style/index.ts';
import { anchorOf, editedPage, whereSet } from '../page/index.ts';
import type { Site } from '../site/index.ts';
import { judgeGroup, type Finding } from './audit.ts';
import { passingSwatches } from './passing-swatches.ts';
import { aspectsOf, seenOn } from './need.ts';

/** A way to make a failing flat pair pass. */
export interface ColorFix {
  /**
   * The target of the fix: the role of the background, its swatch, the override of the place, the logo variant, or the
   * background below a logo.
   */
  readonly what: 'role' | 'swatch' | 'place' | 'form' | 'ground';
  readonly label: string;
  /** The colour it is to be, and how far that is; null where no colour is changed. */
  readonly hex: string | null;
  readonly deltaE: number | null;
  /** Path of the token whose value changes; null when only the place itself does. */
  readonly token: string | null;
  /** Places that would change. */
  readonly places: number;
  readonly ops: readonly Op[];
}

/** So many swatches of the brand are offered at most. */
const OFFERED = 2;

/**
 * Fixes for a failing contrast judgement: the brand's own swatches that pass
 * first, then the smallest change of a colour, the narrowest first; of a logo its
 * other forms, then other grounds. Each passes once it is applied. Empty when it is no flat pair or nothing can pass.
 */
export function fixesFor(site: Site, finding: Finding): ColorFix[] {
  return (finding.rule === 'logo-contrast' ? logoFixes(site, finding) : colorFixes(site, finding)).filter((fix) =>
    passesWith(site, finding, fix.ops),
  );
}

function colorFixes(site: Site, finding: Finding): ColorFix[] {
  const group = siteIndex(site).groupOf.get(finding.place);
  const aspect = group && aspectsOf(group, finding.state).find((entry) => entry.rule === finding.rule);
  if (!group || !aspect) return [];
  const table = tokenTable(site.brand);
  const band = bandOf(finding.width);
  const cell = group.painting.at(aspect.properties[0]!, finding.state, band);
  const behind = seenOn(table, group, aspect.rule, finding.state, band);
  if (!cell || behind === 'picture') return [];
  const { css, chain } = cellValue(table, cell);
  const color = colorOf(css);
  if (!color) return [];
  const painted = composite(color, behind);
  const own = passingSwatches(site.brand, painted, behind, finding.needed)
    .slice(0, OFFERED)
    .map(({ swatch, rgb }) => ({ swatch, hex: hex(rgb), deltaE: deltaERgb(painted, composite(rgb, behind)) }));
  const pair = fixPair(painted, behind, finding.needed);
  const made = pair && { hex: hex(pair.rgb), deltaE: pair.deltaE };
  if (cell.override) {
    const where = whereSet(site, finding.place, cell.override);
    const at = [...anchorOf(finding.place, where).record, cell.override.id, 'value'];
    const places = where === 'here' ? 1 : group.count;
    const set = (label: string, to: Pick<ColorFix, 'hex' | 'deltaE'>, value: unknown): ColorFix => ({
      what: 'place',
      label: `${where === 'here' ? 'this place' : 'wherever it is used'}: ${label}`,
      hex: to.hex,
      deltaE: to.deltaE,
      token: null,
      places,
      ops: [{ op: 'set', at, value, was: cell.override!.value }],
    });
    return [
      ...own.map((entry) => set(entry.swatch.label, entry, { kind: 'token', path: swatchPath(entry.swatch) })),
      ...(made ? [set(made.hex, made, { kind: 'literal', css: made.hex })] : []),
    ];
  }
  const [first] = chain;
  const role = first === undefined ? undefined : table.get(first);
  const fixes: ColorFix[] = [];
  if (role?.address && first!.startsWith('background.')) {
    // A role that follows another role of the ground is fixed at its own place, nearest to the reader.
    const was = site.brand.grounds[role.address[2]!]!.roles[role.address.at(-1)!];
    const places = placeCount(site, first!);
    const set = (label: string, to: Pick<ColorFix, 'hex' | 'deltaE'>, value: unknown): ColorFix => ({
      what: 'role',
      label: `${role.label}: ${label}`,
      hex: to.hex,
      deltaE: to.deltaE,
      token: first!,
      places,
      ops: [{ op: 'set', at: [...role.address!], value, was }],
    });
    fixes.push(...own.map((entry) => set(entry.swatch.label, entry, { kind: 'swatch', swatch: entry.swatch.id })));
    if (made) fixes.push(set(made.hex, made, { kind: 'raw', color: made.hex }));
  }
  for (const path of made ? chain : []) {
    const address = table.get(path)?.address;
    const swatch = path.startsWith('background.') || !address ? undefined : site.brand.swatches[address[2]!];
    if (!swatch || swatch.locked || swatch.rule) continue;
    fixes.push({
      what: 'swatch',
      label: `${swatch.label} itself: ${made!.hex}`,
      ...made!,
      token: path,
      places: placeCount(site, path),
      ops: [
        { op: 'set', at: [...address!, 'color'], value: parseColor(made!.hex)!.oklch, was: swatch.color },
        { op: 'set', at: [...address!, 'typed'], value: made!.hex, was: swatch.typed },
      ],
    });
  }
  return fixes;
}

/**
 * A logo that is not seen: another of its forms on that ground, else another ground under it, the nearest in colour
 * first.
 */
function logoFixes(site: Site, { place }: Finding): ColorFix[] {
  const logo = site.shared.logo;
  const now = logo && formOn(site, place.ground);
  const ground = site.brand.grounds[place.ground];
  if (!now || !ground) return [];
  const at = siteIndex(site).groups.reduce(
    (sum, group) => (group.kind === 'logo' && group.ground === place.ground ? sum + group.count : sum),
    0,
  );
  const forms = logo.formOrder
    .filter((id) => id !== now.id)
    .map((id): ColorFix => ({
      what: 'form',
      label: `${logo.forms[id]!.label} on ${ground.label}`,
      hex: null,
      deltaE: null,
      token: null,
      places: at,
      ops: setLogoOn(site, place.ground, id).ops,
    }));
  const passing = forms.filter((fix) => passesWith(site, { place, rule: 'logo-contrast' }, fix.ops));
  if (passing.length > 0) return passing;
  const common = place.section === 'header' || place.section === 'footer';
  // A page that exists only as a published file has no section of its own to change.
  if (!common && editedPage(place.page) === null) return [];
  const address = [...sectionAddress(site, place.page, place.section), 'ground'];
  const was = groundColor(site.brand, place.ground);
  const words = common ? `the ${place.section}` : 'its section';
  const places = siteIndex(site).countIn(place.section, common ? undefined : editedPage(place.page)!);
  return site.brand.groundOrder
    .filter((id) => id !== place.ground)
    .sort((name, other) => standIn(was, groundColor(site.brand, name)) - standIn(was, groundColor(site.brand, other)))
    .map((id): ColorFix => ({
      what: 'ground',
      label: `${words} on ${site.brand.grounds[id]!.label}`,
      hex: null,
      deltaE: null,
      token: null,
      places,
      ops: [setOp(site, address, id)],
    }))
    .filter((fix) => passesWith(site, { place, rule: 'logo-contrast' }, fix.ops))
    .slice(0, OFFERED);
}

/**
 * Returns true if what failed at a place passes once an edit is done: at all widths of its band, which share their
 * colours; without a state and a width, in all of them.
 */
function passesWith(
  site: Site,
  { place, rule, state, width }: Pick<Finding, 'place' | 'rule'> & Partial<Pick<Finding, 'state' | 'width'>>,
  ops: readonly Op[],
): boolean {
  const after = applyChange(site, { ops }).site;
  const there = siteIndex(after).byAddress.get(`${place.page} ${place.id}`);
  const group = there && siteIndex(after).groupOf.get(there);
  if (!group) return false;
  const judged = judgeGroup(tokenTable(after.brand), group, after).filter(
    (judgement) =>
      judgement.rule === rule &&
      (state === undefined || judgement.state === state) &&
      (width === undefined || bandOf(judgement.width) === bandOf(width)),
  );
  return judged.length > 0 && judged.every((judgement) => judgement.verdict === 'pass');
}
