import type { Href, Inline } from './inline.ts';

/** A run of plain words; links and marked words are none. */
type Plain = Extract<Inline, { mark?: unknown }>;
const isPlain = (run: Inline): run is Plain => !('id' in run);

/**
 * Runs cut so that none reaches over an offset in characters from the start. What is cut off a link or marked words is
 * plain: an id stands once.
 */
function cutAt(runs: readonly Inline[], offset: number): Inline[] {
  let from = 0;
  return runs.flatMap((run): Inline[] => {
    const at = offset - from;
    from += run.text.length;
    if (at <= 0 || at >= run.text.length) return [run];
    const rest = run.text.slice(at);
    return [{ ...run, text: run.text.slice(0, at) }, isPlain(run) ? { ...run, text: rest } : { text: rest }];
  });
}

/** Neighbours that look the same as one; nothing that is empty. */
function joined(runs: readonly Inline[]): Inline[] {
  const list: Inline[] = [];
  for (const run of runs) {
    const last = list.at(-1);
    if (run.text === '') continue;
    if (last && isPlain(last) && isPlain(run) && last.mark === run.mark)
      list[list.length - 1] = { ...last, text: last.text + run.text };
    else list.push(run);
  }
  return list;
}

/** Changes the runs between two offsets. */
function between(
  runs: readonly Inline[],
  start: number,
  end: number,
  change: (inside: readonly Inline[]) => readonly Inline[],
): Inline[] {
  const cut = cutAt(cutAt(runs, start), end);
  const before: Inline[] = [];
  const inside: Inline[] = [];
  const after: Inline[] = [];
  let from = 0;
  for (const run of cut) {
    (from + run.text.length <= start ? before : from >= end ? after : inside).push(run);
    from += run.text.length;
  }
  return joined([...before, ...(inside.length > 0 ? change(inside) : []), ...after]);
}

/**
 * Emphasis on the words between two offsets in characters, or off where all of
 * them have it. Links and marked words stay what they are.
 */
export function emphasised(runs: readonly Inline[], start: number, end: number, mark: 'strong' | 'em'): Inline[] {
  return between(runs, start, end, (inside) => {
    const plain = inside.filter(isPlain);
    const off = plain.length > 0 && plain.every((run) => run.mark === mark);
    return inside.map((run): Inline => (!isPlain(run) ? run : off ? { text: run.text } : { text: run.text, mark }));
  });
}

/** The words between two offsets as one link under an id of its own, or (null) without any. */
export function linked(runs: readonly Inline[], start: number, end: number, link: Href | null, id: string): Inline[] {
  if (link) return between(runs, start, end, (inside) => [{ id, link, text: inside.map((run) => run.text).join('') }]);
  // A link is taken off whole, wherever in it the words stand.
  let from = 0;
  return joined(
    runs.map((run): Inline => {
      const [first, last] = [from, (from += run.text.length)];
      return 'link' in run && first < Math.max(end, start + 1) && last > start ? { text: run.text } : run;
    }),
  );
}

/** The run that holds the words between two offsets; undefined where several do. */
export function runAt(runs: readonly Inline[], start: number, end: number): Inline | undefined {
  let from = 0;
  for (const run of runs) {
    if (start >= from && end <= from + run.text.length && (start < from + run.text.length || run === runs.at(-1)))
      return run;
    from += run.text.length;
  }
  return undefined;
}

/**
 * Runs line by line, as their line breaks have them; a link over a break is one in each line, for an id stands once
 * only its first part keeps it.
 */
export function linesOf(runs: readonly Inline[]): Inline[][] {
  const lines: Inline[][] = [[]];
  for (const run of runs)
    run.text.split('\n').forEach((text, i) => {
      if (i > 0) lines.push([]);
      if (text !== '') lines.at(-1)!.push(i === 0 || isPlain(run) ? { ...run, text } : { text });
    });
  return lines.filter((line) => line.some(({ text }) => text.trim() !== ''));
}

/** Lines of runs as runs with line breaks between. */
export function withBreaks(lines: readonly (readonly Inline[])[]): Inline[] {
  return joined(lines.flatMap((line, i) => (i === 0 ? line : [{ text: '\n' }, ...line])));
}

/** Runs with others laid in between two offsets in characters, in place of what stands there. */
export function laidInto(runs: readonly Inline[], start: number, end: number, others: readonly Inline[]): Inline[] {
  let at = 0;
  const [before, after]: [Inline[], Inline[]] = [[], []];
  for (const run of cutAt(cutAt(runs, start), end)) {
    if (at + run.text.length <= start) before.push(run);
    else if (at >= end) after.push(run);
    at += run.text.length;
  }
  return joined([...before, ...others, ...after]);
}

/**
 * The words between two offsets as marked ones under an id of their own, or plain again where all of them are marked.
 */
export function markedWords(runs: readonly Inline[], start: number, end: number, id: string): Inline[] {
  // A link keeps its address: it is not marked over.
  let from = 0;
  const linked = runs.some((run) => {
    const [first, last] = [from, (from += run.text.length)];
    return 'link' in run && first < end && last > start;
  });
  if (linked) return [...runs];
  return between(runs, start, end, (inside) =>
    inside.every((run) => 'marked' in run)
      ? inside.map(({ text }) => ({ text }))
      : [{ id, marked: true, text: inside.map((run) => run.text).join('') }],
  );
}
