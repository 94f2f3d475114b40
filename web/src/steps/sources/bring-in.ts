import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import {
  cutDownText,
  planBrand,
  planColors,
  plural,
  takeBrand,
  takeColors,
  type Edit,
  type Incoming,
  type PlanRow,
  type Settling,
  type Site,
} from '@yohaku/core';
import { Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { AuditLink } from '../../workers/index.ts';
import { ACTS } from '../../ui/index.ts';

const ORDER = { changed: 0, added: 1, left: 2, equal: 3 } as const;

/**
 * A file of tokens before it is taken: what is added, changed, equal and left; clashes settled one by one or all at
 * once; seen on the wall.
 */
@Component({
  selector: 'yo-bring-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching],
  templateUrl: './bring-in.html',
  styleUrl: './bring-in.less',
  host: { role: 'group', 'aria-label': 'Import tokens' },
})
export class BringIn {
  readonly #editor = inject(Editor);
  readonly #link = inject(AuditLink);
  readonly file = input.required<{ readonly name: string; readonly content: Blob }>();
  readonly closed = output();
  protected readonly incoming = signal<Incoming | null>(null);
  protected readonly problem = signal('');
  protected readonly settle = signal<ReadonlyMap<string, Settling>>(new Map());
  /** True if the whole brand of a file of ours is taken, type and shape too. */
  protected readonly whole = signal(false);
  protected readonly plan = computed(() => {
    const [site, incoming] = [this.#editor.current(), this.incoming()];
    if (!site || !incoming) return null;
    return this.whole() ? planBrand(site, incoming.brand!.brand, incoming.left) : planColors(site, incoming);
  });
  protected readonly rows = computed(() =>
    [...(this.plan()?.rows ?? [])].sort((row, other) => ORDER[row.arrival] - ORDER[other.arrival]),
  );
  protected readonly sum = computed(() => {
    const counts = this.plan()?.counts;
    return counts ? `${counts.added} added, ${counts.changed} changed, ${counts.equal} equal, ${counts.left} left` : '';
  });
  protected readonly clashes = computed(() => this.rows().filter((row) => row.arrival === 'changed'));
  protected readonly edits = computed(() => {
    const site = this.#editor.current();
    return site && this.plan() ? this.#edit(site) !== undefined : false;
  });

  constructor() {
    effect(() => {
      const file = this.file();
      untracked(() => void this.#read(file));
    });
    // The wall shows what would be taken.
    effect(() => {
      const [plan] = [this.plan(), this.settle()];
      untracked(() => plan && this.#editor.preview((site) => this.#edit(site)));
    });
    inject(DestroyRef).onDestroy(() => this.#editor.cancel());
  }

  async #read(file: { readonly name: string; readonly content: Blob }): Promise<void> {
    this.incoming.set(null);
    this.problem.set('');
    const read = await this.#link.read(file.name, await file.content.text());
    if (file !== this.file()) return;
    if ('problem' in read) return this.problem.set(`${file.name}: ${read.problem}`);
    this.settle.set(new Map());
    const site = this.#editor.current();
    // Our own file for this very brand brings all of it; another site's only its colour, unless asked.
    this.whole.set(
      read.incoming.brand !== null && read.incoming.brand.brand.groundOrder.join() === site?.brand.groundOrder.join(),
    );
    this.incoming.set(read.incoming);
  }

  #edit(site: Site): Edit | undefined {
    const incoming = this.incoming()!;
    const settle = this.settle();
    if (!this.whole()) return takeColors(site, incoming, planColors(site, incoming), settle, () => freshId('s'));
    const ours = new Set([...settle].filter(([, how]) => how === 'kept').map(([key]) => key));
    const open = planBrand(site, incoming.brand!.brand, incoming.left).rows.some(
      (row) => row.arrival !== 'left' && !ours.has(row.key),
    );
    return open ? takeBrand(site, incoming.brand!.brand, incoming.name, ours) : undefined;
  }

  protected how(row: PlanRow): Settling {
    return this.settle().get(row.key) ?? 'file';
  }
  protected set(rows: readonly PlanRow[], how: Settling): void {
    this.settle.update((map) => new Map([...map, ...rows.map((row) => [row.key, how] as const)]));
  }
  /** Ways to settle a row: a clash has three, something new is taken or not. */
  protected ways(row: PlanRow): readonly { readonly how: Settling; readonly label: string }[] {
    if (row.arrival === 'added')
      return this.whole()
        ? []
        : [
            { how: 'file', label: 'take' },
            { how: 'kept', label: 'exclude' },
          ];
    if (row.arrival !== 'changed') return [];
    return [
      { how: 'file', label: 'from the file' },
      { how: 'kept', label: 'keep current' },
      ...(this.whole() || row.after === undefined ? [] : [{ how: 'both' as const, label: 'both' }]),
    ];
  }
  protected take(): void {
    this.#editor.commit((site) => this.#edit(site));
    this.closed.emit();
  }
  protected readonly scope = computed((): Scope => ({
    words: `Importing ${this.file().name} changes ${plural(
      this.clashes().reduce((sum, row) => sum + (this.how(row) === 'file' ? row.places : 0), 0),
      'place',
    )}`,
  }));
  /** Returns the scope of a row: the places of its token. */
  protected reachOf(row: PlanRow): Scope {
    return {
      words: row.places
        ? `${row.label}: used in ${plural(row.places, 'place')}`
        : `${row.label} is used in no place yet`,
    };
  }
  protected isColor = (text: string | undefined): boolean => text?.startsWith('#') ?? false;
  protected readonly plural = plural;
  protected readonly cut = cutDownText;
}
