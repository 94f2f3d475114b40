import type { BroughtFamily, Site } from '../../site/index.ts';
import { familyById } from '../../type/index.ts';
import { setOp, type Edit } from './edit.ts';

/** A font file as it was read: its face, and the family it says it belongs to. */
export interface ReadFace {
  readonly family: Omit<BroughtFamily, 'id' | 'faces'>;
  readonly face: BroughtFamily['faces'][number];
}

/**
 * Takes a font file in: as a face of the family of its name, in place of one of
 * the same weights and slant, or as a new family.
 *
 * @param id for a new family
 */
export function addFontFace(site: Site, read: ReadFace, id: string): Edit {
  const fonts = site.brand.fonts ?? {};
  const known = Object.values(fonts).find((font) => font.name.toLowerCase() === read.family.name.toLowerCase());
  const same = (face: ReadFace['face']) =>
    face.italic === read.face.italic &&
    face.weight[0] === read.face.weight[0] &&
    face.weight[1] === read.face.weight[1];
  const label = `Import ${read.family.name} ${faceName(read.face)}`;
  if (!known)
    return {
      label,
      ops: [setOp(site, ['brand', 'fonts'], { ...fonts, [id]: { ...read.family, id, faces: [read.face] } })],
    };
  const faces = [...known.faces.filter((face) => !same(face)), read.face].sort(
    (face, other) => Number(face.italic) - Number(other.italic) || face.weight[0] - other.weight[0],
  );
  // Lines are as long as the regular upright face makes them.
  const [first] = faces;
  const metrics = {
    ...(first === read.face ? read.family.metrics : known.metrics),
    widths: { ...known.metrics.widths, ...read.family.metrics.widths },
  };
  return { label, ops: [setOp(site, ['brand', 'fonts'], { ...fonts, [known.id]: { ...known, faces, metrics } })] };
}

/** `600 italic`, `100 to 900`. */
export function faceName({
  weight: [lightest, heaviest],
  italic,
}: Pick<ReadFace['face'], 'weight' | 'italic'>): string {
  return `${lightest === heaviest ? lightest : `${lightest} to ${heaviest}`}${italic ? ' italic' : ''}`;
}

/**
 * Takes a brought family out. Where headings or text are set in it, they take
 * another one.
 *
 * @param instead id of the family that takes its place; not needed while nothing is set in it
 * @returns undefined when something is set in it and there is no such other family
 */
export function removeFamily(site: Site, id: string, instead?: string): Edit | undefined {
  const family = site.brand.fonts?.[id];
  if (!family) return undefined;
  const roles = (['heading', 'body'] as const).filter((role) => site.brand.families[role] === id);
  if (roles.length > 0 && (instead === undefined || instead === id || !familyById(instead, site.brand.fonts)))
    return undefined;
  const { [id]: _gone, ...left } = site.brand.fonts!;
  return {
    label: `Remove ${family.name}`,
    ops: [
      ...roles.map((role) => setOp(site, ['brand', 'families', role], instead)),
      setOp(site, ['brand', 'fonts'], Object.keys(left).length > 0 ? left : undefined),
    ],
  };
}

/** Sets headings and text in families at once. */
export function setFamilies(
  site: Site,
  label: string,
  families: { readonly heading: string; readonly body: string },
): Edit {
  return {
    label,
    ops: (['heading', 'body'] as const)
      .filter((role) => site.brand.families[role] !== families[role])
      .map((role) => setOp(site, ['brand', 'families', role], families[role])),
  };
}
