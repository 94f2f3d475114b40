import {
  SOURCE_LIMITS,
  hex,
  roleAlone,
  type SourceColor,
  type SourceLine,
  type SourceSpot,
  type ParsedColor,
  type PictureRole,
} from '@yohaku/core';

interface Entry {
  readonly color: ParsedColor;
  uses: number;
  readonly roles: Map<PictureRole, { count: number; why: Map<string, number> }>;
  readonly spots: SourceSpot[];
}

/** Longest line shown; longer ones are cut around the colour. */
const LINE = 140;

/** Gathers the mentions of colours over one or more texts, with the lines they stand in. */
export class ColorTally {
  readonly #entries = new Map<string, Entry>();
  readonly #lines: SourceLine[] = [];
  readonly #lineAt = new Map<string, { index: number; cut: number }>();
  /** Offsets at which the lines of the text in hand start. */
  #starts: { text: string; at: readonly number[] } = { text: '', at: [0] };

  /** Counts a use without a place in a text: of a custom property, for one. */
  count(color: ParsedColor, role: PictureRole, why: string): void {
    this.#use(this.#entry(color), role, why);
  }

  /** Counts a mention at an offset of a text; the role is told from the colour alone when none is given. */
  mention(
    color: ParsedColor,
    file: string,
    text: string,
    offset: number,
    length: number,
    use?: { role: PictureRole; why: string },
  ): void {
    const entry = this.#entry(color);
    const { role, why } = use ?? roleAlone(color.rgb);
    this.#use(entry, role, why);
    this.#spot(entry, file, text, offset, length);
  }

  /** Notes where a colour is written without counting a use. */
  written(color: ParsedColor, file: string, text: string, offset: number, length: number): void {
    this.#spot(this.#entry(color), file, text, offset, length);
  }

  get size(): number {
    return this.#entries.size;
  }
  get lines(): readonly SourceLine[] {
    return this.#lines;
  }

  /** Colours by falling number of uses; at most as many as are listed. */
  colors(): SourceColor[] {
    const all = [...this.#entries.values()];
    const total = all.reduce((sum, entry) => sum + Math.max(1, entry.uses), 0);
    return all
      .sort((entry, other) => other.uses - entry.uses || (hex(entry.color.rgb) < hex(other.color.rgb) ? -1 : 1))
      .slice(0, SOURCE_LIMITS.colors)
      .map(({ color, uses, roles, spots }) => {
        const [role, most] = [...roles].sort(([, entry], [, other]) => other.count - entry.count)[0] ?? [
          roleAlone(color.rgb).role,
          undefined,
        ];
        const why = [...(most?.why ?? [])]
          .sort(([, value], [, other]) => other - value)
          .slice(0, 2)
          .map(([words, times]) => (times > 1 ? `${words}, ${times} times` : words))
          .join('; ');
        return {
          hex: hex(color.rgb),
          typed: color.typed,
          share: Math.max(1, uses) / total,
          uses,
          role,
          why: why || roleAlone(color.rgb).why,
          spots,
        };
      });
  }

  #entry(color: ParsedColor): Entry {
    const key = hex(color.rgb);
    let entry = this.#entries.get(key);
    if (!entry) this.#entries.set(key, (entry = { color, uses: 0, roles: new Map(), spots: [] }));
    return entry;
  }

  #use(entry: Entry, role: PictureRole, why: string): void {
    entry.uses++;
    const known = entry.roles.get(role) ?? { count: 0, why: new Map<string, number>() };
    known.count++;
    known.why.set(why, (known.why.get(why) ?? 0) + 1);
    entry.roles.set(role, known);
  }

  #spot(entry: Entry, file: string, text: string, offset: number, length: number): void {
    if (this.#starts.text !== text) this.#starts = { text, at: lineStarts(text) };
    const number = lineOf(this.#starts.at, offset);
    const start = this.#starts.at[number - 1]!;
    const key = `${file} ${start}${offset - start > LINE ? ` ${Math.floor((offset - start) / LINE)}` : ''}`;
    let line = this.#lineAt.get(key);
    if (!line) {
      if (this.#lines.length >= SOURCE_LIMITS.lines) return;
      const end = this.#starts.at[number] === undefined ? text.length : this.#starts.at[number]! - 1;
      const cut = offset - start + length > LINE ? Math.max(0, offset - start - 40) : 0;
      line = { index: this.#lines.length, cut };
      this.#lineAt.set(key, line);
      this.#lines.push({
        file,
        line: number,
        text: text.slice(start + cut, Math.min(end, start + cut + LINE)).trimEnd(),
      });
    }
    const from = offset - start - line.cut;
    if (from >= 0 && from + length <= LINE) entry.spots.push({ line: line.index, from, to: from + length });
  }
}

function lineStarts(text: string): number[] {
  const starts = [0];
  for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
  return starts;
}

/** Number of the line, from 1, in which an offset lies. */
function lineOf(starts: readonly number[], offset: number): number {
  let low = 0;
  let high = starts.length;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (starts[middle]! <= offset) low = middle;
    else high = middle;
  }
  return low + 1;
}
