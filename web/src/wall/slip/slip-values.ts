import {
  SLIP_ROWS,
  anchorOf,
  cellValue,
  judgeGroup,
  nearestToken,
  overrideStanding,
  paintedFacts,
  pixelsAt,
  placeCount,
  round,
  siteIndex,
  tokenTable,
  type NearestToken,
  type Override,
  type PaintedProperty,
  type Place,
  type Site,
  type Standing,
  type Where,
  whereSet,
  worstOf,
} from '@yohaku/core';

export interface SlipToken {
  readonly path: string;
  readonly label: string;
  readonly places: number;
}
/** One value of a place as its slip shows it. */
export interface SlipValue {
  readonly property: PaintedProperty;
  readonly name: string;
  readonly value: string;
  readonly color: string | null;
  readonly chain: readonly SlipToken[];
  readonly override: Override | null;
  readonly record: readonly string[];
  /** True if that is set on this place here, or wherever it is used. */
  readonly where: Where;
  readonly standing: Standing;
  readonly nearest: NearestToken | undefined;
  readonly ratio: { readonly found: number; readonly needed: number } | null;
  /** The token it would take without the value set here. */
  readonly own: string | null;
}

/** The values of a place at rest, each with its chain of tokens and how many places each of them paints. */
export function slipValues(site: Site, place: Place): SlipValue[] {
  const table = tokenTable(site.brand);
  const group = siteIndex(site).groupOf.get(place);
  if (!group) return [];
  const counts = new Map<string, number>();
  const count = (path: string) => {
    if (!counts.has(path)) counts.set(path, placeCount(site, path));
    return counts.get(path)!;
  };
  const drawn = group.painting.cells
    .filter((cell) => cell.state === 'rest' && cell.band === 'desktop' && cell.property.startsWith('drawing-'))
    .map((cell) => cell.property);
  return [...SLIP_ROWS, ...drawn].flatMap((property): SlipValue[] => {
    const wide = group.painting.at(property, 'rest', 'desktop');
    const narrow = group.painting.at(property, 'rest', 'phone');
    const cell = narrow?.override && !wide?.override ? narrow : wide;
    if (!wide || !cell || (wide.owner !== group.painting && !cell.override)) return [];
    const { css, chain } = cellValue(table, wide);
    const at = (width: number) => pixelsAt(table, group.painting, property, 'rest', width);
    const large = at(1280);
    const small = at(390);
    const isFigure = large !== undefined && property !== 'font-weight';
    const value = isFigure
      ? small !== undefined && round(small, 1) !== round(large, 1)
        ? `${round(large, 1)}, at 390 ${round(small, 1)}`
        : `${round(large, 1)}`
      : property === 'font-family'
        ? css.split(',')[0]!.replaceAll('"', '')
        : css;
    const override = cell.override;
    const where = override ? whereSet(site, place, override) : 'here';
    const { record } = anchorOf(place, where);
    return [
      {
        property,
        name: paintedFacts(property).row!,
        value,
        color: paintedFacts(property).value === 'color' && !property.startsWith('drawing-') ? css : null,
        chain: chain.map((path) => ({ path, label: table.get(path)!.label, places: count(path) })),
        override,
        record,
        where,
        standing: override ? overrideStanding(override) : 'bound',
        nearest: override ? nearestToken(site, override, place) : undefined,
        ratio: property === 'color' ? ratioOf() : null,
        own: cell.token,
      },
    ];

    /** As the audit judges its text, at rest and at its strictest width; over a picture the check tells. */
    function ratioOf(): SlipValue['ratio'] {
      const rule = group!.kind === 'icon' ? 'icon-contrast' : 'text-contrast';
      const worst = worstOf(judgeGroup(table, group!, site), rule, 'rest');
      return worst && worst.found !== null ? { found: worst.found, needed: worst.needed } : null;
    }
  });
}
