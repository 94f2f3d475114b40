import { uniqueName, uniquePath } from '../../palette/index.ts';
import type { Motion, MotionUse, Site } from '../../site/index.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';

/** A new way to move, like the one named last; the first one makes the part. */
export function addMotion(site: Site, id: string): Edit {
  const { motion } = site.brand;
  const known = Object.values(motion?.items ?? {});
  const label = uniqueName(
    known.length === 0 ? 'Quick' : 'Motion',
    known.map((entry) => entry.label),
  );
  const last = motion?.items[motion.order.at(-1) ?? ''];
  const made: Motion = {
    id,
    label,
    path: uniquePath(
      label,
      known.map((entry) => entry.path),
    ),
    duration: last?.duration ?? 120,
    easing: last?.easing ?? [0, 0, 0.58, 1],
  };
  return {
    label: `New motion ${label}`,
    ops: motion
      ? [insertOp(site, ['brand', 'motion', 'items'], ['brand', 'motion', 'order'], id, made)]
      : [
          setOp(site, ['brand', 'motion'], {
            items: { [id]: made },
            order: [id],
            uses: { button: id, link: id, field: null },
          }),
        ],
  };
}

/** Takes a way to move away; what moved by it changes at once from then on. The last one takes the part with it. */
export function removeMotion(site: Site, id: string): Edit {
  const motion = site.brand.motion!;
  const label = `Delete motion ${motion.items[id]!.label}`;
  if (motion.order.length === 1) return { label, ops: [setOp(site, ['brand', 'motion'], undefined)] };
  const uses = (Object.keys(motion.uses) as MotionUse[]).filter((use) => motion.uses[use] === id);
  return {
    label,
    ops: [
      ...uses.map((use) => setOp(site, ['brand', 'motion', 'uses', use], null)),
      removeOp(site, ['brand', 'motion', 'items'], ['brand', 'motion', 'order'], id),
    ],
  };
}

/** Reads `0.2, 0, 0, 1` or a keyword of CSS Easing 1; undefined where it is no curve, or x leaves 0 to 1. */
export function readEasing(text: string): Motion['easing'] | undefined {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^cubic-bezier\((.*)\)$/, '$1');
  const keyword = EASINGS[plain];
  if (keyword) return [...keyword];
  const numbers = plain.split(/[\s,]+/).map(Number);
  if (numbers.length !== 4 || numbers.some((number) => !Number.isFinite(number))) return undefined;
  const [x1, y1, x2, y2] = numbers as [number, number, number, number];
  return x1 < 0 || x1 > 1 || x2 < 0 || x2 > 1 || Math.min(y1, y2) < -2 || Math.max(y1, y2) > 3
    ? undefined
    : [x1, y1, x2, y2];
}

/** Keywords of CSS Easing Functions 1, section 2.3.2, and the straight line. */
export const EASINGS: Readonly<Record<string, Motion['easing']>> = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};
