import pg from 'pg';
import { SESSIONS_CHANNEL } from '../auth/index.ts';
import { RESTORED_CHANNEL } from '../backup/index.ts';
import { CHANGES_CHANNEL } from '../sites/index.ts';

/** One window that listens to a site. */
export interface Listener {
  /** A new sequence; 0 means: ask, something may have been missed. */
  readonly sequence: (sequence: number) => void;
  /** Its session has ended. */
  readonly end: () => void;
  /** A backup was brought back: what the window has is of another time. */
  readonly restored: () => void;
}

/**
 * Hears from PostgreSQL which site has a new sequence and tells the windows
 * connected to this process; and which session has ended, whose windows are told
 * so. Reconnects by itself; after a gap it tells every listener to catch up.
 */
export class ChangeHub {
  readonly #url: string;
  readonly #listeners = new Map<string, Set<Listener & { readonly session: string }>>();
  #client: pg.Client | undefined;
  #timer: NodeJS.Timeout | undefined;
  #closed = false;

  readonly #onRestored: () => void;

  /** @param onRestored is called before windows are told that a backup was brought back */
  constructor(url: string, onRestored: () => void = () => {}) {
    this.#url = url;
    this.#onRestored = onRestored;
  }

  async start(): Promise<void> {
    if (this.#closed) return;
    // Each attempt has a client of its own; what an earlier one still has to say is no longer heard.
    const client = new pg.Client({ connectionString: this.#url, connectionTimeoutMillis: 10_000, keepAlive: true });
    const lost = () => this.#lost(client);
    client.on('notification', (message) => this.#hear(message.channel, message.payload ?? ''));
    client.on('error', lost);
    client.on('end', lost);
    this.#client = client;
    try {
      await client.connect();
      await client.query(`listen ${CHANGES_CHANNEL}`);
      await client.query(`listen ${SESSIONS_CHANNEL}`);
      await client.query(`listen ${RESTORED_CHANNEL}`);
      for (const listener of this.#all()) listener.sequence(0);
    } catch {
      lost();
    }
  }

  /** Calls `listener` with every new sequence of a site until the returned function is called. */
  subscribe(site: string, session: string, listener: Listener): () => void {
    const set = this.#listeners.get(site) ?? new Set();
    this.#listeners.set(site, set);
    const entry = { ...listener, session };
    set.add(entry);
    return () => {
      // The site may have another id by now.
      for (const [id, all] of this.#listeners) if (all.delete(entry) && all.size === 0) this.#listeners.delete(id);
    };
  }

  /** How many windows listen. */
  get size(): number {
    return this.#all().length;
  }

  async close(): Promise<void> {
    this.#closed = true;
    clearTimeout(this.#timer);
    await this.#client?.end().catch(() => {});
  }

  #all() {
    return [...this.#listeners.values()].flatMap((set) => [...set]);
  }

  #hear(channel: string, payload: string): void {
    if (channel === SESSIONS_CHANNEL) {
      for (const listener of this.#all()) if (listener.session === payload) listener.end();
      return;
    }
    if (channel === RESTORED_CHANNEL) {
      this.#onRestored();
      for (const listener of this.#all()) listener.restored();
      return;
    }
    try {
      const { site, sequence, movedTo } = JSON.parse(payload) as { site: string; sequence: number; movedTo?: string };
      // Windows that were opened under the former address hear what happens at the new one.
      if (movedTo !== undefined) return this.#move(site, movedTo);
      for (const listener of this.#listeners.get(site) ?? []) listener.sequence(sequence);
    } catch {
      // Somebody else's payload on our channel: nothing to tell.
    }
  }

  #move(from: string, to: string): void {
    const moving = this.#listeners.get(from);
    if (!moving) return;
    this.#listeners.delete(from);
    const there = this.#listeners.get(to) ?? new Set();
    for (const entry of moving) there.add(entry);
    this.#listeners.set(to, there);
    for (const entry of moving) entry.sequence(0);
  }

  #lost(client: pg.Client): void {
    if (client !== this.#client) return;
    this.#client = undefined;
    client.end().catch(() => {});
    if (this.#closed) return;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.start(), 500);
  }
}
