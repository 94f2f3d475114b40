/** Groups that say nothing a designer would put into a name. */
const BARE = new Set([
  'color',
  'colors',
  'colour',
  'colours',
  'palette',
  'core',
  'side',
  'derived',
  'global',
  'base',
  'tokens',
  'swatches',
  '$root',
]);

/**
 * A name for people from the path of a token: `color.core.tern-white` gives "Tern white", `blue.500` gives "Blue 500".
 */
export function labelOfPath(path: string): string {
  const steps = path
    .split('.')
    .flatMap((step) => step.replace(/([a-z])([A-Z])/g, '$1 $2').split(/[-_\s/]+/))
    .map((word) => word.toLowerCase())
    .filter((word) => word !== '');
  const first = steps.findIndex((word) => !BARE.has(word));
  const words = (first < 0 ? steps.slice(-1) : steps.slice(first)).join(' ').slice(0, 80).trim();
  return words === '' ? 'Colour' : words[0]!.toUpperCase() + words.slice(1);
}
