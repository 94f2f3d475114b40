import { uniqueName, uniquePath } from '../../palette/index.ts';
import { roleLabel, roleOn, type RoleValue } from '../../background/index.ts';
import { ownerWords, referencesTo, type Ground, type Site } from '../../site/index.ts';
import type { Op } from '../change.ts';
import { joinEdits } from './join-edits.ts';
import { insertOp, redirectOp, removeOp, setOp, type Edit } from './edit.ts';

/** Fills a role of a ground; undefined hands it back to its rule. */
export function setRole(site: Site, ground: string, role: string, value: RoleValue | undefined): Edit {
  return {
    label: roleOn(role, roleLabel(role), site.brand.grounds[ground]!.label),
    ops: [setOp(site, ['brand', 'grounds', ground, 'roles', role], value)],
  };
}

/**
 * Fills several roles at once, on one ground or many; a role that would follow
 * itself, and a background that would follow a rule, are passed over.
 */
export function setRoles(
  site: Site,
  roles: readonly { readonly ground: string; readonly role: string }[],
  value: RoleValue | undefined,
): Edit {
  const fit = roles.filter(
    ({ role }) =>
      !(value?.kind === 'same' && value.role === role) &&
      !(role.startsWith('background') && value?.kind !== 'swatch' && value?.kind !== 'raw'),
  );
  const label = fit.length === 1 ? setRole(site, fit[0]!.ground, fit[0]!.role, value).label : `${fit.length} roles`;
  return { label, ops: fit.flatMap(({ ground, role }) => setRole(site, ground, role, value).ops) };
}

/** Makes the background of a ground a gradient to another colour, turns one, or (null) makes it flat again. */
export function setWash(
  site: Site,
  ground: string,
  wash: { readonly to?: RoleValue; readonly angle?: number } | null,
): Edit {
  const at = ['brand', 'grounds', ground];
  const { label, wash: now } = site.brand.grounds[ground]!;
  if (wash === null)
    return {
      label: `${label} made flat`,
      ops: [setOp(site, [...at, 'wash'], undefined), setOp(site, [...at, 'roles', 'background-to'], undefined)],
    };
  return {
    label: `Gradient of ${label}`,
    ops: [
      ...(wash.to ? [setOp(site, [...at, 'roles', 'background-to'], wash.to)] : []),
      ...(wash.angle !== undefined || !now ? [setOp(site, [...at, 'wash'], { angle: wash.angle ?? 180 })] : []),
    ],
  };
}

/**
 * Adds a ground: a copy of another, a fresh one on a swatch with everything else by rule, or one whose roles are known.
 */
export function addGround(
  site: Site,
  id: string,
  from: { copyOf: string } | { background: string } | Pick<Ground, 'label' | 'roles' | 'wash'>,
): Edit {
  const grounds = Object.values(site.brand.grounds);
  const source = 'copyOf' in from ? site.brand.grounds[from.copyOf]! : undefined;
  const wanted = source
    ? `${source.label} copy`
    : 'background' in from
      ? site.brand.swatches[from.background]!.label
      : (from as Ground).label;
  const label = uniqueName(
    wanted,
    grounds.map((entry) => entry.label),
  );
  const roles = source
    ? source.roles
    : 'background' in from
      ? { background: { kind: 'swatch' as const, swatch: from.background } }
      : (from as Ground).roles;
  const wash = source ? source.wash : 'wash' in from ? from.wash : undefined;
  const ground: Ground = {
    ...(wash ? { wash } : {}),
    id,
    label,
    path: uniquePath(
      label,
      grounds.map((entry) => entry.path),
    ),
    roles,
  };
  return {
    label: `Add background ${label}`,
    ops: [
      insertOp(
        site,
        ['brand', 'grounds'],
        ['brand', 'groundOrder'],
        id,
        ground,
        'copyOf' in from ? from.copyOf : undefined,
      ),
    ],
  };
}

/**
 * Puts a section on a gradient: one that the brand has of its background already,
 * else a new background, like the one it stands on, that goes over to the swatch
 * nearest to it in lightness that is not the same.
 *
 * @param at address of the section
 * @param id of the background, where a new one is made
 */
export function gradientBehind(
  site: Site,
  at: readonly string[],
  section: { readonly label: string; readonly ground: string },
  id: string,
): Edit {
  const { brand } = site;
  const from = brand.grounds[section.ground]!;
  const named = uniqueName(
    `${from.label}, gradient`,
    brand.groundOrder.map((name) => brand.grounds[name]!.label),
  );
  const known = brand.groundOrder.find(
    (name) => brand.grounds[name]!.wash && brand.grounds[name]!.label.startsWith(`${from.label}, gradient`),
  );
  const label = `${section.label} on a gradient`;
  if (known !== undefined) return { label, ops: [setOp(site, [...at, 'ground'], known)] };
  const lightness = (swatch: string) => brand.swatches[swatch]!.color.l;
  const background = from.roles['background'];
  const own = background?.kind === 'swatch' ? background.swatch : brand.swatchOrder[0]!;
  const far =
    brand.swatchOrder
      .filter((swatch) => swatch !== own)
      .sort(
        (swatch, other) => Math.abs(lightness(swatch) - lightness(own)) - Math.abs(lightness(other) - lightness(own)),
      )[0] ?? own;
  return joinEdits(site, label, [
    (now) =>
      addGround(now, id, {
        label: named,
        roles: { ...from.roles, 'background-to': { kind: 'swatch', swatch: far } },
        wash: { angle: 180 },
      }),
    (now) => ({ label: '', ops: [setOp(now, [...at, 'ground'], id)] }),
  ]);
}

/** Returns the sections and cards on a background, in words. */
export function groundUses(site: Site, id: string): string[] {
  return referencesTo(site, 'ground', id).map((at) => ownerWords(site, at));
}

/** Deletes a ground; whatever stands on it goes to `replacement`. */
export function removeGround(site: Site, id: string, replacement: string): Edit {
  const ops: Op[] = referencesTo(site, 'ground', id).length > 0 ? [redirectOp('ground', id, replacement)] : [];
  if (site.shared.logo?.onGround[id] !== undefined)
    ops.push(setOp(site, ['shared', 'logo', 'onGround', id], undefined));
  ops.push(removeOp(site, ['brand', 'grounds'], ['brand', 'groundOrder'], id));
  return { label: `Delete background ${site.brand.grounds[id]!.label}`, ops };
}
