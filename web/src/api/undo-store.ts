import { windowStorage } from './window-storage.ts';

/** A step as it is kept: what the store of undo needs to know of it is its name. */
interface Kept {
  readonly changeId: string;
}

/** Which steps there are, by the edits they are of, oldest first. */
interface Index {
  readonly done: readonly string[];
  readonly undone: readonly string[];
}

const indexKey = (site: string): string => `yohaku-undo-${site}`;
const stepKey = (site: string, id: string): string => `yohaku-undo-${site} ${id}`;

/**
 * The undo steps of this window, kept over a reload, each by itself: an edit
 * writes its own step and the list of names, never the steps before it. What
 * does not fit any more goes from the old end.
 */
export class UndoStore<T extends Kept> {
  readonly #storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
  /** Steps that had to go, or were too large from the start: they are not tried again with each edit. */
  readonly #left = new Set<string>();

  constructor(storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> = windowStorage) {
    this.#storage = storage;
  }

  /** Keeps two stacks, oldest first. @returns how many steps could not be kept any more and were before */
  keep(site: string, done: readonly T[], undone: readonly T[]): number {
    const before = this.#index(site);
    const known = new Set([...before.done, ...before.undone]);
    const wanted = new Set([...done, ...undone].map((step) => step.changeId));
    for (const id of known) if (!wanted.has(id)) this.#storage.removeItem(stepKey(site, id));
    // From the old end: the oldest of what can be undone goes first, then what was undone longest ago.
    const goes = [...done, ...undone].filter((step) => known.has(step.changeId)).map((step) => step.changeId);
    const gone = new Set<string>();
    for (const step of [...done, ...undone]) {
      if (known.has(step.changeId) || this.#left.has(step.changeId)) continue;
      if (this.#write(stepKey(site, step.changeId), JSON.stringify(step), () => this.#drop(site, goes, gone))) continue;
      this.#left.add(step.changeId);
      gone.add(step.changeId);
    }
    // Undo goes back in order: what lies before a step that is gone cannot be reached.
    const stays = (list: readonly T[]) => {
      const ids = list.map((step) => step.changeId);
      return ids.slice(ids.findLastIndex((id) => gone.has(id) || this.#left.has(id)) + 1);
    };
    this.#write(indexKey(site), JSON.stringify({ done: stays(done), undone: stays(undone) } satisfies Index), () =>
      this.#drop(site, goes, gone),
    );
    return gone.size;
  }

  /** Returns the stored undo steps: a missing step ends the history before it, because undo goes back in order. */
  read(site: string): { done: T[]; undone: T[] } {
    const index = this.#index(site);
    const steps = (ids: readonly string[]): T[] => {
      const list: T[] = [];
      for (const id of [...ids].reverse()) {
        const text = this.#storage.getItem(stepKey(site, id));
        if (text === null) break;
        try {
          list.unshift(JSON.parse(text) as T);
        } catch {
          break;
        }
      }
      return list;
    };
    return { done: steps(index.done), undone: steps(index.undone) };
  }

  #index(site: string): Index {
    try {
      const kept = JSON.parse(this.#storage.getItem(indexKey(site)) ?? '{}') as { done?: unknown; undone?: unknown };
      const names = (list: unknown) =>
        Array.isArray(list) ? list.filter((entry): entry is string => typeof entry === 'string') : [];
      // Whole steps in one text, as they were kept before: taken apart once.
      for (const step of [kept.done, kept.undone].flat() as unknown[])
        if (isStep(step)) this.#storage.setItem(stepKey(site, step.changeId), JSON.stringify(step));
      const all = (list: unknown) =>
        Array.isArray(list) ? list.flatMap((entry: unknown) => (isStep(entry) ? [entry.changeId] : [])) : [];
      return { done: [...all(kept.done), ...names(kept.done)], undone: [...all(kept.undone), ...names(kept.undone)] };
    } catch {
      return { done: [], undone: [] };
    }
  }

  /** Makes room by one step. @returns whether there was one */
  #drop(site: string, goes: string[], gone: Set<string>): boolean {
    const id = goes.shift();
    if (id === undefined) return false;
    this.#storage.removeItem(stepKey(site, id));
    gone.add(id);
    this.#left.add(id);
    return true;
  }

  #write(key: string, text: string, room: () => boolean): boolean {
    for (;;) {
      try {
        this.#storage.setItem(key, text);
        return true;
      } catch {
        if (!room()) return false;
      }
    }
  }
}

const isStep = (value: unknown): value is Kept =>
  typeof value === 'object' && value !== null && typeof (value as Partial<Kept>).changeId === 'string';
