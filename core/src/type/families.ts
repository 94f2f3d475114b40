import type { Family, OwnFamilies } from './family.ts';
import { LIBRARY } from './library.ts';

/** The family with this id, the site's own first, or undefined. */
export function familyById(id: string, own?: OwnFamilies): Family | undefined {
  return (own && Object.hasOwn(own, id) ? own[id] : undefined) ?? LIBRARY.find((family) => family.id === id);
}

/** Returns the weights of a family that have a file, and whether it has an italic. */
export function stylesOf(family: Family): {
  readonly weights: readonly (readonly [number, number])[];
  readonly italic: boolean;
} {
  if ('weights' in family)
    return { weights: family.weights.map((weight) => [weight, weight] as const), italic: family.italic };
  const upright = family.faces.filter((face) => !face.italic);
  return {
    weights: (upright.length > 0 ? upright : family.faces).map((face) => face.weight),
    italic: family.faces.some((face) => face.italic),
  };
}
