import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, input, output, signal } from '@angular/core';
import {
  FAMILY_KINDS,
  LIBRARY,
  cutDownText,
  faceName,
  familyById,
  familyStack,
  missingCharacters,
  ownWords,
  plural,
  readyFor,
  removeFamily,
  setFamilies,
  stylesOf,
  widthOf,
  type BroughtFamily,
  type Family,
  type FamilyKind,
} from '@yohaku/core';
import { BroughtFonts, Editor, Reaching, type Scope } from '../../state/index.ts';
import { ACTS, SeekField, DropZone, Choice } from '../../ui/index.ts';
import { Slider, FilesField } from '../../ui/late/index.ts';

type Role = 'heading' | 'body';

interface Row {
  readonly family: Family;
  readonly stack: string;
  readonly weights: number;
  readonly italic: boolean;
  readonly xHeight: number;
  readonly width: number;
  readonly own: boolean;
}

/** The last filter of the list, kept while the desk is open. */
const kept = { search: '', kinds: new Set<FamilyKind>(), weights: 1, italic: false, xHeight: 0.38, width: 0.62 };
export const ROW_HEIGHT = 44;

/**
 * Every family there is, set in the site's own words: narrowed by what it is, tried on the wall while pointed at, taken
 * on purpose.
 */
@Component({
  selector: 'yo-family-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Slider, SeekField, FilesField, DropZone, ScrollingModule, Choice, Reaching],
  templateUrl: './family-shelf.html',
  styleUrl: './family-shelf.less',
})
export class FamilyShelf {
  readonly #editor = inject(Editor);
  protected readonly brought = inject(BroughtFonts);
  readonly role = input.required<Role>();
  readonly closed = output();
  protected readonly site = this.#editor.shown;
  protected readonly search = signal(kept.search);
  protected readonly kinds = signal<ReadonlySet<FamilyKind>>(kept.kinds);
  protected readonly weights = signal(kept.weights);
  protected readonly italic = signal(kept.italic);
  protected readonly xHeight = signal(kept.xHeight);
  protected readonly width = signal(kept.width);
  protected readonly allKinds = FAMILY_KINDS;
  protected readonly rowHeight = ROW_HEIGHT;
  /** Family whose figures stand at the side: that pointed at, else the one in use. */
  readonly #pointed = signal<string | null>(null);
  protected readonly fonts = computed(() => this.#editor.current()?.brand.fonts, {
    equal: (entry, other) => entry === other,
  });
  protected readonly used = computed(() => this.#editor.current()?.brand.families[this.role()] ?? '');
  protected readonly sample = computed(() => {
    const site = this.site();
    return site ? ownWords(site)[this.role() === 'heading' ? 'title' : 'sentence'] : '';
  });
  readonly #all = computed((): Row[] =>
    [...Object.values(this.fonts() ?? {}), ...LIBRARY].map((family) => {
      const { weights, italic } = stylesOf(family);
      return {
        family,
        stack: familyStack(family.id, this.fonts()),
        weights: weights.reduce((sum, [lightest, heaviest]) => sum + (lightest === heaviest ? 1 : 9), 0),
        italic,
        xHeight: family.metrics.xHeight,
        width: widthOf(family.metrics, 400, false),
        own: !('licence' in family),
      };
    }),
  );
  protected readonly rows = computed(() => {
    const search = this.search().trim().toLowerCase();
    const kinds = this.kinds();
    return this.#all().filter(
      (row) =>
        (search === '' || row.family.name.toLowerCase().includes(search) || row.family.kind.includes(search)) &&
        (kinds.size === 0 || kinds.has(row.family.kind)) &&
        row.weights >= this.weights() &&
        (!this.italic() || row.italic) &&
        row.xHeight >= this.xHeight() - 1e-9 &&
        row.width <= this.width() + 1e-9,
    );
  });
  protected readonly total = computed(() => this.#all().length);
  protected readonly narrowed = computed(() => this.rows().length < this.total());
  protected readonly about = computed(() => {
    const site = this.#editor.current();
    const family = familyById(this.#pointed() ?? this.used(), this.fonts());
    if (!site || !family) return undefined;
    const { weights, italic } = stylesOf(family);
    const [ready] = readyFor(family);
    const own = 'licence' in family ? undefined : (family as BroughtFamily);
    const missing = own ? missingCharacters(site, own.faces[0]!.coverage) : [];
    const bold = Math.max(...weights.map(([, heaviest]) => heaviest));
    return {
      family,
      own,
      missing,
      styles: own
        ? own.faces.map(faceName).join(', ')
        : `${weights.map(([weight]) => weight).join(', ')}${italic ? ', each with italic' : ''}`,
      lacks: [
        ...(italic ? [] : ['No italic: browsers will slant the upright.']),
        ...(bold < 600 ? [`No weight above ${bold}: browsers will thicken it.`] : []),
      ],
      ready: ready
        ? `${ready.name}, scaled to the same width; its lower-case letters are then ${Math.abs(ready.xHeight) < 0.001 ? 'as high' : `${cutDownText(Math.abs(ready.xHeight) * 100, 1)} % ${ready.xHeight < 0 ? 'lower' : 'higher'}`}`
        : '',
      embedding: own ? [...new Set(own.faces.map((face) => EMBEDDING[face.embedding]))].join('; ') : '',
      roles: (['heading', 'body'] as const).filter((role) => site.brand.families[role] === family.id),
    };
  });
  protected readonly instead = computed(() => [
    { value: '', label: 'choose a replacement' },
    ...this.#all()
      .filter((row) => row.family.id !== this.about()?.family.id)
      .map((row) => ({ value: row.family.id, label: row.family.name })),
  ]);

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      Object.assign(kept, {
        search: this.search(),
        kinds: this.kinds(),
        weights: this.weights(),
        italic: this.italic(),
        xHeight: this.xHeight(),
        width: this.width(),
      });
      this.#editor.cancel();
    });
  }

  protected kind(kind: FamilyKind): void {
    this.kinds.update((kinds) => {
      const next = new Set(kinds);
      if (!next.delete(kind)) next.add(kind);
      return next;
    });
  }
  protected all(): void {
    this.search.set('');
    this.kinds.set(new Set());
    this.weights.set(1);
    this.italic.set(false);
    this.xHeight.set(0.38);
    this.width.set(0.62);
  }
  protected tries(id: string | null): void {
    this.#pointed.set(id);
    if (id === null || id === this.used()) this.#editor.cancel();
    else
      this.#editor.preview((site) =>
        setFamilies(site, 'Family', { ...this.#roles(site.brand.families), [this.role()]: id }),
      );
  }
  protected take(id: string): void {
    const name = familyById(id, this.fonts())!.name;
    this.#editor.commit((site) =>
      setFamilies(site, `${this.role() === 'heading' ? 'Headings' : 'Text'} in ${name}`, {
        ...this.#roles(site.brand.families),
        [this.role()]: id,
      }),
    );
  }
  #roles({ heading, body }: { heading: string; body: string }): { heading: string; body: string } {
    return { heading, body };
  }
  protected async bring(files: FileList | readonly File[]): Promise<void> {
    const [first] = files.length ? await this.brought.bring([...files]) : [];
    if (first) this.#pointed.set(first);
  }
  protected kindOf(kind: string): void {
    const { family } = this.about()!;
    this.#editor.set(`${family.name} is ${kind}`, ['brand', 'fonts', family.id, 'kind'], kind);
  }
  protected takeOut(instead?: string): void {
    const { family } = this.about()!;
    this.#pointed.set(null);
    this.#editor.commit((site) => removeFamily(site, family.id, instead || undefined));
  }
  protected readonly scope = computed((): Scope => `family.${this.role()}`);
  protected readonly shelfOnly: Scope = { words: 'Filters the list; no place changes' };
  protected readonly kindOptions = FAMILY_KINDS.map((kind) => ({ value: kind, label: kind }));
  protected readonly count = plural;
  protected readonly cut = cutDownText;
  protected key = (_at: number, row: Row): string => row.family.id;
}

const EMBEDDING: Record<string, string> = {
  installable: 'The file allows embedding.',
  editable: 'The file allows embedding in documents that can be edited: ask its maker about websites.',
  preview: 'The file allows embedding for reading and printing only: ask its maker about websites.',
  restricted: 'The file forbids embedding: use it on a website only with its maker’s permission.',
};
