import { buttonRoles } from '../../background/index.ts';
import { uniqueName, uniquePath } from '../../palette/index.ts';
import { referencesTo, type Site } from '../../site/index.ts';
import { insertOp, redirectOp, removeOp, setOp, type Edit } from './edit.ts';

/** A new variant like another one, with its colours on every ground. */
export function addVariant(site: Site, like: string, id: string): Edit {
  const { variants, grounds } = site.brand;
  const known = Object.values(variants);
  const label = uniqueName(
    `${variants[like]!.label} again`,
    known.map((entry) => entry.label),
  );
  const path = uniquePath(
    label,
    known.map((entry) => entry.path),
  );
  const roles = buttonRoles(like);
  return {
    label: `New button variant ${label}`,
    ops: [
      insertOp(
        site,
        ['brand', 'variants'],
        ['brand', 'variantOrder'],
        id,
        { ...variants[like]!, id, label, path },
        like,
      ),
      ...Object.values(grounds).flatMap((ground) =>
        roles.flatMap((role, i) => {
          const value = ground.roles[role];
          // A role that looks at another one of its variant looks at the new variant's.
          const own =
            value?.kind === 'same'
              ? {
                  ...value,
                  role: roles.includes(value.role) ? buttonRoles(id)[roles.indexOf(value.role)]! : value.role,
                }
              : value;
          return own === undefined
            ? []
            : [setOp(site, ['brand', 'grounds', ground.id, 'roles', buttonRoles(id)[i]!], own)];
        }),
      ),
    ],
  };
}

/** A new size like another one. */
export function addSize(site: Site, like: string, id: string): Edit {
  const { sizes } = site.brand;
  const known = Object.values(sizes);
  const label = uniqueName(
    `${sizes[like]!.label} again`,
    known.map((entry) => entry.label),
  );
  return {
    label: `New button size ${label}`,
    ops: [
      insertOp(
        site,
        ['brand', 'sizes'],
        ['brand', 'sizeOrder'],
        id,
        {
          ...sizes[like]!,
          id,
          label,
          path: uniquePath(
            label,
            known.map((entry) => entry.path),
          ),
        },
        like,
      ),
    ],
  };
}

/** Addresses of the buttons that have a variant or a size. */
export const buttonUses = (site: Site, part: 'variant' | 'size', id: string): (readonly string[])[] =>
  referencesTo(site, part, id);

/**
 * Takes a variant or a size away; buttons that had it take another one.
 *
 * @param replacement id of the one that takes its place; not needed while no button has it
 * @returns undefined when buttons have it and there is no such other one, or it is the last
 */
export function removeButtonPart(
  site: Site,
  part: 'variant' | 'size',
  id: string,
  replacement?: string,
): Edit | undefined {
  const { brand } = site;
  const [record, order, name] =
    part === 'variant'
      ? (['variants', 'variantOrder', 'button variant'] as const)
      : (['sizes', 'sizeOrder', 'button size'] as const);
  const uses = buttonUses(site, part, id);
  const entry = brand[record][id];
  if (!entry || brand[order].length < 2) return undefined;
  if (uses.length > 0 && (replacement === undefined || replacement === id || !brand[record][replacement]))
    return undefined;
  const roles =
    part === 'variant'
      ? Object.values(brand.grounds).flatMap((ground) =>
          buttonRoles(id)
            .filter((role) => ground.roles[role] !== undefined)
            .map((role) => ['brand', 'grounds', ground.id, 'roles', role]),
        )
      : [];
  return {
    label: `Delete ${name} ${entry.label}`,
    ops: [
      ...(uses.length > 0 ? [redirectOp(part, id, replacement!)] : []),
      ...roles.map((at) => setOp(site, at, undefined)),
      removeOp(site, ['brand', record], ['brand', order], id),
    ],
  };
}
