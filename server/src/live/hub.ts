import pg from 'pg';
import { CHANGES_CHANNEL } from '../sites/index.ts';

type Listener = (sequence: number) => void;

/**
 * Hears from PostgreSQL which site has a new sequence and tells the windows
 * connected to this process. Reconnects by itself; after a gap it tells every
 * listener to catch up (sequence 0 means: ask).
 */
export class ChangeHub {
  readonly #url: string;
  readonly #listeners = new Map<string, Set<Listener>>();
  #client: pg.Client | undefined;
  #timer: NodeJS.Timeout | undefined;
  #closed = false;

  constructor(url: string) {
    this.#url = url;
  }

  async start(): Promise<void> {
    try {
      const client = new pg.Client({ connectionString: this.#url });
      client.on('notification', (message) => this.#hear(message.payload ?? ''));
      client.on('error', () => this.#lost());
      client.on('end', () => this.#lost());
      await client.connect();
      await client.query(`listen ${CHANGES_CHANNEL}`);
      this.#client = client;
      for (const set of this.#listeners.values()) for (const listener of set) listener(0);
    } catch {
      this.#lost();
    }
  }

  /** Calls `listener` with every new sequence of a site until the returned function is called. */
  subscribe(site: string, listener: Listener): () => void {
    const set = this.#listeners.get(site) ?? new Set();
    this.#listeners.set(site, set);
    set.add(listener);
    return () => set.delete(listener);
  }

  async close(): Promise<void> {
    this.#closed = true;
    clearTimeout(this.#timer);
    await this.#client?.end().catch(() => {});
  }

  #hear(payload: string): void {
    try {
      const { site, sequence } = JSON.parse(payload) as { site: string; sequence: number };
      for (const listener of this.#listeners.get(site) ?? []) listener(sequence);
    } catch {
      // Somebody else's payload on our channel: nothing to tell.
    }
  }

  #lost(): void {
    this.#client = undefined;
    if (this.#closed) return;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.start(), 500);
  }
}
