import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
  type OnDestroy,
} from '@angular/core';
import { Store } from '@ngrx/store';
import {
  addCollection,
  addressItem,
  addItem,
  addListSection,
  duplicateItem,
  fillIn,
  itemName,
  itemsOf,
  pageOfItems,
  planSheet,
  plural,
  readSheet,
  removeCollection,
  removeItems,
  setField,
  setItemDownload,
  setItemPicture,
  setValue,
  writeSheet,
  type Collection,
  type CollectionField,
  type Edit,
  type Item,
  type SheetPlan,
  type Site,
} from '@yohaku/core';
import { OpenCounts } from '../../desk/open-counts.ts';
import { DeskActions, Editor, deskFeature, freshId } from '../../state/index.ts';
import { ACTS, Choice, DropZone, FocusIn, KEYS, SeekField, TextField, nameProblem } from '../../ui/index.ts';
import { FilesField, ListTable, type Column } from '../../ui/late/index.ts';
import { saveFile } from '../publish/save-file.ts';
import { CollectionFields } from './collection-fields.ts';

/**
 * The collections of the site: the items of one in a table, one of them in its fields; its own fields; a sheet that
 * comes in, seen before it does.
 */
@Component({
  selector: 'yo-collections-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, CollectionFields, DropZone, FilesField, ListTable, SeekField, TextField],
  templateUrl: './collections-panel.html',
  styleUrl: './collections-panel.less',
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()', '(paste)': 'pasted($event)' },
})
export class CollectionsPanel implements OnDestroy {
  readonly #editor = inject(Editor);
  protected readonly keyOf = KEYS;
  /** The page on the wall, where a list would be laid in. */
  readonly page = input.required<string>();
  readonly closed = output();
  /** A section was laid in. */
  readonly laid = output<string>();
  protected readonly site = this.#editor.shown;
  readonly #chosen = signal<string | null>(null);
  protected readonly mode = signal<'items' | 'fields'>('items');
  protected readonly plan = signal<SheetPlan | null>(null);
  protected readonly words = signal('');

  protected readonly collections = computed(
    () => this.site()?.collectionOrder.map((id) => ({ value: id, label: this.site()!.collections[id]!.label })) ?? [],
  );
  protected readonly collection = computed((): Collection | undefined => {
    const site = this.site();
    if (!site) return undefined;
    // The item in hand says which it is until one is chosen.
    return (
      site.collections[this.#chosen() ?? site.items[this.#item() ?? '']?.collection ?? ''] ??
      site.collections[site.collectionOrder[0] ?? '']
    );
  });
  protected readonly items = computed(() =>
    this.site() && this.collection() ? itemsOf(this.site()!, this.collection()!) : [],
  );
  protected readonly columns = computed((): Column<Item>[] => {
    const [site, of] = [this.site(), this.collection()];
    return (
      of?.fieldOrder.map((id, i): Column<Item> => {
        const field = of.fields[id]!;
        const figure = field.kind === 'number';
        const told = (item: Item) => item.values[id] ?? null;
        return {
          id,
          label: field.label,
          fixed: i === 0,
          filter: field.kind === 'choice',
          ...(figure || field.kind === 'date'
            ? { width: 110, mono: true, right: figure }
            : field.kind === 'choice'
              ? { width: 120 }
              : {}),
          value:
            field.kind === 'download'
              ? (item) => site!.downloads[item.downloads?.[id] ?? '']?.name ?? null
              : field.kind === 'picture'
                ? (item) => site!.assets[item.pictures?.[id]?.asset ?? '']?.name ?? null
                : figure
                  ? (item) =>
                      told(item) === null || Number.isNaN(Number(told(item))) ? told(item) : Number(told(item))
                  : told,
        };
      }) ?? []
    );
  });
  protected readonly sought = signal('');
  /** Items that say what is sought, in any field. */
  protected readonly found = computed(() => {
    const wanted = this.sought().trim().toLowerCase();
    return wanted === ''
      ? this.items()
      : this.items().filter((item) => Object.values(item.values).some((value) => value.toLowerCase().includes(wanted)));
  });
  readonly #store = inject(Store);
  readonly #item = this.#store.selectSignal(deskFeature.selectItem);
  protected readonly item = computed(() => this.site()?.items[this.#item() ?? '']);
  protected readonly fields = computed(() => {
    const of = this.collection();
    return of?.fieldOrder.map((id) => of.fields[id]!) ?? [];
  });
  protected readonly pictures = computed(() => [
    { value: '', label: 'none' },
    ...Object.values(this.site()?.assets ?? {}).map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly pages = computed(() => [
    { value: '', label: 'none' },
    ...(this.site()
      ?.pageOrder.filter((id) => this.site()!.pages[id]!.file !== 'index.html')
      .map((id) => ({ value: id, label: this.site()!.pages[id]!.title })) ?? []),
  ]);
  protected readonly count = plural;
  protected readonly check = nameProblem('A collection');
  protected readonly columnsTold = computed(
    () =>
      this.plan()
        ?.columns.map(({ head, field, fresh }) =>
          field === null
            ? `“${head || 'without a name'}” is left`
            : fresh
              ? `“${head}” becomes a field (${fresh})`
              : `“${head}”`,
        )
        .join(', ') ?? '',
  );

  protected readonly table = viewChild<ListTable<Item>>('table');
  /** Where the selected item stands in the order shown. */
  protected readonly now = computed((): number | null => {
    const [table, item] = [this.table(), this.#item()];
    const at = table && item !== null ? table.ordered().findIndex((entry) => entry.id === item) : -1;
    return at < 0 ? null : at;
  });
  protected choose(id: string): void {
    this.#chosen.set(id);
    this.#take(null);
    this.plan.set(null);
  }
  /** Clears the selection together with the table. */
  ngOnDestroy(): void {
    this.#take(null);
  }
  #take(item: string | null): void {
    this.#store.dispatch(DeskActions.choose({ choice: { item } }));
  }
  protected take(item: Item | undefined): void {
    this.#take(item?.id ?? null);
  }
  protected addCollection(label: string): void {
    const id = freshId('c');
    this.#do((site) => addCollection(site, id, label));
    this.choose(id);
  }
  protected rename(label: string): void {
    this.#do((site) => setValue(site, `Collection ${label}`, ['collections', this.collection()!.id, 'label'], label));
  }
  protected removeCollection(): void {
    this.#do((site) => removeCollection(site, this.collection()!.id));
  }
  protected addItem(): void {
    const id = freshId('i');
    const after = this.item()?.collection === this.collection()!.id ? this.item()!.id : undefined;
    this.#do((site) => addItem(site, this.collection()!.id, id, {}, after));
    this.#take(id);
  }
  protected duplicate(): void {
    const id = freshId('i');
    this.#do((site) => duplicateItem(site, this.item()!.id, id));
    this.#take(id);
  }
  protected remove(): void {
    this.#do((site) => removeItems(site, [this.item()!.id]));
    this.#take(null);
  }
  protected name(item: Item): string {
    return itemName(this.collection()!, item);
  }
  protected say(field: string, value: string): void {
    this.#do((site) => setField(site, this.item()!.id, field, value, this.#live.live()));
  }
  readonly #live = inject(OpenCounts);
  /** Sets the item's part of the address. A published address redirects to the new one. */
  protected address(value: string): void {
    this.#do((site) => addressItem(site, this.item()!.id, value, this.#live.live()));
  }
  protected checkAddress(value: string): string {
    return /[a-z0-9]/i.test(value) ? '' : 'An address needs a letter or a digit.';
  }
  protected readonly checkValue = (kind: string) => this.#checks[kind] ?? this.#long;
  readonly #long = (text: string): string => (text.length > 4000 ? `${text.length} characters; at most 4,000.` : '');
  readonly #checks: Readonly<Record<string, (text: string) => string>> = {
    number: (text) => (text === '' || Number.isFinite(Number(text)) ? '' : 'Type a number such as 12 or 12.5.'),
    date: (text) =>
      text === '' || (/^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text)))
        ? ''
        : 'Type a date such as 2026-11-29.',
  };
  protected choices(field: CollectionField, item: Item): { value: string; label: string }[] {
    const now = item.values[field.id];
    const all = [...(field.options ?? []), ...(now && !field.options?.includes(now) ? [now] : [])];
    return [{ value: '', label: 'none' }, ...all.map((value) => ({ value, label: value }))];
  }
  protected show(field: string, asset: string): void {
    this.#do((site) => setItemPicture(site, this.item()!.id, field, asset || null));
  }
  protected sayOfPicture(field: string, alt: string): void {
    this.#do((site) =>
      setValue(
        site,
        `Alternative text of an image of ${this.name(this.item()!)}`,
        ['items', this.item()!.id, 'pictures', field, 'alt'],
        alt,
      ),
    );
  }
  protected readonly downloads = computed(() => [
    { value: '', label: 'none' },
    ...Object.values(this.site()?.downloads ?? {}).map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected hand(field: string, download: string): void {
    this.#do((site) => setItemDownload(site, this.item()!.id, field, download || null));
  }
  /** The field that others are filled in with from the item in hand. */
  protected readonly filling = signal<string | null>(null);
  protected readonly fillable = computed(() =>
    this.fields()
      .filter(({ kind }) => kind !== 'picture' && kind !== 'download')
      .map(({ id, label }) => ({ value: id, label })),
  );
  protected readonly toFill = computed(() => {
    const field = this.filling() ?? '';
    const others = this.#shownOthers();
    return { all: others.length, empty: others.filter((item) => !item.values[field]).length };
  });
  #shownOthers(): readonly Item[] {
    return (this.table()?.ordered() ?? this.found()).filter((item) => item.id !== this.item()?.id);
  }
  protected fill(field: string, all: boolean): void {
    const ids = this.#shownOthers()
      .filter((other) => all || !other.values[field])
      .map(({ id }) => id);
    this.#do((site) => fillIn(site, field, this.item()?.values[field] ?? '', ids));
    this.filling.set(null);
  }
  protected pageOf(page: string): void {
    this.#do((site) => pageOfItems(site, this.collection()!.id, page || null));
  }
  protected list(): void {
    const id = freshId('x');
    this.#do((site) => addListSection(site, this.page(), this.collection()!.id, id));
    if (this.#editor.current()?.pages[this.page()]?.sections[id]) this.laid.emit(id);
  }

  protected async sheet(files: readonly File[]): Promise<void> {
    const [file] = files;
    if (!file) return;
    if (file.size > 30 * 1024 * 1024)
      return this.words.set(`${file.name} is over 30 MB. Nothing was imported. Split the file first.`);
    this.#read(file.name, await file.text());
  }
  protected dropped(data: DataTransfer): void {
    void this.sheet([...data.files]);
  }
  /** Cells that are pasted where nothing is typed are a sheet. */
  protected pasted(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if ((event.target as Element).closest('input, textarea') || !/[\t\n]/.test(text.trim()) || !this.collection())
      return;
    event.preventDefault();
    this.#read('Pasted rows', text);
  }
  #read(name: string, text: string): void {
    const sheet = readSheet(text);
    const plan =
      typeof sheet === 'string'
        ? sheet
        : planSheet(this.#editor.current()!, this.collection()!.id, sheet, () => freshId('i'));
    this.words.set(typeof plan === 'string' ? `${name}: ${plan}` : '');
    this.plan.set(typeof plan === 'string' ? null : plan);
  }
  protected bring(): void {
    const edit = this.plan()?.edit;
    this.plan.set(null);
    if (edit) this.#do(() => edit);
  }
  protected export(): void {
    const of = this.collection()!;
    saveFile(`${of.path}.csv`, 'text/csv', writeSheet(this.site()!, of));
  }
  #do(make: (site: Site) => Edit | undefined): void {
    this.words.set('');
    this.#editor.commit(make);
  }
}
