/** Returns the label of a step: "Text size", "2 steps up", "1 step down". */
export const stepLabel = (step: number): string =>
  step === 0 ? 'Text size' : `${Math.abs(step)} ${Math.abs(step) === 1 ? 'step' : 'steps'} ${step > 0 ? 'up' : 'down'}`;

/** The step that a path of the scale names; undefined for any other path. */
export function stepOfPath(path: string): number | undefined {
  const match = /^scale\.(?:base|(up|down)-(\d+))$/.exec(path);
  return match ? Number(match[2] ?? 0) * (match[1] === 'down' ? -1 : 1) : undefined;
}

/** `scale.base`, `scale.up-2`, `scale.down-1`. */
export function stepPath(step: number): string {
  return step === 0 ? 'scale.base' : step > 0 ? `scale.up-${step}` : `scale.down-${-step}`;
}
